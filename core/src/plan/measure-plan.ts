import { PlanIds } from './check-ids';
import { measureOpenings, type MeasuredOpening } from './openings';
import type { PlanInput } from './plan-input';
import { measureRoofs, type MeasuredRoof } from './roofs';
import { layStoreys, type LaidStorey } from './storeys';

/** A plan, measured at the face at which figures are taken. */
export interface MeasuredPlan {
  /** The lowest first. */
  readonly storeys: readonly LaidStorey[];
  readonly roofs: readonly MeasuredRoof[];
  readonly openings: readonly MeasuredOpening[];
}

/**
 * Lays a plan out and measures it: storeys, then roofs, then openings.
 * @example measurePlan(examples['plan.sizes']).storeys[1].floorLevelM // 2.8
 * @throws {Refusal} `does-not-close`, `crosses-itself`, `thicker-than-room`, `wings-do-not-tile`, `roof-missing`,
 * `opening-exceeds-wall`, and of ids
 */
export function measurePlan(input: PlanInput): MeasuredPlan {
  const ids = new PlanIds();
  const storeys = layStoreys(input, ids);
  const roofs = measureRoofs(input, storeys, ids);
  ids.takeOpenings(input);
  return { storeys, roofs, openings: measureOpenings(input, storeys) };
}
