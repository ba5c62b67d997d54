import { along, between, cross, dot, type Point } from '../geometry/point';
import type { DrawnWall, Outline, Side } from './outline';
import type { PlanWall } from './plan-input';

/** Walls run along each other where they differ by no more in direction, lie no farther aside, and for more than so long. */
const ALONG_DEG = 1;
const ASIDE_M = 0.15;
const LEAST_M = 0.15;
/** Cuts closer to each other, or to an end, are one. */
const SAME_M = 1e-6;

/** A piece of a drawn wall, and how it lies to the outline of another storey. */
export interface WallPiece {
  /** From so far along the drawn wall to so far. */
  readonly fromM: number;
  readonly toM: number;
  readonly lies: 'on' | 'inside' | 'beyond';
  /** The wall of the other storey that it stands on, or that stands on it. */
  readonly on: PlanWall | null;
}

interface Stretch {
  readonly fromM: number;
  readonly toM: number;
}

/** Walls that go on straight from one to the next are one line. */
interface Line {
  readonly from: Point;
  readonly direction: Point;
  readonly lengthM: number;
}

/** The line that each wall belongs to. */
function linesOf(walls: readonly DrawnWall[]): ReadonlyMap<DrawnWall, Line> {
  const count = walls.length;
  const first = Math.max(
    0,
    walls.findIndex(({ goesOn }) => !goesOn),
  );
  const runs: DrawnWall[][] = [];
  for (let i = 0; i < count; i++) {
    const wall = walls[(first + i) % count];
    if (wall === undefined) continue;
    if (wall.goesOn && i > 0) runs.at(-1)?.push(wall);
    else runs.push([wall]);
  }
  return new Map(
    runs.flatMap((run) => {
      const [begin] = run;
      const lengthM = run.reduce((sum, { wall }) => sum + wall.lengthM, 0);
      return begin === undefined
        ? []
        : run.map((wall) => [wall, { from: begin.drawn.from, direction: begin.direction, lengthM }] as const);
    }),
  );
}

/** Where along one line another runs beside it; null where it does not, or for too short. */
function besideOf(line: Line, other: Line): Stretch | null {
  const turn =
    (Math.atan2(cross(line.direction, other.direction), dot(line.direction, other.direction)) * 180) /
    Math.PI;
  if (Math.abs(turn) > ALONG_DEG) return null;
  const start = between(line.from, other.from);
  const end = between(line.from, along(other.from, other.direction, other.lengthM));
  const [alongStart, alongEnd] = [dot(start, line.direction), dot(end, line.direction)];
  const [asideStart, asideEnd] = [cross(line.direction, start), cross(line.direction, end)];
  const slope = (asideEnd - asideStart) / (alongEnd - alongStart);
  const isAlike = Math.abs(slope) < 1e-9;
  if (isAlike && Math.abs(asideStart) > ASIDE_M + SAME_M) return null;
  // Between the two places at which it is too far aside.
  const reached = isAlike
    ? [-Infinity, Infinity]
    : [-ASIDE_M, ASIDE_M].map((aside) => alongStart + (aside - asideStart) / slope);
  const fromM = Math.max(0, alongStart, Math.min(...reached));
  const toM = Math.min(line.lengthM, alongEnd, Math.max(...reached));
  return toM - fromM > LEAST_M + SAME_M ? { fromM, toM } : null;
}

/** A wall of the other storey, and the stretch of this wall that it runs along. */
interface Beside extends Stretch {
  readonly wall: PlanWall;
  readonly asideM: number;
}

function besides(wall: DrawnWall, line: Line, others: ReadonlyMap<DrawnWall, Line>): readonly Beside[] {
  const startM = dot(between(line.from, wall.drawn.from), line.direction);
  const found: Beside[] = [];
  for (const [other, otherLine] of others) {
    const beside = besideOf(line, otherLine);
    if (beside === null) continue;
    // Of the line that runs beside, the part that is this very wall, on the part that is this one.
    const fromM = Math.max(beside.fromM, dot(between(line.from, other.drawn.from), line.direction)) - startM;
    const toM = Math.min(beside.toM, dot(between(line.from, other.drawn.to), line.direction)) - startM;
    const [from, to] = [Math.max(0, fromM), Math.min(wall.wall.lengthM, toM)];
    if (to - from <= SAME_M) continue;
    const asideM = Math.abs(cross(line.direction, between(line.from, other.drawn.from)));
    found.push({ wall: other.wall, fromM: from, toM: to, asideM });
  }
  return found;
}

/** How far along a wall it crosses another; null where it does not. */
function crossedAt({ drawn, direction, wall }: DrawnWall, other: Side): number | null {
  const arrow = between(other.from, other.to);
  const sine = cross(direction, arrow);
  if (Math.abs(sine) < 1e-12) return null;
  const start = between(drawn.from, other.from);
  const at = cross(start, arrow) / sine;
  const share = cross(start, direction) / sine;
  const isOn = at > SAME_M && at < wall.lengthM - SAME_M && share >= -1e-9 && share <= 1 + 1e-9;
  return isOn ? at : null;
}

