import { randomBinomial, randomGamma } from 'd3-random';
import type { RandomSource } from '../random/distributions';
import type { CavityAreas } from './grade';

/** Like cavities, and how many there are of them; a share of one where they are imagined. */
export interface Alike {
  readonly cavity: CavityAreas;
  readonly count: number;
}

/** Areas (m²) of many cavities, added up. */
export interface Shares {
  readonly cavityM2: number;
  readonly voidM2: number;
  readonly compressedM2: number;
  /** Of cavities that are capped at II or worse, and of those at III. */
  readonly cappedIIM2: number;
  readonly cappedIIIM2: number;
}

/**
 * Cavities that are alike, counted.
 * @example groupAlike([{ cavityM2: 1, voidM2: 0, compressedM2: 0, cap: 'I' }, { cavityM2: 1, voidM2: 0, compressedM2: 0, cap: 'I' }])[0].count // 2
 */
export function groupAlike(cavities: readonly CavityAreas[]): readonly Alike[] {
  const groups = new Map<string, { cavity: CavityAreas; count: number }>();
  for (const cavity of cavities) {
    const key = [cavity.cavityM2, cavity.voidM2, cavity.compressedM2, cavity.cap].join();
    const group = groups.get(key);
    if (group === undefined) groups.set(key, { cavity, count: 1 });
    else group.count++;
  }
  return [...groups.values()];
}

/**
 * What so many of each kind add up to.
 * @example sharesOf([{ cavity: { cavityM2: 0.9, voidM2: 0.02, compressedM2: 0, cap: 'II' }, count: 1 }], [3]) // { cavityM2: 2.7, voidM2: 0.06, compressedM2: 0, cappedIIM2: 2.7, cappedIIIM2: 0 }
 */
export function sharesOf(kinds: readonly Alike[], counts: ArrayLike<number>): Shares {
  let [cavityM2, voidM2, compressedM2, cappedIIM2, cappedIIIM2] = [0, 0, 0, 0, 0];
  kinds.forEach(({ cavity }, i) => {
    const count = counts[i] ?? 0;
    if (count === 0) return;
    const area = count * cavity.cavityM2;
    cavityM2 += area;
    voidM2 += count * cavity.voidM2;
    compressedM2 += count * cavity.compressedM2;
    if (cavity.cap !== 'I') cappedIIM2 += area;
    if (cavity.cap === 'III') cappedIIIM2 += area;
  });
  return { cavityM2, voidM2, compressedM2, cappedIIM2, cappedIIIM2 };
}

/**
 * One on top of so many times another.
 * @example plus({ cavityM2: 1, voidM2: 0.1, compressedM2: 0, cappedIIM2: 0, cappedIIIM2: 0 }, { cavityM2: 2, voidM2: 0, compressedM2: 0, cappedIIM2: 2, cappedIIIM2: 0 }, 2) // { cavityM2: 5, voidM2: 0.1, compressedM2: 0, cappedIIM2: 4, cappedIIIM2: 0 }
 */
export const plus = (one: Shares, other: Shares, times: number): Shares => ({
  cavityM2: one.cavityM2 + times * other.cavityM2,
  voidM2: one.voidM2 + times * other.voidM2,
  compressedM2: one.compressedM2 + times * other.compressedM2,
  cappedIIM2: one.cappedIIM2 + times * other.cappedIIM2,
  cappedIIIM2: one.cappedIIIM2 + times * other.cappedIIIM2,
});

/** Up to so many, unseen cavities are drawn one by one; of more, only the shares of each kind. */
const MOST_COUNTED = 2000;
/** Least concentration that weights can be drawn with; a single unseen cavity is like one of those seen. */
const LEAST_CONCENTRATION = 0.01;
/** From so many unseen cavities on, a wall is endless. */
const ENDLESS = 1e9;

/** By how much shares must spread beyond those of an endless wall: the variance of so many cavities drawn one by one. */
function concentrationFor(seen: number, unseen: number): number {
  if (unseen > ENDLESS) return 1;
  return Math.max(LEAST_CONCENTRATION, ((unseen * (seen + 1)) / (unseen + seen) - 1) / seen);
}

interface UnseenOptions {
  /** How many of each kind were seen. */
  readonly seen: readonly number[];
  readonly unseen: number;
  readonly random: RandomSource;
  /** False where a spread like that of counted cavities is enough. */
  readonly isCounted?: boolean;
}

/**
 * Draws what share each kind has in cavities that nobody saw, by the Bayesian bootstrap (D. B. Rubin, Ann. Statist. 9
 * (1981)): Dirichlet weights on the kinds that were seen and, for a countable few, as many cavities of each kind as they
 * lead to (the Dirichlet–multinomial distribution). The array is the same each time, filled anew.
 * @example unseenShares({ seen: [5], unseen: 6, random: Math.random })()[0] // 1
 */
export function unseenShares({ seen, unseen, random, isCounted = true }: UnseenOptions): () => Float64Array {
  const count = Math.max(1, Math.round(unseen));
  const countsEach = isCounted && count <= MOST_COUNTED;
  const all = seen.reduce((sum, each) => sum + each, 0);
  const concentration = countsEach ? 1 : concentrationFor(all, count);
  const gamma = randomGamma.source(random);
  const binomial = randomBinomial.source(random);
  const weights = seen.map((each) => (each > 0 ? gamma(each * concentration) : () => 0));
  const shares = new Float64Array(seen.length);
  return () => {
    let sum = 0;
    weights.forEach((weight, i) => {
      shares[i] = weight();
      sum += shares[i] ?? 0;
    });
    let [left, mass] = [count, sum];
    for (let i = 0; i < shares.length; i++) {
      const weight = shares[i] ?? 0;
      if (!countsEach) {
        shares[i] = weight / sum;
        continue;
      }
      const isLast = i === shares.length - 1 || weight >= mass;
      const drawn = left === 0 ? 0 : isLast ? left : binomial(left, weight / mass)();
      left -= drawn;
      mass -= weight;
      shares[i] = drawn / count;
    }
    return shares;
  };
}
