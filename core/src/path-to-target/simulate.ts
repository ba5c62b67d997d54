import { LIMIT_SLACK } from '../finding';
import type { Progress } from '../operation';
import { normalFrom, seededRandom, triangularFrom, type Triangle } from '../random/distributions';

/** An open item as the simulation sees it: leakage at 50 Pa (m³/h) and what a mend takes off it (0…1). */
export interface LeakModel {
  readonly leak: Triangle;
  readonly effect: Triangle;
}

export interface HouseModel {
  readonly q50M3h: number;
  readonly standardErrorLnQ50: number;
  readonly limitM3h: number;
  readonly items: readonly LeakModel[];
  /** Indices of the mends whose chance is asked. */
  readonly fixes: readonly number[] | null;
  readonly seed: number;
}

/** What the draws say. Means and chances are over the draws used. */
export interface Simulation {
  readonly keptShare: number;
  readonly scaled: boolean;
  readonly chanceNow: number;
  readonly chanceAll: number;
  readonly chanceFixes: number | null;
  readonly meanLeakM3h: readonly number[];
  readonly meanReductionM3h: readonly number[];
  /** The first draws used, for the search of a list: leakage of the house, and by item what its mend takes off. */
  readonly q50M3h: Float64Array;
  readonly reductionsM3h: readonly Float64Array[];
}

const DRAWS = 20_000;
/** Fewer draws kept than this, and drawing goes on. */
const ENOUGH_KEPT = 5000;
const MOST_BATCHES = 25;
/** Below this share of draws kept, all are used and scaled. */
const LEAST_KEPT_SHARE = 0.01;
/** What the items may be of a test that they exceed. */
const SCALED_SHARE = 0.95;
/** Draws that the search of a list looks at, at most. */
const SEARCHED_DRAWS = 50_000;
const REPORT_EVERY = 4096;

/** Runs the draws of one way of using them: those whose items fit the test, or all with the items scaled to it. */
class Draws {
  private drawn = 0;
  private used = 0;
  private fits = 0;
  private readonly counts = { now: 0, all: 0, fixes: 0 };
  private readonly leakSums: Float64Array;
  private readonly reductionSums: Float64Array;
  private readonly q50: Float64Array;
  private readonly reductions: readonly Float64Array[];
  private readonly isFixed: readonly boolean[];
  private readonly drawLnQ50: () => number;
  private readonly drawLeak: readonly (() => number)[];
  private readonly drawEffect: readonly (() => number)[];

  constructor(
    private readonly model: HouseModel,
    private readonly scaled: boolean,
    mostDraws: number,
  ) {
    const { items } = model;
    const random = seededRandom(model.seed);
    const searched = Math.min(mostDraws, SEARCHED_DRAWS);
    this.drawLnQ50 = normalFrom(random, Math.log(model.q50M3h), model.standardErrorLnQ50);
    this.drawLeak = items.map(({ leak }) => triangularFrom(random, leak));
    this.drawEffect = items.map(({ effect }) => triangularFrom(random, effect));
    this.leakSums = new Float64Array(items.length);
    this.reductionSums = new Float64Array(items.length);
    this.q50 = new Float64Array(searched);
    this.reductions = items.map(() => new Float64Array(searched));
    this.isFixed = items.map((_, i) => model.fixes?.includes(i) === true);
  }

  get keptShare(): number {
    return this.fits / this.drawn;
  }

  get kept(): number {
    return this.used;
  }

  run(count: number, report: Progress): void {
    const leaks = new Float64Array(this.model.items.length);
    for (let i = 0; i < count; i++) {
      if (i % REPORT_EVERY === 0) report(i / count);
      this.draw(leaks);
    }
  }

  private draw(leaks: Float64Array): void {
    const q50 = Math.exp(this.drawLnQ50());
    let total = 0;
    for (let i = 0; i < leaks.length; i++) {
      const leak = this.drawLeak[i]?.() ?? 0;
      leaks[i] = leak;
      total += leak;
    }
    this.drawn++;
    const fits = total <= q50;
    if (fits) this.fits++;
    else if (!this.scaled) return;
    this.use(q50, leaks, fits ? 1 : (SCALED_SHARE * q50) / total);
  }

  private use(q50: number, leaks: Float64Array, scale: number): void {
    const limitM3h = this.model.limitM3h + LIMIT_SLACK;
    const slot = this.used < this.q50.length ? this.used : -1;
    if (slot >= 0) this.q50[slot] = q50;
    let [all, fixed] = [0, 0];
    for (let i = 0; i < leaks.length; i++) {
      const leak = (leaks[i] ?? 0) * scale;
      const reduction = leak * (this.drawEffect[i]?.() ?? 0);
      this.leakSums[i] = (this.leakSums[i] ?? 0) + leak;
      this.reductionSums[i] = (this.reductionSums[i] ?? 0) + reduction;
      all += reduction;
      if (this.isFixed[i] === true) fixed += reduction;
      const stored = this.reductions[i];
      if (slot >= 0 && stored !== undefined) stored[slot] = reduction;
    }
    this.used++;
    if (q50 <= limitM3h) this.counts.now++;
    if (q50 - all <= limitM3h) this.counts.all++;
    if (q50 - fixed <= limitM3h) this.counts.fixes++;
  }

  result(): Simulation {
    const share = (count: number): number => count / this.used;
    const stored = Math.min(this.used, this.q50.length);
    return {
      keptShare: this.keptShare,
      scaled: this.scaled,
      chanceNow: share(this.counts.now),
      chanceAll: share(this.counts.all),
      chanceFixes: this.model.fixes === null ? null : share(this.counts.fixes),
      meanLeakM3h: Array.from(this.leakSums, share),
      meanReductionM3h: Array.from(this.reductionSums, share),
      q50M3h: this.q50.subarray(0, stored),
      reductionsM3h: this.reductions.map((values) => values.subarray(0, stored)),
    };
  }
}

/**
 * Draws the house's leakage (lognormal about its test) with all open items (triangular) and keeps what can be true
 * together: items that sum to no more than the test. Where fewer than 1 % can, all are used and those that exceed the
 * test are scaled to 0.95 of it. Without a number of draws, 20 000 are drawn, and on up to 25 times as many until 5 000
 * are kept.
 * @example simulate({ q50M3h: 780, standardErrorLnQ50: 0, limitM3h: 615, items: [], fixes: null, seed: 1 }, 100, () => undefined).chanceNow // 0
 */
export function simulate(model: HouseModel, draws: number | undefined, report: Progress): Simulation {
  const batch = draws ?? DRAWS;
  const mostBatches = draws === undefined ? MOST_BATCHES : 1;
  const fitting = new Draws(model, false, batch * mostBatches);
  fitting.run(batch, (share) => report(share / 2));
  if (fitting.keptShare < LEAST_KEPT_SHARE) {
    const all = new Draws(model, true, batch);
    all.run(batch, (share) => report((1 + share) / 2));
    return all.result();
  }
  for (let run = 1; run < mostBatches && fitting.kept < ENOUGH_KEPT; run++) {
    fitting.run(batch, () => report((1 + run / mostBatches) / 2));
  }
  return fitting.result();
}