/**
 * True where a place lies within an outline, and not on its line.
 * @example liesInside({ x: 1, y: 1 }, [{ x: 0, y: 0 }, { x: 4, y: 0 }, { x: 0, y: 4 }]) // true
 */
export function liesInside(place: Point, corners: readonly Point[]): boolean {
  let isInside = false;
  for (const [i, a] of corners.entries()) {
    const b = corners[(i + 1) % corners.length] ?? a;
    const side = between(a, b);
    const length = Math.hypot(side.x, side.y);
    const share = Math.min(1, Math.max(0, dot(between(a, place), side) / (length * length)));
    const off = between(along(a, side, share), place);
    if (Math.hypot(off.x, off.y) <= SAME_M) return false;
    if (a.y > place.y !== b.y > place.y && place.x < a.x + ((place.y - a.y) / side.y) * side.x)
      isInside = !isInside;
  }
  return isInside;
}

/** Places along a wall at which something changes, from its start to its end, each once. */
function cutsOf(lengthM: number, places: readonly number[]): readonly number[] {
  const cuts = [0];
  for (const at of [...places].sort((a, b) => a - b)) {
    if (at - (cuts.at(-1) ?? 0) > SAME_M && lengthM - at > SAME_M) cuts.push(at);
  }
  return [...cuts, lengthM];
}

/**
 * The pieces of the walls of an outline, by how they lie to the outline of the storey below, or above: cut where they begin or
 * cease to run along one of its walls, and where they cross it. Both outlines as they were drawn.
 * @param other null where there is no such storey: all lies beyond
 * @example [...piecesOf(outlineOf(examples['plan.sizes'].storeys[0], 'outside', 'walls'), outlineOf(examples['plan.sizes'].storeys[0], 'outside', 'walls')).values()][0][0].lies // 'on'
 */
export function piecesOf(
  outline: Outline,
  other: Outline | null,
): ReadonlyMap<DrawnWall, readonly WallPiece[]> {
  const lines = linesOf(outline.walls);
  const otherLines = other === null ? new Map<DrawnWall, Line>() : linesOf(other.walls);
  const entries = outline.walls.map((wall): readonly [DrawnWall, readonly WallPiece[]] => {
    const { lengthM } = wall.wall;
    const line = lines.get(wall);
    const beside = line === undefined ? [] : besides(wall, line, otherLines);
    const crossed = (other?.walls ?? []).flatMap(({ drawn }) => crossedAt(wall, drawn) ?? []);
    const isBeside = (at: number) =>
      beside.some(({ fromM, toM }) => at > fromM + SAME_M && at < toM - SAME_M);
    const cuts = cutsOf(lengthM, [
      ...beside.flatMap(({ fromM, toM }) => [fromM, toM]),
      // What runs along a wall may cross it on its way.
      ...crossed.filter((at) => !isBeside(at)),
    ]);
    const pieces = cuts.slice(1).map((toM, i): WallPiece => {
      const fromM = cuts[i] ?? 0;
      const middleM = (fromM + toM) / 2;
      const [nearest] = beside
        .filter((each) => middleM > each.fromM && middleM < each.toM)
        .sort((a, b) => a.asideM - b.asideM);
      if (nearest !== undefined) return { fromM, toM, lies: 'on', on: nearest.wall };
      const middle = along(wall.drawn.from, wall.direction, middleM);
      const isInside = other !== null && liesInside(middle, other.drawn);
      return { fromM, toM, lies: isInside ? 'inside' : 'beyond', on: null };
    });
    return [wall, pieces];
  });
  return new Map(entries);
}

/** A piece with its length at the face at which figures are taken. */
export interface MeasuredPiece extends WallPiece {
  /** Where along the drawn wall it begins and ends at the face. */
  readonly startM: number;
  readonly endM: number;
  readonly lengthM: number;
}

/**
 * Lengths of the pieces of a wall at a face: what lies between the same two points along it; the first and the last reach to
 * the ends that the wall has there.
 * @example measured(outlineOf(examples['plan.sizes'].storeys[0], 'outside', 'walls').walls[0], [{ fromM: 0, toM: 9 }], outlineOf(examples['plan.sizes'].storeys[0], 'outside', 'walls').walls[0].other)[0].lengthM // 8.28
 */
export function measured(
  { drawn, direction }: DrawnWall,
  pieces: readonly WallPiece[],
  face: Side,
): readonly MeasuredPiece[] {
  const startM = dot(between(drawn.from, face.from), direction);
  const endM = dot(between(drawn.from, face.to), direction);
  return pieces.map((piece, i) => {
    const from = i === 0 ? startM : Math.max(piece.fromM, startM);
    const to = i === pieces.length - 1 ? endM : Math.min(piece.toM, endM);
    return { ...piece, startM: from, endM: to, lengthM: Math.max(0, to - from) };
  });
}
