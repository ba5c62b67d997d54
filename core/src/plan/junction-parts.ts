import { along, between, cross, dot, type Point } from '../geometry/point';
import type { MeasuredPlan } from './measure-plan';
import type { Side } from './outline';
import type { MeasuredRoof } from './roofs';
import type { LaidStorey, LaidWall } from './storeys';
import { footOf, hasRim, type Foot } from './wall-feet';
import { liesInside, type MeasuredPiece } from './wall-pieces';
import { cornersOf } from './wings';

/** What a junction of an envelope is. */
export type JunctionKind =
  | 'foot'
  | 'rimFoot'
  | 'rimHead'
  | 'stepIn'
  | 'overhangEdge'
  | 'headUnderFloor'
  | 'head'
  | 'gableFoot'
  | 'rake'
  | 'ridge'
  | 'collar'
  | 'hip'
  | 'valley'
  | 'cornerOut'
  | 'cornerIn'
  | 'rimCorner'
  | 'concreteStep'
  | 'frame';

/** A junction of an envelope, known by what it was drawn as. */
export interface JunctionPart {
  readonly kind: JunctionKind;
  /**
   * The wall that it is of: the upper one of a rim, the one that begins at a corner; the wing of a rake, ridge, collar, hip or
   * valley; the opening of a frame. Null for the foot of a gable that stands on no wall.
   */
  readonly of: string | null;
  /** What it joins that to: the lower wall at a rim's foot, the roof at a wall's head and a gable's foot; else null. */
  readonly to: string | null;
  readonly storey: string;
  readonly lengthM: number;
}

const FOOT_JUNCTION = {
  on: 'rimFoot',
  stepIn: 'stepIn',
  overhang: 'overhangEdge',
  foot: 'foot',
} as const satisfies Readonly<Record<Exclude<Foot, 'through'>, JunctionKind>>;

/** Lies on a line within so much. */
const ON_M = 1e-3;
/** A place so far inside of a wall tells under which roof it is. */
const INSIDE_M = 1e-3;
/** Shorter is nothing. */
const NOTHING_M = 1e-9;

interface Span {
  readonly fromM: number;
  readonly toM: number;
}

const sharedM = (one: Span, two: Span): number =>
  Math.max(0, Math.min(one.toM, two.toM) - Math.max(one.fromM, two.fromM));

const lengthOf = ({ from, to }: Side): number => Math.hypot(to.x - from.x, to.y - from.y);

/** Junctions by what they are and join, the lengths of several pieces added. */
class Junctions {
  private readonly found = new Map<string, JunctionPart>();

  add(part: JunctionPart): void {
    const name = `${part.kind}/${part.of}+${part.to}`;
    const before = this.found.get(name);
    this.found.set(name, before === undefined ? part : { ...part, lengthM: before.lengthM + part.lengthM });
  }

  all(): readonly JunctionPart[] {
    return [...this.found.values()].filter(({ lengthM }) => lengthM > NOTHING_M);
  }
}

/** Where along the drawn line of a wall, just inside of it, an outline is crossed. */
function crossedAt(
  { drawnWall: { drawn, direction, inwards } }: LaidWall,
  corners: readonly Point[],
): readonly number[] {
  const from = along(drawn.from, inwards, INSIDE_M);
  return corners.flatMap((a, i) => {
    const side = between(a, corners[(i + 1) % corners.length] ?? a);
    const sine = cross(direction, side);
    if (Math.abs(sine) < 1e-12) return [];
    return [cross(between(from, a), side) / sine];
  });
}

/** A piece of a wall under one roof. */
interface UnderRoof extends Span {
  readonly roof: string | null;
}

/** The open pieces of a wall at the face, each under one roof. */
function openUnderRoofs(
  wall: LaidWall,
  piece: MeasuredPiece,
  roofs: readonly MeasuredRoof[],
): readonly UnderRoof[] {
  const rest = roofs.find(({ roof }) => roof.outlineM === undefined)?.roof.id ?? null;
  const own = roofs.flatMap(({ roof }) =>
    roof.outlineM === undefined ? [] : [{ id: roof.id, corners: cornersOf(roof.outlineM) }],
  );
  const { startM, endM } = piece;
  if (own.length === 0) return [{ fromM: startM, toM: endM, roof: rest }];
  const cuts = own
    .flatMap(({ corners }) => crossedAt(wall, corners))
    .filter((at) => at > startM + ON_M && at < endM - ON_M)
    .sort((a, b) => a - b);
  const { drawn, direction, inwards } = wall.drawnWall;
  return [startM, ...cuts].map((fromM, i): UnderRoof => {
    const toM = cuts[i] ?? endM;
    // What reaches beyond the drawn wall, at its other side, is under the roof over its end.
    const middleM = Math.min(wall.wall.lengthM - INSIDE_M, Math.max(INSIDE_M, (fromM + toM) / 2));
    const place = along(along(drawn.from, direction, middleM), inwards, INSIDE_M);
    return { fromM, toM, roof: own.find(({ corners }) => liesInside(place, corners))?.id ?? rest };
  });
}

/** The part of a wall, along its drawn line, on which a line at the face lies; null where it lies beside it. */
function spanOn({ drawnWall: { drawn, direction }, atFace }: LaidWall, line: Side): Span | null {
  const ends = [line.from, line.to];
  const isAside = ends.some((point) => Math.abs(cross(direction, between(atFace.from, point))) > ON_M);
  if (isAside) return null;
  const reach = ends.map((point) => dot(direction, between(drawn.from, point)));
  return { fromM: Math.min(...reach), toM: Math.max(...reach) };
}

