import { houseSummary, type HouseSummary } from '@calvet/contract/house/house-summary';
import type { House } from '@calvet/contract/house/house';
import type { HouseView } from './as-drawn';

/** The list of houses as the server told it, with what it says of each. */
export interface ToldHouses {
  readonly houses: readonly House[];
  readonly summaries: Readonly<Record<string, HouseSummary>>;
}

const summaries = new WeakMap<HouseView, HouseSummary>();

/** What a list says of a house that is held here; computed once a view. */
export function summaryOf(view: HouseView): HouseSummary {
  const before = summaries.get(view);
  if (before !== undefined) return before;
  const summary = houseSummary(view);
  summaries.set(view, summary);
  return summary;
}
