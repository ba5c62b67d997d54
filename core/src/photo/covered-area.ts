import { areaWhere } from '../geometry/area-where';
import type { Point } from '../geometry/point';

const CAVITY: readonly Point[] = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
];

/**
 * Area of the unit square that lies inside any of some outlines; an outline that crosses itself is filled even–odd.
 * @example coveredArea([[{ x: 0, y: 0 }, { x: 2, y: 0 }, { x: 2, y: 1 }, { x: 0, y: 1 }]]) // 1
 * @throws {Refusal} `too-tangled`
 */
export function coveredArea(outlines: readonly (readonly Point[])[]): number {
  return areaWhere(
    [CAVITY, ...outlines],
    ([isInCavity, ...isInside]) => isInCavity === true && isInside.includes(true),
  );
}
