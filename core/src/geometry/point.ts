/** A place in a plane. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/**
 * From one place to another.
 * @example between({ x: 1, y: 0 }, { x: 3, y: 1 }) // { x: 2, y: 1 }
 */
export const between = (from: Point, to: Point): Point => ({ x: to.x - from.x, y: to.y - from.y });

/**
 * A place, so far along a direction.
 * @example along({ x: 1, y: 0 }, { x: 0, y: 1 }, 2) // { x: 1, y: 2 }
 */
export const along = (from: Point, direction: Point, length: number): Point => ({
  x: from.x + direction.x * length,
  y: from.y + direction.y * length,
});

/**
 * How far one arrow reaches along another of length 1.
 * @example dot({ x: 1, y: 2 }, { x: 3, y: 4 }) // 11
 */
export const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y;

/**
 * Above 0 where the second arrow turns to the left of the first, x running right and y up.
 * @example cross({ x: 1, y: 0 }, { x: 0, y: 1 }) // 1
 */
export const cross = (a: Point, b: Point): number => a.x * b.y - a.y * b.x;
