import { areaWhere } from '../geometry/area-where';
import { between, dot, type Point } from '../geometry/point';
import { Refusal } from '../refusal';
import type { DrawnWall, Side } from './outline';
import type { Face, Place, PlanRoof, PlanWing } from './plan-input';

/** A side of a wing lies on a wall, or at another wing, within so much. */
const ON_M = 1e-3;
/** Gaps between wings and what they overlap, together. */
const TILING_M2 = 0.01;

export type SideName = 'x0' | 'x1' | 'y0' | 'y1';
type Sides = Readonly<Record<SideName, number>>;

const SIDES: readonly SideName[] = ['x0', 'x1', 'y0', 'y1'];
const OPPOSITE: Readonly<Record<SideName, SideName>> = { x0: 'x1', x1: 'x0', y0: 'y1', y1: 'y0' };
const JOINS = 'joins:';

/** A wing as it is drawn, with what its ends are. */
export interface Wing {
  readonly wing: PlanWing;
  readonly sides: Sides;
  /** The axis along which it is measured. */
  readonly axis: 'x' | 'y';
  /** What its two ends are, at the lower and the higher coordinate; none of a roof with one slope. */
  readonly ends: readonly End[];
  /** Of a roof with one slope. */
  readonly high: SideName | null;
}

export interface End {
  readonly side: SideName;
  readonly kind: 'gable' | 'hip' | 'join';
  readonly joins: string | null;
}

const sidesOf = ({ rectM: [x0, x1, y0, y1] }: PlanWing): Sides => ({ x0, x1, y0, y1 });

const rectangle = ({ x0, x1, y0, y1 }: Sides): readonly Point[] => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
];

/**
 * An outline that is not made of walls.
 * @example cornersOf([[1, 2]]) // [{ x: 1, y: 2 }]
 */
export const cornersOf = (outlineM: readonly Place[]): readonly Point[] =>
  outlineM.map(([x, y]) => ({ x, y }));

function endOf(end: string, side: SideName, field: string, wings: readonly PlanWing[]): End {
  if (end === 'gable' || end === 'hip') return { side, kind: end, joins: null };
  if (!end.startsWith(JOINS)) {
    throw new Refusal('unknown-option', field, 'This must be one of: gable, hip, joins:WING.', {
      value: end,
    });
  }
  const joins = end.slice(JOINS.length);
  if (!wings.some(({ id }) => id === joins)) {
    throw new Refusal('unknown-reference', field, 'This roof has no wing of that name.', { value: joins });
  }
  return { side, kind: 'join', joins };
}

/**
 * Reads the wings of a sloping roof.
 * @example wingsOf(examples['plan.sizes'].roofs[0], 'roofs[0]')[0].axis // 'x'
 * @throws {Refusal} `required`, `out-of-range`, `unknown-option`, `unknown-reference`
 */
export function wingsOf({ kind, wings = [] }: PlanRoof, field: string): readonly Wing[] {
  return wings.map((wing, i): Wing => {
    const at = `${field}.wings[${i}]`;
    const sides = sidesOf(wing);
    if (!(sides.x1 > sides.x0) || !(sides.y1 > sides.y0)) {
      throw new Refusal(
        'out-of-range',
        `${at}.rectM`,
        'Give the lower coordinate before the higher: x, x, y, y.',
      );
    }
    if (kind === 'monoSlope') {
      if (wing.low === undefined)
        throw new Refusal('required', `${at}.low`, 'Say which side is the low one.');
      return {
        wing,
        sides,
        axis: wing.low.startsWith('x') ? 'y' : 'x',
        ends: [],
        high: OPPOSITE[wing.low],
      };
    }
    const { ridge, ends } = wing;
    if (ridge === undefined)
      throw new Refusal('required', `${at}.ridge`, 'Say along which axis the ridge runs.');
    if (ends === undefined) throw new Refusal('required', `${at}.ends`, 'Say what the two ends are.');
    const [lower, higher]: readonly [SideName, SideName] = ridge === 'x' ? ['x0', 'x1'] : ['y0', 'y1'];
    return {
      wing,
      sides,
      axis: ridge,
      ends: [lower, higher].map((side, j) => endOf(ends[j] ?? '', side, `${at}.ends[${j}]`, wings)),
      high: null,
    };
  });
}