/** What lies at the head of a wall under roofs: the feet of gables that stand on it, and for the rest the roof itself. */
function addHeads(
  junctions: Junctions,
  wall: LaidWall,
  storey: string,
  roofs: readonly MeasuredRoof[],
  onWalls: Map<Side, number>,
): void {
  const of = wall.wall.id;
  const feet = roofs.flatMap(({ roof, wings }) =>
    wings.flatMap(({ figures }) =>
      figures.gableFeet.flatMap((line) => {
        const span = spanOn(wall, line);
        return span === null ? [] : [{ roof: roof.id, line, span }];
      }),
    ),
  );
  for (const piece of wall.above) {
    if (piece.lies === 'inside')
      junctions.add({ kind: 'headUnderFloor', of, to: null, storey, lengthM: piece.lengthM });
    if (piece.lies !== 'beyond') continue;
    for (const open of openUnderRoofs(wall, piece, roofs)) {
      let headM = Math.max(0, open.toM - open.fromM);
      for (const { roof, line, span } of feet) {
        const lengthM = Math.min(headM, sharedM(open, span));
        junctions.add({ kind: 'gableFoot', of, to: roof, storey, lengthM });
        onWalls.set(line, (onWalls.get(line) ?? 0) + lengthM);
        headM -= lengthM;
      }
      junctions.add({ kind: 'head', of, to: open.roof, storey, lengthM: headM });
    }
  }
}

function addFeet(junctions: Junctions, { wall, below }: LaidWall, laid: LaidStorey): void {
  const storey = laid.storey.id;
  for (const piece of below) {
    const foot = footOf(piece, laid);
    const { lengthM } = piece;
    if (foot !== 'through') {
      const to = foot === 'on' ? (piece.on?.id ?? null) : null;
      junctions.add({ kind: FOOT_JUNCTION[foot], of: wall.id, to, storey, lengthM });
    }
    if (hasRim(foot, laid)) junctions.add({ kind: 'rimHead', of: wall.id, to: null, storey, lengthM });
  }
}

const reachesRim = (piece: MeasuredPiece | undefined, laid: LaidStorey): boolean =>
  piece !== undefined && piece.lengthM > 0 && hasRim(footOf(piece, laid), laid);

function addCorners(junctions: Junctions, laid: LaidStorey): void {
  const { walls } = laid;
  const { id: storey, heightM, floorDepthM } = laid.storey;
  walls.forEach(({ wall: { turnDeg }, below }, i) => {
    // The corner at which the next wall begins.
    const next = walls[(i + 1) % walls.length];
    if (next === undefined || turnDeg === 0) return;
    const kind = turnDeg > 0 ? 'cornerOut' : 'cornerIn';
    junctions.add({ kind, of: next.wall.id, to: null, storey, lengthM: heightM });
    if (reachesRim(below.at(-1), laid) && reachesRim(next.below[0], laid))
      junctions.add({ kind: 'rimCorner', of: next.wall.id, to: null, storey, lengthM: floorDepthM });
  });
}

function addSlopes(
  junctions: Junctions,
  { roof, storey, wings }: MeasuredRoof,
  onWalls: Map<Side, number>,
): void {
  for (const { id: of, figures } of wings) {
    const add = (kind: JunctionKind, lengthM: number) =>
      junctions.add({ kind, of, to: null, storey: storey.storey.id, lengthM });
    add('rake', figures.rakeM);
    add('ridge', figures.ridgeM);
    add('collar', figures.collarM);
    add('hip', figures.hipM);
    add('valley', figures.valleyM);
  }
  for (const line of wings.flatMap(({ figures }) => figures.gableFeet)) {
    const lengthM = lengthOf(line) - (onWalls.get(line) ?? 0);
    junctions.add({ kind: 'gableFoot', of: null, to: roof.id, storey: storey.storey.id, lengthM });
  }
}

/**
 * The junctions of a plan, each by what it was drawn as, storey by storey upwards, then the roofs and the frames. Lengths in m at
 * the face at which figures are taken; pieces of one kind between the same two things are one.
 * @example junctionParts(measurePlan(examples['plan.sizes']))[0].kind // 'foot'
 */
export function junctionParts({ storeys, roofs, openings }: MeasuredPlan): readonly JunctionPart[] {
  const junctions = new Junctions();
  const onWalls = new Map<Side, number>();
  const storeyOf = new Map<string, string>();
  for (const laid of storeys) {
    const { id } = laid.storey;
    const own = roofs.filter(({ storey }) => storey === laid);
    for (const wall of laid.walls) {
      storeyOf.set(wall.wall.id, id);
      addFeet(junctions, wall, laid);
      addHeads(junctions, wall, id, own, onWalls);
      const concreteM = wall.wall.concreteM ?? 0;
      if (concreteM > 0 && concreteM < laid.storey.heightM)
        junctions.add({
          kind: 'concreteStep',
          of: wall.wall.id,
          to: null,
          storey: id,
          lengthM: wall.lengthM,
        });
    }
    addCorners(junctions, laid);
  }
  for (const measured of roofs) {
    storeyOf.set(measured.roof.id, measured.storey.storey.id);
    addSlopes(junctions, measured, onWalls);
  }
  for (const { id, on, frameM } of openings) {
    const storey = storeyOf.get(on);
    if (storey === undefined) throw new Error('Every opening is in a wall or in a roof.');
    junctions.add({ kind: 'frame', of: id, to: null, storey, lengthM: frameM });
  }
  return junctions.all();
}
