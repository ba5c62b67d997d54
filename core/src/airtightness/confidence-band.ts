import type { RunResult } from './multi-point';
import { lineStandardError } from './power-law-fit';
import { t95 } from './student-t';

/** The fitted line and its 95 % bounds at one pressure, m³/h through the envelope as measured. */
export interface BandPoint {
  readonly pressurePa: number;
  readonly flowM3h: number;
  readonly low95M3h: number;
  readonly high95M3h: number;
}

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

/** 95 % interval of an estimate whose logarithm is spread evenly: factors exp(±t·se). */
export function intervalOf({ relativeStandardError, degreesOfFreedom }: Estimate): RelativeInterval {
  const reach = Math.exp(t95(degreesOfFreedom) * relativeStandardError);
  return { low: 1 / reach, high: reach };
}

/**
 * Standard error of ln flow of a run's line at a pressure (Pa, above 0), found back from the run's own figures.
 * ISO 9972, annex C.
 */
function standardErrorLnFlow(run: RunResult, pressurePa: number): number {
  const logs = run.readings.map((reading) => Math.log(Math.abs(reading.inducedPressurePa)));
  const mean = logs.reduce((sum, value) => sum + value, 0) / logs.length;
  const sxx = logs.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  const scatter = run.exponentStandardError * Math.sqrt(sxx);
  return lineStandardError({ scatter, count: logs.length, meanX: mean, sxx }, pressurePa);
}

/**
 * 95 % interval of the flow at a pressure, over one run or the mean of two, as factors of the flow. At 10 Pa it is that
 * of EqLA10, at 4 Pa that of ELA4, at 1 Pa that of C. That of a mean reaches to both of its results at least: two
 * directions that disagree measured two things, and how well each line fits does not tell which is the house.
 * @example relativeInterval(multiPoint(examples['airtightness.multiPoint']).runs, 10) // { low: 0.9965, high: 1.0035 }
 */
export function relativeInterval(runs: readonly RunResult[], pressurePa: number): RelativeInterval {
  const estimates = runs.map((run) => ({
    value: run.referenceCoefficientM3hPaN * pressurePa ** run.exponent,
    relativeStandardError: standardErrorLnFlow(run, pressurePa),
    degreesOfFreedom: run.degreesOfFreedom,
  }));
  const mean = meanOf(estimates);
  const { low, high } = intervalOf(mean);
  const results = estimates.map(({ value }) => value / mean.value);
  return { low: Math.min(low, ...results), high: Math.max(high, ...results) };
}

/** The fit of a run with its 95 % band for the line, at pressures of one's choice (Pa, above 0). */
export function confidenceBand(run: RunResult, pressuresPa: readonly number[]): readonly BandPoint[] {
  return pressuresPa.map((pressurePa) => {
    const { low, high } = relativeInterval([run], pressurePa);
    const flowM3h = run.coefficientM3hPaN * pressurePa ** run.exponent;
    return { pressurePa, flowM3h, low95M3h: flowM3h * low, high95M3h: flowM3h * high };
  });
}
