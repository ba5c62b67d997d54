import { areaWhere } from '../geometry/area-where';
import type { MeasuredPlan } from './measure-plan';
import type { Boundary, PlanZone, Under } from './plan-input';
import type { MeasuredRoof } from './roofs';
import type { LaidStorey, LaidWall } from './storeys';
import { footOf, hasRim } from './wall-feet';
import { cornersOf } from './wings';

/** A wall of a storey, with what of it runs through the floor above. Areas in m². */
export interface WallPart {
  readonly kind: 'wall';
  readonly wall: string;
  readonly storey: string;
  readonly boundary: Boundary;
  /** With its openings. */
  readonly grossM2: number;
  readonly openingsM2: number;
  readonly concreteM2: number;
  readonly belowGroundM2: number;
}

/** The edge of a floor frame, under the wall that stands on it. */
export interface RimPart {
  readonly kind: 'rim';
  readonly wall: string;
  readonly storey: string;
  readonly areaM2: number;
}

/** What of a floor lies over one thing. */
export interface FloorPart {
  readonly kind: 'floor';
  readonly storey: string;
  readonly over: Under | 'garage';
  /** The unheated room that it lies over; null where it is as the storey says. */
  readonly zone: string | null;
  readonly areaM2: number;
}

/** What closes a storey above; a gable by the wing whose end it is. */
export interface RoofPart {
  readonly kind: 'ceiling' | 'slope' | 'flatRoof' | 'gable';
  readonly roof: string;
  readonly wing: string | null;
  readonly storey: string;
  readonly areaM2: number;
}

/** A part of the envelope, known by what it was drawn as. */
export type EnvelopePart = WallPart | RimPart | FloorPart | RoofPart;

/** Area under a straight line between two heights, of which what lies below 0 or above a height counts not. */
function areaBelow(lengthM: number, startM: number, endM: number, mostM: number): number {
  // Of a line that falls or rises, what is above a level is a triangle or a trapezium.
  const above = (level: number): number => {
    const [a, b] = [startM - level, endM - level];
    if (a <= 0 && b <= 0) return 0;
    if (a >= 0 && b >= 0) return ((a + b) / 2) * lengthM;
    const high = Math.max(a, b);
    return ((high * high) / Math.abs(a - b) / 2) * lengthM;
  };
  return above(0) - above(mostM);
}

function belowGround({ wall, startM, endM }: LaidWall, heightM: number): number {
  const { groundStartM, groundEndM, lengthM } = wall;
  if (groundStartM === undefined || groundEndM === undefined) return 0;
  const levelAt = (m: number) => groundStartM + ((groundEndM - groundStartM) * m) / lengthM;
  return areaBelow(endM - startM, levelAt(startM), levelAt(endM), heightM);
}

/** Areas by the id of what they belong to. */
class Tally {
  private readonly sums = new Map<string, number>();

  add(id: string, areaM2: number): void {
    this.sums.set(id, this.of(id) + areaM2);
  }

  of(id: string): number {
    return this.sums.get(id) ?? 0;
  }
}

/** What of the walls of a storey passes the floor above it, less what of them lies behind a roof. */
function beyondStorey(plan: MeasuredPlan): Tally {
  const tally = new Tally();
  for (const laid of plan.storeys) {
    for (const piece of laid.walls.flatMap(({ below }) => below)) {
      if (piece.on !== null && footOf(piece, laid) === 'through')
        tally.add(piece.on.id, piece.lengthM * laid.storey.floorDepthM);
    }
  }
  for (const { wall, areaM2 } of plan.roofs.flatMap(({ strips }) => strips)) tally.add(wall.wall.id, -areaM2);
  return tally;
}

function wallsOf({ storey, walls }: LaidStorey, beyond: Tally, openings: Tally): readonly WallPart[] {
  const { heightM } = storey;
  return walls.map((laid) => ({
    kind: 'wall',
    wall: laid.wall.id,
    storey: storey.id,
    boundary: laid.wall.boundary ?? 'outdoors',
    grossM2: laid.lengthM * heightM + beyond.of(laid.wall.id),
    openingsM2: openings.of(laid.wall.id),
    concreteM2: laid.lengthM * Math.min(laid.wall.concreteM ?? 0, heightM),
    belowGroundM2: belowGround(laid, heightM),
  }));
}

function rimsOf(laid: LaidStorey): readonly RimPart[] {
  const { storey, walls } = laid;
  return walls.flatMap(({ wall, below }): RimPart[] => {
    const rimM = below
      .filter((piece) => hasRim(footOf(piece, laid), laid))
      .reduce((sum, { lengthM }) => sum + lengthM, 0);
    return rimM === 0
      ? []
      : [{ kind: 'rim', wall: wall.id, storey: storey.id, areaM2: rimM * storey.floorDepthM }];
  });
}

function floorsOf(laid: LaidStorey, lower: LaidStorey | undefined): readonly FloorPart[] {
  const { storey, outline } = laid;
  const openM2 = laid.areaM2 - laid.overBelowM2;
  const drawn = [outline.drawn, lower?.outline.drawn ?? []];
  const isOpen = ([isHere, isBelow]: readonly boolean[]) => isHere === true && isBelow !== true;
  const drawnM2 = lower === undefined ? 0 : areaWhere(drawn, isOpen);
  const over = ({ id, kind, outlineM }: PlanZone): FloorPart => {
    const sharedM2 = areaWhere(
      [...drawn, cornersOf(outlineM)],
      (isInside) => isOpen(isInside) && isInside[2] === true,
    );
    const areaM2 = drawnM2 === 0 ? 0 : (openM2 * sharedM2) / drawnM2;
    return { kind: 'floor', storey: storey.id, over: kind, zone: id, areaM2 };
  };
  const overZones = (lower?.storey.zones ?? []).map(over);
  const restM2 = overZones.reduce((rest, { areaM2 }) => rest - areaM2, openM2);
  return [...overZones, { kind: 'floor', storey: storey.id, over: storey.under, zone: null, areaM2: restM2 }];
}

function roofParts({ roof, storey, areaM2, wings }: MeasuredRoof): readonly RoofPart[] {
  const part = (kind: RoofPart['kind'], partM2: number, wing: string | null = null): RoofPart => ({
    kind,
    roof: roof.id,
    wing,
    storey: storey.storey.id,
    areaM2: partM2,
  });
  if (wings.length === 0) return [part(roof.kind === 'flatRoof' ? 'flatRoof' : 'ceiling', areaM2)];
  const flatM2 = wings.reduce((sum, { figures }) => sum + figures.flatM2, 0);
  return [
    part('ceiling', flatM2),
    part('slope', (areaM2 - flatM2) * Math.sqrt(1 + (roof.pitch ?? 0) ** 2)),
    ...wings.map(({ id, figures }) => part('gable', figures.gableM2, id)),
  ];
}

/**
 * The parts of the envelope of a plan, each by what it was drawn as, storey by storey upwards, then the roofs. Parts may be
 * of 0 m².
 * @example envelopeParts(measurePlan(examples['plan.sizes']))[0].over // 'ground'
 */
export function envelopeParts(plan: MeasuredPlan): readonly EnvelopePart[] {
  const { storeys, roofs } = plan;
  const beyond = beyondStorey(plan);
  const openings = new Tally();
  for (const { on, areaM2 } of plan.openings) openings.add(on, areaM2);
  return [
    ...storeys.flatMap((laid, i) => [
      ...floorsOf(laid, storeys[i - 1]),
      ...rimsOf(laid),
      ...wallsOf(laid, beyond, openings),
    ]),
    ...roofs.flatMap(roofParts),
  ];
}
