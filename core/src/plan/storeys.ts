import { areaWhere } from '../geometry/area-where';
import type { Point } from '../geometry/point';
import { Refusal } from '../refusal';
import type { PlanIds } from './check-ids';
import { outlineOf, type DrawnWall, type Outline, type Side } from './outline';
import type { Face, PlanInput, PlanStorey, PlanWall } from './plan-input';
import { measured, piecesOf, type MeasuredPiece, type WallPiece } from './wall-pieces';

/** A wall with its pieces, as they lie to the storeys below and above, measured at a face. */
export interface LaidWall {
  readonly drawnWall: DrawnWall;
  readonly wall: PlanWall;
  /** Where it lies at the face. */
  readonly atFace: Side;
  readonly lengthM: number;
  /** How far along the drawn wall it begins and ends at the face. */
  readonly startM: number;
  readonly endM: number;
  readonly below: readonly MeasuredPiece[];
  readonly above: readonly MeasuredPiece[];
}

/** A storey as it is laid out. */
export interface LaidStorey {
  readonly storey: PlanStorey;
  readonly isLowest: boolean;
  readonly outline: Outline;
  readonly walls: readonly LaidWall[];
  /** Corners at the face. */
  readonly atFace: readonly Point[];
  readonly areaM2: number;
  /** Of it, what lies over the storey below, and under the one above. */
  readonly overBelowM2: number;
  readonly underAboveM2: number;
  /** Of its lowest finished floor above that of the lowest storey. */
  readonly floorLevelM: number;
}

const areaOf = (corners: readonly Point[]): number => areaWhere([corners], ([isInside]) => isInside === true);

const sharedArea = (one: readonly Point[], two: readonly Point[]): number =>
  areaWhere([one, two], ([inOne, inTwo]) => inOne === true && inTwo === true);

const refuseHalfGround = ({ walls }: PlanStorey, field: string): void =>
  walls.forEach(({ groundStartM, groundEndM }, i) => {
    if ((groundStartM === undefined) === (groundEndM === undefined)) return;
    const missing = groundStartM === undefined ? 'groundStartM' : 'groundEndM';
    throw new Refusal(
      'required',
      `${field}.walls[${i}].${missing}`,
      'Give the level of the ground at both ends of the wall, or at none.',
    );
  });

function layWall(
  drawnWall: DrawnWall,
  isDrawn: boolean,
  below: readonly WallPiece[],
  above: readonly WallPiece[],
): LaidWall {
  const face: Side = isDrawn ? drawnWall.drawn : drawnWall.other;
  const { direction, drawn } = drawnWall;
  const alongWall = (place: Point) =>
    (place.x - drawn.from.x) * direction.x + (place.y - drawn.from.y) * direction.y;
  const [startM, endM] = [alongWall(face.from), alongWall(face.to)];
  return {
    drawnWall,
    wall: drawnWall.wall,
    atFace: face,
    lengthM: endM - startM,
    startM,
    endM,
    below: measured(drawnWall, below, face),
    above: measured(drawnWall, above, face),
  };
}

const facedCorners = (outline: Outline, isDrawn: boolean) => (isDrawn ? outline.drawn : outline.other);

/**
 * Lays the storeys of a plan out: outlines at both sides of walls, and how they stand on each other.
 * @example layStoreys(examples['plan.sizes'], new PlanIds())[1].overBelowM2 // 51.998…
 * @throws {Refusal} of ids, lengths and outlines, storey by storey
 */
export function layStoreys({ storeys, drawnAt, face }: PlanInput, ids: PlanIds): readonly LaidStorey[] {
  const outlines = storeys.map((storey, i) => {
    const field = `storeys[${i}]`;
    ids.takeStorey(storey, field);
    refuseHalfGround(storey, field);
    return outlineOf(storey, drawnAt, `${field}.walls`);
  });
  const isDrawn = (face satisfies Face) === drawnAt;
  let floorLevelM = 0;
  return storeys.map((storey, i): LaidStorey => {
    const before = storeys[i - 1];
    if (before !== undefined) floorLevelM += before.heightM + storey.floorDepthM;
    const outline = outlines[i];
    if (outline === undefined) throw new Error('Every storey has an outline.');
    const [lower, upper] = [outlines[i - 1] ?? null, outlines[i + 1] ?? null];
    const [below, above] = [piecesOf(outline, lower), piecesOf(outline, upper)];
    const atFace = facedCorners(outline, isDrawn);
    return {
      storey,
      isLowest: i === 0,
      outline,
      walls: outline.walls.map((wall) =>
        layWall(wall, isDrawn, below.get(wall) ?? [], above.get(wall) ?? []),
      ),
      atFace,
      areaM2: areaOf(atFace),
      overBelowM2: lower === null ? 0 : sharedArea(atFace, facedCorners(lower, isDrawn)),
      underAboveM2: upper === null ? 0 : sharedArea(atFace, facedCorners(upper, isDrawn)),
      floorLevelM,
    };
  });
}
