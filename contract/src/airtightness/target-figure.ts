import { relativeInterval } from '@calvet/core/airtightness/confidence-band';
import { sizeNeededBy } from '@calvet/core/airtightness/budget';
import type { Direction } from '@calvet/core/airtightness/conditions';
import type { HouseBody } from '../house/house';
import type { TestFigures } from './test-figures';

/** Figures of a test that has them. */
export type Figures = Extract<TestFigures, { state: 'figures' }>;

/** A test's figure in the quantity of the house's target, with its bounds; SI. */
export interface TargetFigure {
  readonly value: number;
  readonly low95: number;
  readonly high95: number;
  /** Both results, where the figure is the mean of two directions. */
  readonly directions: readonly { readonly direction: Direction; readonly value: number }[];
}

/** Brings q50 and its bounds to the quantity that the house's target limits. */
export function targetFigure({ target }: HouseBody, { building, fit }: Figures): TargetFigure {
  const size = sizeNeededBy(target.quantity);
  const divisor = size === null ? 1 : building[size];
  const value = fit.result.q50M3h / divisor;
  const { low, high } = relativeInterval(fit.runs, 50);
  const directions = fit.runs.map(({ direction, q50M3h }) => ({ direction, value: q50M3h / divisor }));
  return {
    value,
    low95: value * low,
    high95: value * high,
    directions: directions.length > 1 ? directions : [],
  };
}
