import { intervalOf, meanOf, type RelativeInterval } from './estimate';
import { lineStandardError } from './power-law-fit';
import type { RunResult } from './run';

/** The fitted line and its 95 % bounds at one pressure, m³/h through the envelope as measured. */
export interface BandPoint {
  readonly pressurePa: number;
  readonly flowM3h: number;
  readonly low95M3h: number;
  readonly high95M3h: number;
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

/**
 * The fit of a run with its 95 % band for the line, at pressures of one's choice (Pa, above 0).
 * @example confidenceBand(multiPoint(examples['airtightness.multiPoint']).runs[0], [50])[0].flowM3h // 622.3
 */
export function confidenceBand(run: RunResult, pressuresPa: readonly number[]): readonly BandPoint[] {
  return pressuresPa.map((pressurePa) => {
    const { low, high } = relativeInterval([run], pressurePa);
    const flowM3h = run.coefficientM3hPaN * pressurePa ** run.exponent;
    return { pressurePa, flowM3h, low95M3h: flowM3h * low, high95M3h: flowM3h * high };
  });
}
