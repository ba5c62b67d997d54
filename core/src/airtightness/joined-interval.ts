import jStat from 'jstat';
import { t95 } from './student-t';

/** The error of an estimate: a part that scatters, and parts that are evenly likely within limits. */
export interface JoinedError {
  /** Standard error of the part that scatters, known by so many degrees of freedom. */
  readonly standardError: number;
  readonly degreesOfFreedom: number;
  /** Limits ± of what is evenly likely within them: two parts at most. */
  readonly limits: readonly [number, number];
}

/** A stated limit of error is taken as evenly likely within. JCGM 100, 4.3.7. */
export const LIMIT_TO_UNCERTAINTY = 1 / Math.sqrt(3);

/** Combined standard uncertainty. JCGM 100, 5.1. */
export function combinedUncertainty({ standardError, limits }: JoinedError): number {
  return Math.hypot(standardError, ...limits.map((limit) => limit * LIMIT_TO_UNCERTAINTY));
}

/** Share of the sum of two even parts that lies at or below a value: a trapezium, added up. */
function shareBelow(value: number, [one, other]: readonly [number, number]): number {
  const [wide, narrow] = [Math.max(one, other), Math.min(one, other)];
  const size = Math.abs(value);
  if (size >= wide + narrow) return value < 0 ? 0 : 1;
  if (wide === 0) return 0.5;
  const rest = wide + narrow - size;
  const tail = size > wide - narrow ? rest ** 2 / (8 * wide * narrow) : (wide - size) / (2 * wide);
  return value < 0 ? tail : 1 - tail;
}

/** Of Student's t, the upper half of so many equal shares of it. */
const SHARES = 200;
const MOST_KEPT = 500;
const midpoints = new Map<number, readonly number[]>();

function tMidpoints(freedom: number): readonly number[] {
  // Three digits of it decide nothing, and are met again.
  const degreesOfFreedom = Number(Math.min(1000, freedom).toPrecision(3));
  const known = midpoints.get(degreesOfFreedom);
  if (known !== undefined) return known;
  const found = Array.from({ length: SHARES / 2 }, (_, i) =>
    jStat.studentt.inv(0.5 + (i + 0.5) / SHARES, degreesOfFreedom),
  );
  if (midpoints.size >= MOST_KEPT) midpoints.clear();
  midpoints.set(degreesOfFreedom, found);
  return found;
}

const ROUNDS = 60;

/**
 * Half of the width of the interval about an estimate that holds 95 % of its error, were it measured again and again with
 * other instruments of the same makers: the distributions are put together, not their variances, since an even part that
 * outweighs all others reaches no further than its limits. JCGM 101, without random numbers.
 */
export function reach95(error: JoinedError): number {
  const { standardError, degreesOfFreedom, limits } = error;
  const [one, other] = limits;
  if (one === 0 && other === 0) return t95(degreesOfFreedom) * standardError;
  const scatter = standardError === 0 ? [0] : tMidpoints(degreesOfFreedom).map((t) => t * standardError);
  const below = (value: number): number =>
    scatter.reduce(
      (sum, each) => sum + shareBelow(value - each, limits) + shareBelow(value + each, limits),
      0,
    ) /
    (2 * scatter.length);
  let [low, high] = [0, one + other + t95(degreesOfFreedom) * standardError * 4];
  for (let round = 0; round < ROUNDS; round++) {
    const middle = (low + high) / 2;
    if (below(middle) < 0.975) low = middle;
    else high = middle;
  }
  return high;
}
