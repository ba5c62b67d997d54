import type { LaidStorey } from './storeys';
import type { WallPiece } from './wall-pieces';

/** What a piece of a wall does with the storey below. */
export type Foot = 'on' | 'through' | 'stepIn' | 'overhang' | 'foot';

/**
 * How a piece of a wall stands: on a wall below, or on one that runs through its floor; inside of the outline below; over
 * open air; on the ground or a foundation.
 * @example footOf({ lies: 'inside', on: null }, layStoreys(examples['plan.sizes'], new PlanIds())[1]) // 'stepIn'
 */
export function footOf({ lies, on }: Pick<WallPiece, 'lies' | 'on'>, { storey, isLowest }: LaidStorey): Foot {
  if (lies === 'on') return on?.throughFloor === true ? 'through' : 'on';
  if (lies === 'inside') return 'stepIn';
  return storey.under === 'outdoors' && !isLowest ? 'overhang' : 'foot';
}

/**
 * True where a floor frame shows at the foot of a piece.
 * @example hasRim('stepIn', layStoreys(examples['plan.sizes'], new PlanIds())[1]) // false
 */
export function hasRim(foot: Foot, { storey }: LaidStorey): boolean {
  if (storey.floorDepthM === 0) return false;
  return foot === 'on' || foot === 'overhang' || (foot === 'foot' && storey.under !== 'ground');
}
