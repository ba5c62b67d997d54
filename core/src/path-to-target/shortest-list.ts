import { fallsBelow, LIMIT_SLACK } from '../finding';
import type { Simulation } from './simulate';

/** Mends that reach the target, by index, with the time they take and the chance that they bring. */
export interface MendList {
  readonly items: readonly number[];
  readonly minutes: number;
  readonly chance: number;
}

/** Up to so many items every set of mends is looked at. */
const SEARCH_ALL_UP_TO = 15;

/** The draws, seen from the target: what a set of mends leaves of the house's leakage. */
class Prospect {
  private readonly limitM3h: number;

  constructor(
    private readonly simulation: Simulation,
    limitM3h: number,
    readonly confidence: number,
  ) {
    this.limitM3h = limitM3h + LIMIT_SLACK;
  }

  get untouched(): Float64Array {
    return this.simulation.q50M3h;
  }

  /** Leakage left by a further mend. */
  after(left: Float64Array, item: number): Float64Array {
    const reduction = this.simulation.reductionsM3h[item];
    const next = new Float64Array(left.length);
    for (let d = 0; d < next.length; d++) next[d] = (left[d] ?? 0) - (reduction?.[d] ?? 0);
    return next;
  }

  /** Share of draws within the limit; with what further mends could still take off, where given. */
  chance(left: Float64Array, further?: Float64Array): number {
    let within = 0;
    for (let d = 0; d < left.length; d++) {
      if ((left[d] ?? 0) - (further?.[d] ?? 0) <= this.limitM3h) within++;
    }
    return within / left.length;
  }

  /** Chance where one mend is left out again. */
  chanceWithout(left: Float64Array, item: number): number {
    const reduction = this.simulation.reductionsM3h[item];
    let within = 0;
    for (let d = 0; d < left.length; d++) {
      if ((left[d] ?? 0) + (reduction?.[d] ?? 0) <= this.limitM3h) within++;
    }
    return within / left.length;
  }

  reaches(chance: number): boolean {
    return !fallsBelow(chance, this.confidence);
  }

  without(left: Float64Array, item: number): Float64Array {
    const reduction = this.simulation.reductionsM3h[item];
    const next = new Float64Array(left.length);
    for (let d = 0; d < next.length; d++) next[d] = (left[d] ?? 0) + (reduction?.[d] ?? 0);
    return next;
  }

  listOf(items: readonly number[], minutes: readonly number[]): MendList {
    const left = items.reduce((before, item) => this.after(before, item), this.untouched);
    return {
      items,
      minutes: items.reduce((sum, item) => sum + (minutes[item] ?? 0), 0),
      chance: this.chance(left),
    };
  }
}

/** Mends taken best first until the target is reached, then without those that it did not need, longest first. */
function greedy(
  prospect: Prospect,
  bestFirst: readonly number[],
  minutes: readonly number[],
): readonly number[] {
  let left = prospect.untouched;
  let taken: readonly number[] = [];
  for (const item of bestFirst) {
    if (prospect.reaches(prospect.chance(left))) break;
    left = prospect.after(left, item);
    taken = [...taken, item];
  }
  const longestFirst = [...taken].sort((a, b) => (minutes[b] ?? 0) - (minutes[a] ?? 0));
  for (const item of longestFirst) {
    if (!prospect.reaches(prospect.chanceWithout(left, item))) continue;
    left = prospect.without(left, item);
    taken = taken.filter((other) => other !== item);
  }
  return taken;
}

/** Of all sets of mends that reach the target, the one of fewest minutes; of equals the one of the best chance. */
function searchAll(
  prospect: Prospect,
  bestFirst: readonly number[],
  minutes: readonly number[],
  known: MendList,
): MendList {
  let best = known;
  // What all items from a place on could still take off: a branch that fails even with them is cut.
  const further: Float64Array[] = bestFirst.map(() => new Float64Array(prospect.untouched.length));
  for (let k = bestFirst.length - 1; k >= 0; k--) {
    const item = bestFirst[k] ?? 0;
    const nothing = new Float64Array(prospect.untouched.length);
    further[k] = prospect.without(further[k + 1] ?? nothing, item);
  }
  const visit = (k: number, taken: readonly number[], spent: number, left: Float64Array): void => {
    if (spent > best.minutes) return;
    const chance = prospect.chance(left);
    if (prospect.reaches(chance)) {
      if (spent < best.minutes || chance > best.chance) best = { items: taken, minutes: spent, chance };
      return;
    }
    const item = bestFirst[k];
    if (item === undefined || !prospect.reaches(prospect.chance(left, further[k]))) return;
    visit(k + 1, [...taken, item], spent + (minutes[item] ?? 0), prospect.after(left, item));
    visit(k + 1, taken, spent, left);
  };
  visit(0, [], 0, prospect.untouched);
  return best;
}

/**
 * The list of fewest minutes whose chance reaches the confidence asked for; null where all mends together do not.
 * Up to 15 items all sets are searched (branch and bound, exact); beyond that greedily by gain per minute.
 * @param minutes time each mend takes
 * @example shortestList({ q50M3h: Float64Array.of(700, 710), meanReductionM3h: [85, 125], reductionsM3h: [Float64Array.of(80, 90), Float64Array.of(120, 130)] }, [10, 30], 600, 0.9) // { items: [1], minutes: 30, chance: 1 }
 */
export function shortestList(
  simulation: Simulation,
  minutes: readonly number[],
  limitM3h: number,
  confidence: number,
): MendList | null {
  const prospect = new Prospect(simulation, limitM3h, confidence);
  const gainPerMinute = simulation.meanReductionM3h.map((gain, i) => gain / (minutes[i] ?? 1));
  const bestFirst = minutes
    .map((_, i) => i)
    .sort((a, b) => (gainPerMinute[b] ?? 0) - (gainPerMinute[a] ?? 0) || a - b);
  if (prospect.reaches(prospect.chance(prospect.untouched))) return prospect.listOf([], minutes);
  if (!prospect.reaches(prospect.listOf(bestFirst, minutes).chance)) return null;
  const found = prospect.listOf(greedy(prospect, bestFirst, minutes), minutes);
  return minutes.length <= SEARCH_ALL_UP_TO ? searchAll(prospect, bestFirst, minutes, found) : found;
}