const widthOf = ({ axis, sides: { x0, x1, y0, y1 } }: Pick<Wing, 'axis' | 'sides'>): number =>
  axis === 'x' ? y1 - y0 : x1 - x0;
const lengthOf = ({ axis, sides: { x0, x1, y0, y1 } }: Pick<Wing, 'axis' | 'sides'>): number =>
  axis === 'x' ? x1 - x0 : y1 - y0;

/** Lower and higher coordinate of a side's own run. */
const runOf = (side: SideName, { x0, x1, y0, y1 }: Sides): readonly [number, number] =>
  side.startsWith('x') ? [y0, y1] : [x0, x1];

/** A side as a line. */
function lineOf(side: SideName, sides: Sides): Side {
  const [from, to] = runOf(side, sides);
  const corner = (at: number): Point =>
    side.startsWith('x') ? { x: sides[side], y: at } : { x: at, y: sides[side] };
  return { from: corner(from), to: corner(to) };
}

/** True where a joining end stands on a long side of the wing that it joins, and is no wider than it. */
function standsOn(wing: Wing, { side }: End, joined: Wing): boolean {
  const facing = OPPOSITE[side];
  const isLongSide = (joined.axis === 'x') === facing.startsWith('y');
  const [from, to] = runOf(side, wing.sides);
  const [joinedFrom, joinedTo] = runOf(facing, joined.sides);
  return (
    isLongSide &&
    Math.abs(wing.sides[side] - joined.sides[facing]) <= ON_M &&
    from >= joinedFrom - ON_M &&
    to <= joinedTo + ON_M &&
    widthOf(wing) <= widthOf(joined) + ON_M
  );
}

/**
 * Refuses wings that leave gaps in what they roof, overlap, or join what they do not stand on.
 * @param outlines among which is what they roof
 * @param holds true where a place is to be roofed by them, by which of these outlines it lies in
 * @example refuseUntiled(wingsOf(examples['plan.sizes'].roofs[0], 'roofs[0]'), [outlineOf(examples['plan.sizes'].storeys[0], 'outside', 'walls').drawn], ([inside]) => inside, 'roofs[0]') // undefined
 * @throws {Refusal} `wings-do-not-tile`
 */
export function refuseUntiled(
  wings: readonly Wing[],
  outlines: readonly (readonly Point[])[],
  holds: (isInside: readonly boolean[]) => boolean,
  field: string,
): void {
  const rectangles = wings.map(({ sides }) => rectangle(sides));
  const all = [...outlines, ...rectangles];
  const inWings = (isInside: readonly boolean[]) => isInside.slice(outlines.length).filter(Boolean).length;
  const wrong = areaWhere(all, (isInside) => inWings(isInside) !== (holds(isInside) ? 1 : 0));
  const isJoined = wings.every((wing) =>
    wing.ends.every((end) => {
      const joined = wings.find((other) => other.wing.id === end.joins);
      return joined === undefined || (joined !== wing && standsOn(wing, end, joined));
    }),
  );
  if (wrong <= TILING_M2 && isJoined) return;
  throw new Refusal(
    'wings-do-not-tile',
    `${field}.wings`,
    isJoined
      ? `These wings leave gaps or overlap, by ${wrong.toFixed(2)} m² together.`
      : 'A joining wing stands on the long side of the wing that it joins, and is no wider than it.',
    { value: wrong, bound: TILING_M2 },
  );
}

/**
 * The wall that a side of a wing lies on: of several the one that it shares most with; null where there is none.
 * @example wallUnder('x0', { x0: 0, x1: 9, y0: -7, y1: 0 }, outlineOf(examples['plan.sizes'].storeys[0], 'outside', 'walls').walls).wall.id // 'left'
 */
