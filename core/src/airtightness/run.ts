import { READINGS_MAX } from '../limits';
import { metWithin, Refusal } from '../refusal';
import { as, fields, list } from '../schema';
import { building, type Building } from './building';
import { conditions, direction, type AirOnBothSides, type Conditions, type Direction } from './conditions';
import { boundsOf } from './estimate';
import { fitLogarithms, lineStandardError, type PowerLawFit } from './power-law-fit';
import {
  baseline,
  meanPa,
  readingMembers,
  reduceReading,
  type Reading,
  type ReducedReading,
} from './reading';
import { referenceFactor, referenceMethod, type ReferenceMethod } from './reference-conditions';
import { t95 } from './student-t';

/** Readings with the fan going one way, and with it off before and after. */
export interface Run {
  readonly direction: Direction;
  readonly baselineBeforePa: readonly number[];
  readonly baselineAfterPa: readonly number[];
  readonly readings: readonly Reading[];
}

/** A test of the whole house at several pressures. */
export interface PressureTest {
  readonly method: ReferenceMethod;
  readonly building: Building;
  readonly conditions: Conditions;
  /** One run, or one in each direction. */
  readonly runs: readonly Run[];
}

/** What one run comes to. */
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

/** Members of a {@link PressureTest}. */
export const pressureTestMembers = {
  method: referenceMethod,
  building,
  conditions,
  runs: list(
    fields<Run>({
      direction,
      baselineBeforePa: as('Baseline before', baseline(), 'baseline before'),
      baselineAfterPa: as('Baseline after', baseline(), 'baseline after'),
      readings: list(fields<Reading>(readingMembers), 0, READINGS_MAX),
    }),
    1,
    2,
  ),
};

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

/**
 * The fit of one run by ordinary least squares on logarithmic axes, flows at reference conditions, intervals at 95 %.
 * ISO 9972, 6 and annex C.
 * @example evaluateRun(examples['airtightness.multiPoint'].runs[0], 'iso9972', airOnBothSides({ indoorTemperatureC: 20, outdoorTemperatureC: 4 })).exponent // 0.6285
 * @throws {Refusal} `too-few-readings`, `no-spread`, and as {@link reduceReading}, with fields from the run on
 */
export function evaluateRun(run: Run, method: ReferenceMethod, air: AirOnBothSides): RunResult {
  const baselineBeforeMeanPa = meanPa(run.baselineBeforePa);
  const baselineAfterMeanPa = meanPa(run.baselineAfterPa);
  const readings = reduceRun(run, air, (baselineBeforeMeanPa + baselineAfterMeanPa) / 2);
  const fit = fitRun(readings);
  const { exponent, coefficient, exponentStandardError, rSquared, degreesOfFreedom } = fit;
  const factor = t95(degreesOfFreedom);
  const referenceCoefficient = coefficient * referenceFactor(method, exponent, run.direction, air);
  const standardErrorLnQ50 = lineStandardError(fit, 50);
  const q50M3h = referenceCoefficient * Math.exp(exponent * LN_50);
  const { low, high } = boundsOf(factor * standardErrorLnQ50);
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
    q50Low95M3h: q50M3h * low,
    q50High95M3h: q50M3h * high,
  };
}
