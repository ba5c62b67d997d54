import { areasWhere } from '../geometry/area-where';
import type { Point } from '../geometry/point';

const CAVITY: readonly Point[] = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
];

/**
 * What each of several outlines covers of the unit square, what several share going to one: to the one with the least fill,
 * of equals to the first.
 * @param fills of each outline, in the same order
 * @param field of the input, where the outlines come from
 * @example settledShares([[{ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 1, y: 0.5 }, { x: 0, y: 0.5 }]], [0]) // [0.5]
 * @throws {Refusal} `too-tangled`
 */
export function settledShares(
  outlines: readonly (readonly Point[])[],
  fills: readonly number[],
  field = 'outlines',
): readonly number[] {
  const emptiestFirst = outlines.map((_, i) => i);
  emptiestFirst.sort((a, b) => (fills[a] ?? 0) - (fills[b] ?? 0) || a - b);
  return areasWhere(
    [CAVITY, ...outlines],
    outlines.length,
    (isInside) =>
      isInside[0] === true ? (emptiestFirst.find((i) => isInside[i + 1] === true) ?? null) : null,
    field,
  );
}
