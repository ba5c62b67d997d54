import { v7 } from 'uuid';
import type { Wall } from './storey';

/** Shapes that an outline begins with, in words. */
export const SHAPE_WORDS = { rectangle: 'Rectangle', L: 'L', T: 'T', U: 'U' } as const;

/** A shape that an outline begins with. */
export type OutlineShape = keyof typeof SHAPE_WORDS;

/** Sizes of a shape in m. */
export interface ShapeSizes {
  /** Of all of it, from left to right and from back to front. */
  readonly widthM: number;
  readonly depthM: number;
  /** Of what an L lacks at its front right, of what a T has at its front, of what a U lacks there. */
  readonly partWidthM: number;
  readonly partDepthM: number;
}

/** What walls have in common until one is given its own. */
export type WallDefaults = Pick<Wall, 'thicknessM' | 'boundary'>;

/** A wall that is a length and a turn. */
export const newWall = (
  lengthM: number,
  turnDeg: number,
  { thicknessM, boundary }: WallDefaults,
  name: string | null = null,
): Wall => ({
  id: v7(),
  corner: v7(),
  name,
  lengthM,
  turnDeg,
  thicknessM,
  boundary,
  concreteM: null,
  groundStartM: null,
  groundEndM: null,
  throughFloor: false,
  buildUp: null,
  stretches: [],
});

type Side = readonly [name: string | null, lengthM: number, turnDeg: number];

const RIGHT = 90;
const LEFT = -90;

function sidesOf(
  shape: OutlineShape,
  { widthM: w, depthM: d, partWidthM: p, partDepthM: q }: ShapeSizes,
): readonly Side[] {
  const beside = (w - p) / 2;
  switch (shape) {
    case 'rectangle':
      return [
        ['back wall', w, RIGHT],
        ['right wall', d, RIGHT],
        ['front wall', w, RIGHT],
        ['left wall', d, RIGHT],
      ];
    case 'L':
      return [
        ['back wall', w, RIGHT],
        ['right wall', d - q, RIGHT],
        [null, p, LEFT],
        [null, q, RIGHT],
        ['front wall', w - p, RIGHT],
        ['left wall', d, RIGHT],
      ];
    case 'T':
      return [
        ['back wall', w, RIGHT],
        ['right wall', d - q, RIGHT],
        [null, beside, LEFT],
        [null, q, RIGHT],
        ['front wall', p, RIGHT],
        [null, q, LEFT],
        [null, beside, RIGHT],
        ['left wall', d - q, RIGHT],
      ];
    case 'U':
      return [
        ['back wall', w, RIGHT],
        ['right wall', d, RIGHT],
        [null, beside, RIGHT],
        [null, q, LEFT],
        [null, p, LEFT],
        [null, q, RIGHT],
        [null, beside, RIGHT],
        ['left wall', d, RIGHT],
      ];
  }
}

/**
 * The walls of a shape, clockwise from its back left corner, so that its front lies at the foot of the drawing. Null where its
 * sizes make no such shape.
 */
export function outlineOfShape(
  shape: OutlineShape,
  sizes: ShapeSizes,
  defaults: WallDefaults,
): readonly Wall[] | null {
  const sides = sidesOf(shape, sizes);
  if (!sides.every(([, lengthM]) => lengthM > 0)) return null;
  return sides.map(([name, lengthM, turnDeg]) => newWall(lengthM, turnDeg, defaults, name));
}