export function wallUnder(side: SideName, sides: Sides, walls: readonly DrawnWall[]): DrawnWall | null {
  const { from: start, to: end } = lineOf(side, sides);
  let best: DrawnWall | null = null;
  let most = 0;
  for (const wall of walls) {
    const off = [start, end].map((each) => Math.abs(dot(between(wall.drawn.from, each), wall.inwards)));
    if (Math.max(...off) > ON_M) continue;
    const reach = [start, end].map((each) => dot(between(wall.drawn.from, each), wall.direction));
    const shared = Math.min(wall.wall.lengthM, Math.max(...reach)) - Math.max(0, Math.min(...reach));
    if (shared > most) [best, most] = [wall, shared];
  }
  return best;
}

/**
 * Wings as they are at a face: a side on a wall moves with it, and a joining end with the side that it joins.
 * @param walls of the storey below the roof, and of the storey beside it above
 * @example wingsAt(wingsOf(examples['plan.sizes'].roofs[0], 'roofs[0]'), outlineOf(examples['plan.sizes'].storeys[0], 'outside', 'walls').walls, 'inside', 'outside')[0].sides.y0 // -6.64
 */
export function wingsAt(
  wings: readonly Wing[],
  walls: readonly DrawnWall[],
  face: Face,
  drawnAt: Face,
): readonly Wing[] {
  if (face === drawnAt) return wings;
  const movedSide = (side: SideName, sides: Sides): number => {
    const wall = wallUnder(side, sides, walls);
    if (wall === null) return sides[side];
    return side.startsWith('x') ? wall.other.from.x : wall.other.from.y;
  };
  return wings.map((wing): Wing => {
    const sides = Object.fromEntries(
      SIDES.map((side) => {
        const end = wing.ends.find((each) => each.side === side);
        const joined = wings.find((other) => other.wing.id === end?.joins);
        const at =
          joined === undefined ? movedSide(side, wing.sides) : movedSide(OPPOSITE[side], joined.sides);
        return [side, at];
      }),
    ) as Record<SideName, number>;
    return { ...wing, sides };
  });
}

/** What a wing of a sloping roof comes to, its slopes apart. */
export interface SlopeFigures {
  readonly volumeM3: number;
  readonly flatM2: number;
  readonly gableM2: number;
  /** Above the heads of the walls. */
  readonly heightM: number;
  /** Where its gables stand on the heads of walls. */
  readonly gableFeet: readonly Side[];
  readonly rakeM: number;
  readonly ridgeM: number;
  readonly collarM: number;
  readonly hipM: number;
  readonly valleyM: number;
}

const NOTHING: SlopeFigures = {
  volumeM3: 0,
  flatM2: 0,
  gableM2: 0,
  heightM: 0,
  gableFeet: [],
  rakeM: 0,
  ridgeM: 0,
  collarM: 0,
  hipM: 0,
  valleyM: 0,
};

/** Where a joining wing lies flush with a hipped end of the wing it joins, a hip of the one lies in a plane of the other. */
function flushHips(wing: Wing, drawn: readonly Wing[]): number {
  let count = 0;
  for (const end of wing.ends) {
    const joined = drawn.find((other) => other.wing.id === end.joins);
    if (joined === undefined) continue;
    const own = runOf(end.side, wing.sides);
    const hips = joined.ends.filter(({ kind }) => kind === 'hip').map(({ side }) => joined.sides[side]);
    count += hips.filter((at) => own.some((corner) => Math.abs(corner - at) <= ON_M)).length;
  }
  return count;
}

