import type { Point } from '../geometry/point';
import { settledShares } from './settled-shares';

/**
 * Area of the unit square that lies inside any of some outlines; an outline that crosses itself is filled even–odd.
 * @example coveredArea([[{ x: 0, y: 0 }, { x: 2, y: 0 }, { x: 2, y: 1 }, { x: 0, y: 1 }]]) // 1
 * @throws {Refusal} `too-tangled`
 */
export function coveredArea(outlines: readonly (readonly Point[])[]): number {
  const nothing = outlines.map(() => 0);
  return settledShares(outlines, nothing).reduce((sum, share) => sum + share, 0);
}
