import { COMBUSTION } from '../cautions';
import { coefficientWords, intervalWords, leakageWords } from './leakage-words';
import type { Operation } from '../operation';
import { as, fields, figure, list, outcome, part, text } from '../schema';
import type { Finding } from '../finding';
import { metWithin, Refusal } from '../refusal';
import type { Building } from './building';
import { airOnBothSides } from './conditions';
import { intervalOf, meanOf, type Estimate } from './estimate';
import { leakageFigures, type LeakageFigures } from './figures';
import type { ReferenceMethod } from './reference-conditions';
import { evaluateRun, pressureTestMembers, type PressureTest, type Run, type RunResult } from './run';
import { validityFindings, type MultiPointRule } from './validity';

export type MultiPointInput = PressureTest;

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

export const multiPointOperation: Operation<MultiPointInput, MultiPointResult> = {
  words: {
    shelf: 'airtightness',
    title: 'Door test, several pressures',
    tells: 'The fit of a test with its intervals and findings.',
    alsoCalled:
      'blower door, fan pressurisation, fan pressurization, ACH50, CFM50, n50, q50, air permeability, ISO 9972, ASTM E779, leakage curve',
    mainFigures: ['result.n50PerHour', 'result.q50M3h', 'result.qE50M3hM2', 'result.ela4M2'],
    caution: COMBUSTION,
  },
  schema: fields<MultiPointInput>(pressureTestMembers),
  run: multiPoint,
  output: outcome<MultiPointResult>({
    method: text(),
    indoorDensityKgM3: figure('density'),
    outdoorDensityKgM3: figure('density'),
    runs: list(
      part({
        direction: text(),
        baselineBeforeMeanPa: figure('housePressure'),
        baselineAfterMeanPa: figure('housePressure'),
        readings: list(
          part({
            inducedPressurePa: figure('housePressure'),
            fanFlowM3h: as('Flow of the fan', figure('flow')),
            envelopeFlowM3h: figure('flow'),
          }),
        ),
        exponent: as('Exponent n', figure('plain')),
        exponentStandardError: as('Standard error of n', figure('plain')),
        exponentLow95: as('n, lower bound at 95 %', figure('plain')),
        exponentHigh95: as('n, upper bound at 95 %', figure('plain')),
        ...coefficientWords,
        rSquared: as('r²', figure('plain')),
        degreesOfFreedom: figure('plain'),
        standardErrorLnQ50: as('Standard error of q50', figure('share')),
        q4M3h: as('q4', figure('flow')),
        q10M3h: as('q10', figure('flow')),
        q50M3h: as('q50', figure('flow')),
        ...intervalWords,
      }),
    ),
    result: part({
      ...leakageWords,
      standardErrorLnQ50: as('Standard error of q50', figure('share')),
      degreesOfFreedom: figure('plain'),
      ...intervalWords,
    }),
  }),
};