function pitched(
  wing: Wing,
  flush: number,
  pitch: number,
  collarM: number | undefined,
  field: string,
): SlopeFigures {
  const [w, length] = [widthOf(wing), lengthOf(wing)];
  const ridgeHeightM = (w * pitch) / 2;
  if (collarM !== undefined && collarM > ridgeHeightM) {
    throw new Refusal(
      'out-of-range',
      `${field}.collarM`,
      `The collar lies above the ridge, which is ${ridgeHeightM.toFixed(2)} m above the wall head.`,
      { value: collarM, bound: ridgeHeightM },
    );
  }
  const run = collarM === undefined ? w / 2 : collarM / pitch;
  const countOf = (kind: End['kind']) => wing.ends.filter((end) => end.kind === kind).length;
  const [gables, hips, joins] = [countOf('gable'), countOf('hip'), countOf('join')];
  const solid = (width: number, along: number) =>
    ((width * width * pitch) / 4) * along + ((joins - hips) * width ** 3 * pitch) / 24;
  const flatWidth = w - 2 * run;
  const top = length + run * (joins - hips);
  const slanting = run * Math.sqrt(2 + pitch * pitch);
  return {
    volumeM3: solid(w, length) - solid(flatWidth, top),
    flatM2: flatWidth * top,
    gableM2: (gables * (w * w - flatWidth * flatWidth) * pitch) / 4,
    heightM: collarM ?? ridgeHeightM,
    gableFeet: wing.ends.filter(({ kind }) => kind === 'gable').map(({ side }) => lineOf(side, wing.sides)),
    rakeM: gables * (2 * run * Math.sqrt(1 + pitch * pitch) + flatWidth),
    ridgeM: collarM === undefined ? top : 0,
    collarM: collarM === undefined ? 0 : 2 * top + hips * flatWidth,
    hipM: (2 * hips - flush) * slanting,
    valleyM: (2 * joins - flush) * slanting,
  };
}

/** A roof with one slope; its high side may stand against a wall of the storey above. */
function leaning(wing: Wing, high: SideName, isAgainstWall: boolean, pitch: number): SlopeFigures {
  const [w, length] = [widthOf(wing), lengthOf(wing)];
  const across: readonly SideName[] = wing.axis === 'x' ? ['x0', 'x1'] : ['y0', 'y1'];
  const highM2 = w * pitch * length;
  return {
    ...NOTHING,
    volumeM3: (w * w * pitch * length) / 2,
    gableM2: w * w * pitch + (isAgainstWall ? 0 : highM2),
    heightM: w * pitch,
    gableFeet: (isAgainstWall ? across : [...across, high]).map((side) => lineOf(side, wing.sides)),
    rakeM: 2 * w * Math.sqrt(1 + pitch * pitch) + (isAgainstWall ? 0 : length),
  };
}

/** A strip of a wall of the storey above, behind the high side of a roof. */
export interface Strip {
  readonly wall: DrawnWall;
  readonly areaM2: number;
}

/**
 * Measures a sloping roof at a face, wing by wing.
 * @param drawn its wings, on drawn lines
 * @param wings the same at the face
 * @param above walls of the storey above
 * @example measureWings(examples['plan.sizes'].roofs[0], wingsOf(examples['plan.sizes'].roofs[0], 'roofs[0]'), wingsOf(examples['plan.sizes'].roofs[0], 'roofs[0]'), [], 'roofs[0]').figures[0].heightM // 2.8
 * @throws {Refusal} `out-of-range` where the collar lies above a ridge
 */
export function measureWings(
  { pitch = 0, collarM }: PlanRoof,
  drawn: readonly Wing[],
  wings: readonly Wing[],
  above: readonly DrawnWall[],
  field: string,
): { readonly figures: readonly SlopeFigures[]; readonly strips: readonly Strip[] } {
  const strips: Strip[] = [];
  const figures = wings.map((wing, i): SlopeFigures => {
    const asDrawn = drawn[i] ?? wing;
    if (wing.high === null) return pitched(wing, flushHips(asDrawn, drawn), pitch, collarM, field);
    const wall = wallUnder(wing.high, asDrawn.sides, above);
    if (wall !== null) strips.push({ wall, areaM2: widthOf(wing) * pitch * lengthOf(wing) });
    return leaning(wing, wing.high, wall !== null, pitch);
  });
  return { figures, strips };
}
