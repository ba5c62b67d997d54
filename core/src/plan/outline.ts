import { along, between, cross, dot, type Point } from '../geometry/point';
import { OUTLINE_OPEN_DEG, OUTLINE_OPEN_M } from '../limits';
import { Refusal } from '../refusal';
import type { Face, PlanStorey, PlanWall } from './plan-input';

/** Closer than that two walls touch. */
const TOUCH_M = 1e-6;
/** A smaller turn is none: it cuts a wall. */
const NO_TURN_DEG = 1e-9;

/** A wall where it lies, from its left end as seen from indoors. */
export interface Side {
  readonly from: Point;
  readonly to: Point;
}

/** A wall of a storey, drawn and moved. */
export interface DrawnWall {
  readonly wall: PlanWall;
  /** Of length 1, from its start to its end. */
  readonly direction: Point;
  /** Of length 1, towards indoors. */
  readonly inwards: Point;
  readonly drawn: Side;
  /** Where its other side lies. */
  readonly other: Side;
  /** The wall runs on straight from the one before. */
  readonly goesOn: boolean;
}

/** The outline of a storey: its walls, clockwise seen from above. */
export interface Outline {
  readonly walls: readonly DrawnWall[];
  readonly drawn: readonly Point[];
  readonly other: readonly Point[];
}

const isTurn = (degrees: number): boolean => Math.abs(degrees) > NO_TURN_DEG;

/** The walls as lengths and turns lay them, the first along x. */
function laid({ walls, startM: [x, y] = [0, 0] }: PlanStorey): readonly Side[] {
  let from: Point = { x, y };
  let heading = 0;
  return walls.map(({ lengthM, turnDeg }) => {
    const radians = (heading * Math.PI) / 180;
    const side = { from, to: along(from, { x: Math.cos(radians), y: Math.sin(radians) }, lengthM) };
    from = side.to;
    heading -= turnDeg;
    return side;
  });
}

function refuseOpen(sides: readonly Side[], walls: readonly PlanWall[], field: string): void {
  const [first, last] = [sides[0], sides.at(-1)];
  if (first === undefined || last === undefined) return;
  const gap = between(last.to, first.from);
  const gapM = Math.hypot(gap.x, gap.y);
  const turned = walls.reduce((sum, { turnDeg }) => sum + turnDeg, 0);
  if (gapM <= OUTLINE_OPEN_M && Math.abs(turned - 360) <= OUTLINE_OPEN_DEG) return;
  const open =
    gapM > OUTLINE_OPEN_M
      ? `its end lies ${gapM.toFixed(3)} m from its start`
      : `its turns add up to ${turned.toFixed(1)}° instead of 360°`;
  throw new Refusal('does-not-close', field, `This outline does not close: ${open}.`, { value: gapM });
}

/** True where two pieces are farther apart than that touch, in one direction already. */
function areApart(one: Side, two: Side): boolean {
  const isBeside = (a0: number, a1: number, b0: number, b1: number): boolean =>
    Math.min(a0, a1) > Math.max(b0, b1) + TOUCH_M || Math.min(b0, b1) > Math.max(a0, a1) + TOUCH_M;
  return (
    isBeside(one.from.x, one.to.x, two.from.x, two.to.x) ||
    isBeside(one.from.y, one.to.y, two.from.y, two.to.y)
  );
}

/** The least distance between two straight pieces. */
function distanceBetween(one: Side, two: Side): number {
  const toPiece = (point: Point, { from, to }: Side): number => {
    const piece = between(from, to);
    const length = dot(piece, piece);
    const share = length === 0 ? 0 : Math.min(1, Math.max(0, dot(between(from, point), piece) / length));
    const off = between(along(from, piece, share), point);
    return Math.hypot(off.x, off.y);
  };
  const sideOf = ({ from, to }: Side, point: Point) =>
    Math.sign(cross(between(from, to), between(from, point)));
  const crosses =
    sideOf(one, two.from) * sideOf(one, two.to) < 0 && sideOf(two, one.from) * sideOf(two, one.to) < 0;
  if (crosses) return 0;
  return Math.min(toPiece(one.from, two), toPiece(one.to, two), toPiece(two.from, one), toPiece(two.to, one));
}

