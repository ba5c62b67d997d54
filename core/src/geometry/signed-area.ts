import { cross, type Point } from './point';

/**
 * Area within corners, joined in turn: above 0 one way round, below 0 the other.
 * @example signedArea([{ x: 0, y: 0 }, { x: 2, y: 0 }, { x: 2, y: 1 }, { x: 0, y: 1 }]) // 2
 */
export function signedArea(corners: readonly Point[]): number {
  return (
    corners.reduce((sum, corner, i) => sum + cross(corner, corners[(i + 1) % corners.length] ?? corner), 0) /
    2
  );
}
