import type { Operation } from '../operation';
import { fields, list, option } from '../schema';
import type { Finding } from '../finding';
import { metWithin, Refusal } from '../refusal';
import { building, type Building } from './building';
import { intervalOf, meanOf, type Estimate } from './confidence-band';
import {
  airOnBothSides,
  conditions,
  type AirOnBothSides,
  type Conditions,
  type Direction,
} from './conditions';
import { leakageFigures, type LeakageFigures } from './figures';
import { fitLogarithms, lineStandardError, type PowerLawFit } from './power-law-fit';
import {
  baseline,
  meanPa,
  readingMembers,
  reduceReading,
  type Reading,
  type ReducedReading,
} from './reading';
import { referenceFactor, type ReferenceMethod } from './reference-conditions';
import { t95 } from './student-t';
import { validityFindings, type MultiPointRule } from './validity';

export interface Run {
  readonly direction: Direction;
  readonly baselineBeforePa: readonly number[];
  readonly baselineAfterPa: readonly number[];
  readonly readings: readonly Reading[];
}

export interface MultiPointInput {
  readonly method: ReferenceMethod;
  readonly building: Building;
  readonly conditions: Conditions;
  /** One run, or one in each direction. */
  readonly runs: readonly Run[];
}

export interface RunResult {
  readonly direction: Direction;
  readonly baselineBeforeMeanPa: number;
  readonly baselineAfterMeanPa: number;
  readonly readings: readonly ReducedReading[];
  /** n, with its 95 % interval. */
  readonly exponent: number;
  readonly exponentStandardError: number;
  readonly exponentLow95: number;
  readonly exponentHigh95: number;
  /** C as measured, m³/(h·Pa^n). */
  readonly coefficientM3hPaN: number;
  /** C at reference conditions. */
  readonly referenceCoefficientM3hPaN: number;
  readonly rSquared: number;
  readonly degreesOfFreedom: number;
  /** Standard error of ln q50, about the relative standard error of q50. */
  readonly standardErrorLnQ50: number;
  readonly q4M3h: number;
  readonly q10M3h: number;
  readonly q50M3h: number;
  readonly q50Low95M3h: number;
  readonly q50High95M3h: number;
}

export interface MultiPointFigures extends LeakageFigures {
  readonly standardErrorLnQ50: number;
  readonly degreesOfFreedom: number;
  readonly q50Low95M3h: number;
  readonly q50High95M3h: number;
}

export interface MultiPointResult {
  readonly method: ReferenceMethod;
  readonly indoorDensityKgM3: number;
  readonly outdoorDensityKgM3: number;
  readonly runs: readonly RunResult[];
  readonly result: MultiPointFigures;
  readonly findings: readonly Finding<MultiPointRule>[];
}

const SAME_PRESSURE = 1e-9;
const [LN_4, LN_10, LN_50] = [Math.log(4), Math.log(10), Math.log(50)];

function reduceRun(run: Run, air: AirOnBothSides, baselinePa: number): readonly ReducedReading[] {
  const { readings, direction } = run;
  if (readings.length < 3) {
    throw new Refusal('too-few-readings', 'readings', 'A fit needs three readings or more.', {
      value: readings.length,
      bound: 3,
    });
  }
  const reduced: ReducedReading[] = [];
  try {
    for (const reading of readings) reduced.push(reduceReading(reading, baselinePa, direction, air));
  } catch (error) {
    throw metWithin(`readings[${reduced.length}]`, error);
  }
  return reduced;
}

function fitRun(readings: readonly ReducedReading[]): PowerLawFit {
  const lnPressures: number[] = [];
  const lnFlows: number[] = [];
  let lowest = Infinity;
  let highest = 0;
  for (const { inducedPressurePa, envelopeFlowM3h } of readings) {
    const pressurePa = Math.abs(inducedPressurePa);
    lnPressures.push(Math.log(pressurePa));
    lnFlows.push(Math.log(envelopeFlowM3h));
    if (pressurePa < lowest) lowest = pressurePa;
    if (pressurePa > highest) highest = pressurePa;
  }
  if (highest - lowest <= SAME_PRESSURE * highest) {
    throw new Refusal('no-spread', 'readings', 'All readings are at one pressure; a fit needs several.', {
      value: highest,
    });
  }
  return fitLogarithms(lnPressures, lnFlows);
}