/** Refuses an outline of which two walls that do not follow each other cross or touch. */
function refuseCrossing(sides: readonly Side[], field: string): void {
  sides.forEach((later, j) => {
    for (let i = 0; i < j - 1; i++) {
      const earlier = sides[i];
      const isNext = i === 0 && j === sides.length - 1;
      if (earlier === undefined || isNext || areApart(earlier, later)) continue;
      if (distanceBetween(earlier, later) > TOUCH_M) continue;
      throw new Refusal(
        'crosses-itself',
        `${field}[${j}]`,
        'This wall crosses, or touches, one before it: an outline goes once round its rooms.',
        { value: i },
      );
    }
  });
}

/** Where two lines cross; null where they run alike. */
function crossing(one: Point, direction: Point, two: Point, otherDirection: Point): Point | null {
  const sine = cross(direction, otherDirection);
  if (sine === 0) return null;
  return along(one, direction, cross(between(one, two), otherDirection) / sine);
}

type Ray = Pick<DrawnWall, 'wall' | 'direction' | 'inwards' | 'drawn'>;

/** The other sides of walls: each moved by its own thickness; neighbours meet where the moved lines cross. */
function moved(walls: readonly Ray[], inwards: boolean): readonly Side[] {
  const count = walls.length;
  const movedFrom = ({ wall, inwards: normal }: Ray, at: Point) =>
    along(at, normal, inwards ? wall.thicknessM : -wall.thicknessM);
  const cornerOf = (before: Ray, after: Ray): readonly [end: Point, start: Point] => {
    const foot = [movedFrom(before, before.drawn.to), movedFrom(after, after.drawn.from)] as const;
    if (!isTurn(before.wall.turnDeg)) return foot;
    const met = crossing(foot[0], before.direction, foot[1], after.direction);
    return met === null ? foot : [met, met];
  };
  const corners = walls.map((wall, i) => cornerOf(wall, walls[(i + 1) % count] ?? wall));
  return walls.map(({ drawn }, i) => ({
    from: corners[(i + count - 1) % count]?.[1] ?? drawn.from,
    to: corners[i]?.[0] ?? drawn.to,
  }));
}

function refuseThick(walls: readonly Ray[], others: readonly Side[], field: string): void {
  others.forEach(({ from, to }, i) => {
    const wall = walls[i];
    if (wall === undefined || dot(between(from, to), wall.direction) > 0) return;
    throw new Refusal(
      'thicker-than-room',
      `${field}[${i}]`,
      'Nothing is left of this wall on its other side: the walls beside it are thicker than the room between them.',
      { value: wall.wall.thicknessM },
    );
  });
}

/** Corners of an outline, one where two sides meet, two where the wall is cut and its parts are of two thicknesses. */
const cornersOf = (sides: readonly Side[]): readonly Point[] =>
  sides.flatMap(({ from, to }, i) => {
    const { from: next } = sides[(i + 1) % sides.length] ?? { from: to };
    const isStep = Math.hypot(to.x - next.x, to.y - next.y) > TOUCH_M;
    return isStep ? [from, to] : [from];
  });

/**
 * Lays the outline of a storey out of its lengths and turns, with the other side of each wall.
 * @param field of its walls, for what is refused
 * @example outlineOf(examples['plan.sizes'].storeys[0], 'outside', 'walls').other[0] // { x: 0.36, y: -0.36 }
 * @throws {Refusal} `does-not-close`, `crosses-itself`, `thicker-than-room`
 */
export function outlineOf(storey: PlanStorey, drawnAt: Face, field: string): Outline {
  const { walls } = storey;
  const sides = laid(storey);
  refuseOpen(sides, walls, field);
  refuseCrossing(sides, field);
  const rays = walls.map((wall, i): Ray => {
    const drawn = sides[i] ?? { from: { x: 0, y: 0 }, to: { x: 1, y: 0 } };
    const arrow = between(drawn.from, drawn.to);
    const direction = { x: arrow.x / wall.lengthM, y: arrow.y / wall.lengthM };
    return { wall, direction, inwards: { x: direction.y, y: -direction.x }, drawn };
  });
  const others = moved(rays, drawnAt === 'outside');
  refuseThick(rays, others, field);
  refuseCrossing(others, field);
  return {
    walls: rays.map((ray, i) => ({
      ...ray,
      other: others[i] ?? ray.drawn,
      goesOn: !isTurn(walls[(i + walls.length - 1) % walls.length]?.turnDeg ?? 0),
    })),
    drawn: cornersOf(sides),
    other: cornersOf(others),
  };
}
