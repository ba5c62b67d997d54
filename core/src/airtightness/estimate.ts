import { t95 } from './student-t';

/** Bounds of a figure as factors of it: 0.98 and 1.02 for ± 2 %. */
export interface RelativeInterval {
  readonly low: number;
  readonly high: number;
}

/** An estimate with its relative standard error and the degrees of freedom behind it. */
export interface Estimate {
  readonly value: number;
  readonly relativeStandardError: number;
  readonly degreesOfFreedom: number;
}

/**
 * Mean of estimates that do not depend on each other: standard errors combine by squares, degrees of freedom by
 * Welch–Satterthwaite, not rounded. Where none of them scatters, the fewest degrees of freedom are taken.
 * @example meanOf([{ value: 600, relativeStandardError: 0.02, degreesOfFreedom: 6 }, { value: 640, relativeStandardError: 0.01, degreesOfFreedom: 8 }]) // { value: 620, relativeStandardError: 0.01097, degreesOfFreedom: 9.332 }
 */
export function meanOf(estimates: readonly Estimate[]): Estimate {
  const only = estimates[0];
  if (only !== undefined && estimates.length === 1) return only;
  const value = estimates.reduce((sum, estimate) => sum + estimate.value, 0) / estimates.length;
  const variances = estimates.map(
    (each) => ((each.value * each.relativeStandardError) / estimates.length) ** 2,
  );
  const variance = variances.reduce((sum, each) => sum + each, 0);
  const spread = estimates.reduce(
    (sum, each, i) => sum + (variances[i] ?? 0) ** 2 / each.degreesOfFreedom,
    0,
  );
  const fewest = Math.min(...estimates.map((each) => each.degreesOfFreedom));
  return {
    value,
    relativeStandardError: Math.sqrt(variance) / value,
    degreesOfFreedom: spread > 0 ? variance ** 2 / spread : fewest,
  };
}

/**
 * Bounds of a figure whose logarithm may be off by so much either way.
 * @example boundsOf(0.05) // { low: 0.9512, high: 1.051 }
 */
export function boundsOf(reachOfLogarithm: number): RelativeInterval {
  const high = Math.exp(reachOfLogarithm);
  return { low: 1 / high, high };
}

/**
 * 95 % interval of an estimate whose logarithm scatters evenly to both sides: factors exp(±t·se).
 * @example intervalOf({ relativeStandardError: 0.01, degreesOfFreedom: 8 }) // { low: 0.9772, high: 1.023 }
 */
export function intervalOf({
  relativeStandardError,
  degreesOfFreedom,
}: Omit<Estimate, 'value'>): RelativeInterval {
  return boundsOf(t95(degreesOfFreedom) * relativeStandardError);
}
