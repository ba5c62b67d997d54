import { randomNormal } from 'd3-random';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A source of random numbers strictly between 0 and 1. */
export type RandomSource = () => number;

const TWO_32 = 4_294_967_296;

/** The generator's first numbers still show its seed. */
const WARM_UP = 20;

/**
 * A seeded source: the same seed gives the same numbers, on every machine.
 * @example seededRandom(7)() === seededRandom(7)() // true
 */
export function seededRandom(seed: number): RandomSource {
  const generator = xoroshiro128plus(seed);
  for (let i = 0; i < WARM_UP; i++) generator.next();
  return () => ((generator.next() >>> 0) + 0.5) / TWO_32;
}

/**
 * Draws from a normal distribution.
 * @example normalFrom(seededRandom(7), 5, 0)() // 5
 */
export function normalFrom(random: RandomSource, mean: number, deviation: number): () => number {
  return randomNormal.source(random)(mean, deviation);
}

/** Lowest, likeliest and highest value of what is not known better. */
export interface Triangle {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/**
 * Draws from a triangular distribution by its inverse; a fixed value where the corners are equal.
 * @example triangularFrom(seededRandom(1), { low: 0, likely: 1, high: 1 })() // 0.347
 */
export function triangularFrom(random: RandomSource, { low, likely, high }: Triangle): () => number {
  const width = high - low;
  if (!(width > 0)) return () => low;
  const turn = (likely - low) / width;
  const [rising, falling] = [width * (likely - low), width * (high - likely)];
  return () => {
    const u = random();
    return u < turn ? low + Math.sqrt(u * rising) : high - Math.sqrt((1 - u) * falling);
  };
}
