import { randomBeta, randomGamma, randomLogNormal } from 'd3-random';
import { gradeByShares, isAsGoodAs } from '../src/insulation/grade';
import { judgeSample, type SamplingInput } from '../src/insulation/sampling';
import { seededRandom, type RandomSource } from '../src/random/distributions';

/** Void shares of cavities as they are found where the work was not even: many good ones, some bad, few very bad. */
const WORK: Readonly<Record<string, (random: RandomSource) => () => number>> = {
  'lognormal about 1.6 %': (random) => randomLogNormal.source(random)(Math.log(0.016) - 0.5, 1),
  'gamma, k 0.3, 1.5 %': (random) => randomGamma.source(random)(0.3, 0.05),
  '70 % clean, else beta, 2 %': (random) => {
    const beta = randomBeta.source(random)(0.5, 7);
    return () => (random() < 0.7 ? 0 : beta());
  },
  '10 % with 2–15 %': (random) => () => (random() < 0.1 ? 0.02 + 0.13 * random() : 0),
  '5 % with 20–60 %': (random) => () => (random() < 0.05 ? 0.2 + 0.4 * random() : 0),
  '15 % with 20–60 %': (random) => () => (random() < 0.15 ? 0.2 + 0.4 * random() : 0),
};

/** How a wall is built, and how it is looked at. */
export interface WayOfLooking {
  readonly work: string;
  readonly cavities: 60 | 300;
  readonly seen: 5 | 10 | 30;
  readonly isGlancedAt: boolean;
}

export const WAYS: readonly WayOfLooking[] = [false, true].flatMap((isGlancedAt) =>
  Object.keys(WORK).flatMap((work) =>
    ([60, 300] as const).flatMap((cavities) =>
      ([5, 10, 30] as const).map((seen) => ({ work, cavities, seen, isGlancedAt })),
    ),
  ),
);

const GRAVE = 0.2;
const CAVITY = { widthM: 0.37, heightM: 2.4 };
const CAVITY_M2 = CAVITY.widthM * CAVITY.heightM;

/** A wall in the order in which it is looked at: at random but for what a glance finds, which comes with the first. */
function wallFor({ work, cavities, seen, isGlancedAt }: WayOfLooking, random: RandomSource) {
  const draw = WORK[work]?.(random) ?? (() => NaN);
  const voids = Array.from({ length: cavities }, () => Math.min(1, draw()));
  const [first, others] = [voids.slice(0, seen), voids.slice(seen)];
  const found = isGlancedAt ? others.filter((share) => share >= GRAVE) : [];
  const rest = isGlancedAt ? others.filter((share) => share < GRAVE) : others;
  return { order: [...first, ...found, ...rest], looked: first.length + found.length };
}

const inputOf = (order: readonly number[], looked: number, isGlancedAt: boolean): SamplingInput => ({
  netInsulatedAreaM2: order.length * CAVITY_M2,
  observations: order
    .slice(0, looked)
    .map((share) => ({ cavity: CAVITY, regions: [{ areaM2: share * CAVITY_M2, fill: 0 }] })),
  everyCavityGlancedAt: isGlancedAt,
});

/** How often a sample was right about its wall, as shares of the walls. */
export interface Rightness {
  /** The truth lay between the 90 % bounds. */
  readonly held: number;
  readonly supported: number;
  /** A grade was supported that the wall does not reach. */
  readonly supportedWrongly: number;
  readonly settled: number;
  readonly settledWrongly: number;
  /** Of the walls that were asked further: settled after as many cavities more as were asked for. */
  readonly settledAfterMore: number;
}

/**
 * Looks at many walls of one kind, whose truth is known.
 * @param further of those not settled, so many are looked at further, as far as `cavitiesMore` says
 */
export function lookAtWalls(
  way: WayOfLooking,
  walls: number,
  further = 0,
  cavitiesMore: (input: SamplingInput) => number = () => 0,
): Rightness {
  const random = seededRandom(WAYS.findIndex((each) => JSON.stringify(each) === JSON.stringify(way)) + 1);
  const count = {
    held: 0,
    supported: 0,
    supportedWrongly: 0,
    settled: 0,
    settledWrongly: 0,
    asked: 0,
    after: 0,
  };
  for (let i = 0; i < walls; i++) {
    const { order, looked } = wallFor(way, random);
    const truth = order.reduce((sum, share) => sum + share, 0) / order.length;
    const grade = gradeByShares(truth, 0);
    const input = { ...inputOf(order, looked, way.isGlancedAt), seed: i + 1 };
    const { voidLow90, voidHigh90, supportedGrade, settled } = judgeSample(input);
    if (voidLow90 <= truth + 1e-12 && truth <= voidHigh90 + 1e-12) count.held++;
    if (supportedGrade !== null) {
      count.supported++;
      if (!isAsGoodAs(grade, supportedGrade)) count.supportedWrongly++;
    }
    if (settled) {
      count.settled++;
      // What is settled is what is supported; nothing supported is no grade at all.
      if ((supportedGrade ?? 'none') !== grade) count.settledWrongly++;
    } else if (count.asked < further) {
      count.asked++;
      const all = Math.min(order.length, looked + cavitiesMore(input));
      if (judgeSample({ ...inputOf(order, all, way.isGlancedAt), seed: i + 1 }).settled) count.after++;
    }
  }
  return {
    held: count.held / walls,
    supported: count.supported / walls,
    supportedWrongly: count.supportedWrongly / walls,
    settled: count.settled / walls,
    settledWrongly: count.settledWrongly / walls,
    settledAfterMore: count.asked === 0 ? 1 : count.after / count.asked,
  };
}
