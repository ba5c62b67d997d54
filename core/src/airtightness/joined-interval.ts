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

/**
 * Combined standard uncertainty. JCGM 100, 5.1.
 * @example combinedUncertainty({ standardError: 0.01, degreesOfFreedom: 8, limits: [0.05, 0] }) // 0.03055
 */
export function combinedUncertainty({ standardError, limits }: JoinedError): number {
  return Math.hypot(standardError, ...limits.map((limit) => limit * LIMIT_TO_UNCERTAINTY));
}

/** Share of the sum of two even parts, the wider one first, that lies at or below a value: a trapezium, added up. */
function shareBelow(value: number, wide: number, narrow: number): number {
  const size = Math.abs(value);
  if (size >= wide + narrow) return value < 0 ? 0 : 1;
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

const ROUNDS = 40;

/**
 * Half of the width of the interval about an estimate that holds 95 % of its error, were it measured again and again with
 * other instruments of the same makers: the distributions are put together, not their variances, since an even part that
 * outweighs all others reaches no further than its limits. JCGM 101, without random numbers.
 * @example reach95({ standardError: 0.01, degreesOfFreedom: 8, limits: [0.03, 0] }) // 0.03834
 */
export function reach95(error: JoinedError): number {
  const { standardError, degreesOfFreedom, limits } = error;
  const [wide, narrow] = [Math.max(...limits), Math.min(...limits)];
  if (wide === 0) return t95(degreesOfFreedom) * standardError;
  const scatter = standardError === 0 ? [0] : tMidpoints(degreesOfFreedom);
  const isReached = (value: number): boolean => {
    let sum = 0;
    for (const t of scatter) {
      const off = t * standardError;
      sum += shareBelow(value - off, wide, narrow) + shareBelow(value + off, wide, narrow);
    }
    return sum / (2 * scatter.length) >= 0.975;
  };
  let [low, high] = [0, wide + narrow + 4 * t95(degreesOfFreedom) * standardError];
  for (let round = 0; round < ROUNDS; round++) {
    const middle = (low + high) / 2;
    if (isReached(middle)) high = middle;
    else low = middle;
  }
  return high;
}
