import type { HouseBody, TestFigures } from '@calvet/contract';
import { sizeNeededBy } from '@calvet/core';

export type Figures = Extract<TestFigures, { state: 'figures' }>;

/** A test's figure in the quantity of the house's target, with its bounds; SI. */
export interface TargetFigure {
  readonly value: number;
  readonly low95: number;
  readonly high95: number;
}

/** Brings q50 and its bounds to the quantity that the house's target limits. */
export function targetFigure(house: HouseBody, { fit }: Figures): TargetFigure {
  const size = sizeNeededBy(house.target.quantity);
  const divisor = size === null ? 1 : house[size];
  const { q50M3h, q50Low95M3h, q50High95M3h } = fit.result;
  return { value: q50M3h / divisor, low95: q50Low95M3h / divisor, high95: q50High95M3h / divisor };
}