function evaluateRun(run: Run, method: ReferenceMethod, air: AirOnBothSides): RunResult {
  const baselineBeforeMeanPa = meanPa(run.baselineBeforePa);
  const baselineAfterMeanPa = meanPa(run.baselineAfterPa);
  const readings = reduceRun(run, air, (baselineBeforeMeanPa + baselineAfterMeanPa) / 2);
  const fit = fitRun(readings);
  const { exponent, coefficient, exponentStandardError, rSquared, degreesOfFreedom } = fit;
  const factor = t95(degreesOfFreedom);
  const referenceCoefficient = coefficient * referenceFactor(method, exponent, run.direction, air);
  const standardErrorLnQ50 = lineStandardError(fit, 50);
  const q50M3h = referenceCoefficient * Math.exp(exponent * LN_50);
  const reach = Math.exp(factor * standardErrorLnQ50);
  return {
    direction: run.direction,
    baselineBeforeMeanPa,
    baselineAfterMeanPa,
    readings,
    exponent,
    exponentStandardError,
    exponentLow95: exponent - factor * exponentStandardError,
    exponentHigh95: exponent + factor * exponentStandardError,
    coefficientM3hPaN: coefficient,
    referenceCoefficientM3hPaN: referenceCoefficient,
    rSquared,
    degreesOfFreedom,
    standardErrorLnQ50,
    q4M3h: referenceCoefficient * Math.exp(exponent * LN_4),
    q10M3h: referenceCoefficient * Math.exp(exponent * LN_10),
    q50M3h,
    q50Low95M3h: q50M3h / reach,
    q50High95M3h: q50M3h * reach,
  };
}

/** Figures of one run, or of the mean of both directions. Written out: a spread of objects costs more than the fit. */
function combineDirections(runs: readonly RunResult[], size: Building): MultiPointFigures {
  let q4M3h = 0;
  let q10M3h = 0;
  for (const run of runs) {
    q4M3h += run.q4M3h / runs.length;
    q10M3h += run.q10M3h / runs.length;
  }
  const estimates: Estimate[] = [];
  for (const { q50M3h, standardErrorLnQ50, degreesOfFreedom } of runs) {
    estimates.push({ value: q50M3h, relativeStandardError: standardErrorLnQ50, degreesOfFreedom });
  }
  const q50 = meanOf(estimates);
  const { low, high } = intervalOf(q50);
  const { n50PerHour, qE50M3hM2, qF50M3hM2, eqLA10M2, ela4M2, q50M3h } = leakageFigures(
    { q4M3h, q10M3h, q50M3h: q50.value },
    size,
  );
  return {
    q4M3h,
    q10M3h,
    q50M3h,
    n50PerHour,
    qE50M3hM2,
    qF50M3hM2,
    eqLA10M2,
    ela4M2,
    standardErrorLnQ50: q50.relativeStandardError,
    degreesOfFreedom: q50.degreesOfFreedom,
    q50Low95M3h: q50.value * low,
    q50High95M3h: q50.value * high,
  };
}

function refuseSameDirectionTwice(runs: readonly Run[]): void {
  if (runs.length === 2 && runs[0]?.direction === runs[1]?.direction) {
    throw new Refusal('duplicate-direction', 'runs[1].direction', 'The second run must go the other way.');
  }
}

/**
 * Airtightness from several readings in one or both directions, by ordinary least squares on logarithmic axes.
 * Flows in m³/h at reference conditions, areas in m²; intervals at 95 %. ISO 9972, 6 and annex C; ASTM E779.
 * Validity is judged in `findings`; they never hide the figures.
 * @example multiPoint(examples['airtightness.multiPoint']).result.n50PerHour // 1.549
 * @throws {Refusal} `too-few-readings`, `no-spread`, `duplicate-direction`, `wrong-sign`, `fan-pressure-out-of-range`
 */
export function multiPoint(input: MultiPointInput): MultiPointResult {
  refuseSameDirectionTwice(input.runs);
  const air = airOnBothSides(input.conditions);
  const runs: RunResult[] = [];
  try {
    for (const run of input.runs) runs.push(evaluateRun(run, input.method, air));
  } catch (error) {
    throw metWithin(`runs[${runs.length}]`, error);
  }
  return {
    method: input.method,
    indoorDensityKgM3: air.indoor.densityKgM3,
    outdoorDensityKgM3: air.outdoor.densityKgM3,
    runs,
    result: combineDirections(runs, input.building),
    findings: validityFindings(input, runs),
  };
}

export const referenceMethod = option('iso9972', 'astmE779');
export const direction = option('depressurise', 'pressurise');

export const multiPointInput = fields<MultiPointInput>({
  method: referenceMethod,
  building: building,
  conditions: conditions,
  runs: list(
    fields<Run>({
      direction,
      baselineBeforePa: baseline(),
      baselineAfterPa: baseline(),
      readings: list(fields<Reading>(readingMembers)),
    }),
    1,
    2,
  ),
});

export const multiPointOperation: Operation<MultiPointInput, MultiPointResult> = {
  schema: multiPointInput,
  run: multiPoint,
};
