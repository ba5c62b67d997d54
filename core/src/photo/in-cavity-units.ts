import type { Point } from '../geometry/point';
import { Refusal } from '../refusal';
import type { PhotoToPlane } from './homography';

/** Points of all outlines together. */
const MOST_POINTS = 2000;
/** An outline point farther off than this many cavities was not drawn on the cavity. */
const FARTHEST = 1000;

function mapped(outline: readonly Point[], field: string, map: PhotoToPlane): readonly Point[] {
  return outline.map((point, j) => {
    const inUnits = map(point);
    if (inUnits === null) {
      throw new Refusal(
        'beyond-horizon',
        `${field}[${j}]`,
        'This point lies beyond the horizon of the wall on the photo: keep to the cavity.',
      );
    }
    const farthest = Math.max(Math.abs(inUnits.x), Math.abs(inUnits.y));
    if (!(farthest <= FARTHEST)) {
      throw new Refusal('out-of-range', `${field}[${j}]`, 'This point lies far off the cavity.', {
        value: farthest,
        bound: FARTHEST,
      });
    }
    return inUnits;
  });
}

/**
 * Outlines on a photo in units of the cavity: 0…1 across and down.
 * @param map from the photo to the unit square
 * @param list the field that holds them; `fieldOf`: that of each
 * @example inCavityUnits([], (point) => point, 'outlines', (i) => `outlines[${i}]`) // []
 * @throws {Refusal} `list-length`, `beyond-horizon`, `out-of-range`
 */
export function inCavityUnits(
  outlines: readonly (readonly Point[])[],
  map: PhotoToPlane,
  list: string,
  fieldOf: (index: number) => string,
): readonly (readonly Point[])[] {
  const count = outlines.reduce((sum, outline) => sum + outline.length, 0);
  if (count > MOST_POINTS) {
    throw new Refusal('list-length', list, `All outlines together take up to ${MOST_POINTS} points.`, {
      value: count,
      bound: MOST_POINTS,
    });
  }
  return outlines.map((outline, i) => mapped(outline, fieldOf(i), map));
}
