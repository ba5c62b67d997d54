import { COMBUSTION } from '../cautions';
import type { Finding } from '../finding';
import { coefficientWords, fitWords, intervalWords, leakageWords } from './leakage-words';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, fields, figure, list, optional, outcome, part, text } from '../schema';
import jStat from 'jstat';
import type { Building } from './building';
import { airOnBothSides, type AirOnBothSides } from './conditions';
import { boundsOf, meanOf, type Estimate } from './estimate';
import {
  accuracyInput,
  instrumentsOf,
  type InstrumentAccuracy,
  type Instruments,
} from './instrument-accuracy';
import { scatterOf, STATED_DEGREES_OF_FREEDOM, type Scatter } from './wind-scatter';
import { leakageFigures, type LeakageFigures } from './figures';
import { combinedUncertainty, LIMIT_TO_UNCERTAINTY, reach95, type JoinedError } from './joined-interval';
import { multiPoint } from './multi-point';
import { referenceFactor } from './reference-conditions';
import { pressureTestMembers, type PressureTest, type Run, type RunResult } from './run';
import { t95 } from './student-t';
import type { MultiPointRule } from './validity';
import { yorkFit, type UncertainPoint, type YorkLine } from './york-fit';

export interface YorkRegressionInput extends PressureTest {
  readonly accuracy?: InstrumentAccuracy;
}

/** A reading with the standard uncertainties of its own, which its weight comes from. */
export interface WeighedReading {
  readonly inducedPressurePa: number;
  readonly envelopeFlowM3h: number;
  readonly pressureUncertaintyPa: number;
  readonly flowUncertaintyM3h: number;
  /** Share of all weights in the run. */
  readonly weight: number;
}

/** The fit of one run that weighs each reading, and the ordinary one beside it. */
export interface YorkRegressionRun {
  readonly direction: Run['direction'];
  readonly pressureScatterPa: number;
  readonly readings: readonly WeighedReading[];
  readonly exponent: number;
  readonly exponentStandardError: number;
  readonly coefficientM3hPaN: number;
  readonly referenceCoefficientM3hPaN: number;
  /** χ² over its degrees of freedom; well above 1 where readings scatter more than what is stated explains. */
  readonly reducedChiSquared: number;
  readonly degreesOfFreedom: number;
  /** Combined standard uncertainty of ln q50. */
  readonly standardErrorLnQ50: number;
  /** Of it, what all readings share: gauge and flow range. */
  readonly sharedUncertaintyLnQ50: number;
  readonly q50M3h: number;
  readonly q50Low95M3h: number;
  readonly q50High95M3h: number;
  readonly ordinary: Pick<
    RunResult,
    'exponent' | 'exponentStandardError' | 'standardErrorLnQ50' | 'q50M3h' | 'q50Low95M3h' | 'q50High95M3h'
  >;
}

export interface YorkRegressionFigures extends LeakageFigures {
  readonly standardErrorLnQ50: number;
  readonly sharedUncertaintyLnQ50: number;
  /** The interval is q50·exp(± factor · standardErrorLnQ50). */
  readonly coverageFactor: number;
  readonly degreesOfFreedom: number;
  readonly q50Low95M3h: number;
  readonly q50High95M3h: number;
}

export interface YorkRegression {
  readonly runs: readonly YorkRegressionRun[];
  readonly result: YorkRegressionFigures;
  /** Those of the ordinary evaluation, and the scatter that nothing explains. */
  readonly findings: readonly Finding<MultiPointRule | 'scatter-unexplained'>[];
}

/** Weights follow the fitted pressures, which follow the weights. */
const WEIGHING_ROUNDS = 50;
const SETTLED = 1e-10;
/** Where what is stated is right, χ² is beyond this bound once in a hundred. */
const EXPLAINED_SHARE = 0.99;

/** Uncertain points on logarithmic axes; those of pressure relative to where the reading most likely lies. */
function uncertainPoints(
  run: RunResult,
  scatterPa: number,
  instruments: Instruments,
  likelyPa: readonly number[],
): readonly UncertainPoint[] {
  const { ownPressureShare, resolutionPa, ownFlowShare } = instruments;
  return run.readings.map(({ inducedPressurePa, envelopeFlowM3h }, i) => {
    const pressurePa = Math.abs(inducedPressurePa);
    const likely = likelyPa[i] ?? pressurePa;
    const gauge = Math.max(ownPressureShare * likely, resolutionPa) * LIMIT_TO_UNCERTAINTY;
    return {
      x: Math.log(pressurePa),
      y: Math.log(envelopeFlowM3h),
      ux: Math.hypot(gauge, scatterPa) / likely,
      uy: ownFlowShare * LIMIT_TO_UNCERTAINTY,
    };
  });
}

interface Fit {
  readonly line: YorkLine;
  readonly points: readonly UncertainPoint[];
}

function fitWeighed(run: RunResult, scatterPa: number, instruments: Instruments): Fit {
  const weighedAt = (likelyPa: readonly number[]): Fit => {
    const points = uncertainPoints(run, scatterPa, instruments, likelyPa);
    return { points, line: yorkFit(points) };
  };
  let fit = weighedAt(run.readings.map(({ inducedPressurePa }) => Math.abs(inducedPressurePa)));
  for (let round = 0; round < WEIGHING_ROUNDS; round++) {
    const next = weighedAt(fit.line.adjustedX.map(Math.exp));
    const moved = Math.abs(next.line.slope - fit.line.slope);
    fit = next;
    if (!(moved > SETTLED)) break;
  }
  return fit;
}

/** How much larger or smaller all own uncertainties are than taken at first, and how well that is known. */
interface Scale {
  readonly factor: number;
  readonly degreesOfFreedom: number;
}

/** Degrees of freedom behind the weight of the readings: of the wind's scatter, and of what is stated. Welch–Satterthwaite. */
function degreesBehindWeights({ line, points }: Fit, scatter: Scatter): number {
  let spread = 0;
  for (const { x, ux, uy } of points) {
    const variance = (line.slope * ux) ** 2 + uy ** 2;
    const wind = ((line.slope * scatter.pa) / Math.exp(x)) ** 2;
    spread +=
      (wind / variance) ** 2 / scatter.degreesOfFreedom +
      (1 - Math.min(1, wind / variance)) ** 2 / STATED_DEGREES_OF_FREEDOM;
  }
  return points.length / spread;
}

const unexplainedFrom = (degreesOfFreedom: number): number =>
  jStat.chisquare.inv(EXPLAINED_SHARE, degreesOfFreedom) / degreesOfFreedom;

/** The scatter about the line, pooled with what was known before, or alone where that does not explain it (Birge). */
function scaleOf(fit: Fit, scatter: Scatter): Scale {
  const { chiSquared, degreesOfFreedom } = fit.line;
  const alone = chiSquared / degreesOfFreedom;
  if (alone > unexplainedFrom(degreesOfFreedom)) return { factor: Math.sqrt(alone), degreesOfFreedom };
  const before = degreesBehindWeights(fit, scatter);
  return {
    factor: Math.sqrt((before + chiSquared) / (before + degreesOfFreedom)),
    degreesOfFreedom: before + degreesOfFreedom,
  };
}

/** Standard error of ln flow at a pressure, the shared baseline included. */
function ownErrorLnFlow({ line, points }: Fit, scatter: Scatter, scale: number, pressurePa: number): number {
  const x = Math.log(pressurePa);
  const own = 1 / line.weightSum + ((x - line.centreX) * line.slopeStandardError) ** 2;
  const influences = line.influences(x);
  const shared =
    scatter.baselinePa *
    line.slope *
    points.reduce((sum, point, i) => sum + (influences[i] ?? 0) / Math.exp(point.x), 0);
  return scale * Math.sqrt(own + shared ** 2);
}

interface Prepared {
  readonly run: YorkRegressionRun;
  readonly error: JoinedError;
  readonly flowAt: (pressurePa: number) => number;
}

function evaluateRun(
  input: YorkRegressionInput,
  index: number,
  ordinary: RunResult,
  air: AirOnBothSides,
): Prepared {
  const { accuracy = {}, method } = input;
  const run = input.runs[index] as Run;
  const instruments = instrumentsOf(accuracy);
  const scatter = scatterOf(run, accuracy.pressureScatterPa, `runs[${index}]`);
  const fit = fitWeighed(ordinary, scatter.pa, instruments);
  const { line, points } = fit;
  if (!Number.isFinite(line.slope) || !(line.slope > 0)) {
    throw new Refusal('no-fit', `runs[${index}].readings`, 'No line with rising flow fits these readings.');
  }
  const reducedChiSquared = line.chiSquared / line.degreesOfFreedom;
  const scale = scaleOf(fit, scatter);
  const error: JoinedError = {
    standardError: ownErrorLnFlow(fit, scatter, scale.factor, 50),
    degreesOfFreedom: scale.degreesOfFreedom,
    limits: [instruments.sharedFlowShare, line.slope * instruments.sharedPressureShare],
  };
  const coefficient = Math.exp(line.intercept);
  const reference = coefficient * referenceFactor(method, line.slope, run.direction, air);
  const flowAt = (pressurePa: number): number => reference * pressurePa ** line.slope;
  const q50M3h = flowAt(50);
  const { low, high } = boundsOf(reach95(error));
  return {
    flowAt,
    error,
    run: {
      direction: run.direction,
      pressureScatterPa: scatter.pa,
      readings: ordinary.readings.map(({ inducedPressurePa, envelopeFlowM3h }, i) => {
        const { ux, uy } = points[i] ?? { ux: 0, uy: 0 };
        return {
          inducedPressurePa,
          envelopeFlowM3h,
          pressureUncertaintyPa: ux * Math.exp(line.adjustedX[i] ?? 0),
          flowUncertaintyM3h: uy * envelopeFlowM3h,
          weight: 1 / (uy ** 2 + (line.slope * ux) ** 2) / line.weightSum,
        };
      }),
      exponent: line.slope,
      exponentStandardError: line.slopeStandardError * scale.factor,
      coefficientM3hPaN: coefficient,
      referenceCoefficientM3hPaN: reference,
      reducedChiSquared,
      degreesOfFreedom: scale.degreesOfFreedom,
      standardErrorLnQ50: combinedUncertainty(error),
      sharedUncertaintyLnQ50: combinedUncertainty({ ...error, standardError: 0 }),
      q50M3h,
      q50Low95M3h: q50M3h * low,
      q50High95M3h: q50M3h * high,
      ordinary: {
        exponent: ordinary.exponent,
        exponentStandardError: ordinary.exponentStandardError,
        standardErrorLnQ50: ordinary.standardErrorLnQ50,
        q50M3h: ordinary.q50M3h,
        q50Low95M3h: ordinary.q50Low95M3h,
        q50High95M3h: ordinary.q50High95M3h,
      },
    },
  };
}

function combine(runs: readonly Prepared[], size: Building): YorkRegressionFigures {
  const mean = (pressurePa: number): number =>
    runs.reduce((sum, { flowAt }) => sum + flowAt(pressurePa), 0) / runs.length;
  const own = meanOf(
    runs.map(({ run, error }): Estimate => ({
      value: run.q50M3h,
      relativeStandardError: error.standardError,
      degreesOfFreedom: error.degreesOfFreedom,
    })),
  );
  // The same gauge and the same fan measured both ways: what they share does not average out.
  const sharedLimit = (i: 0 | 1): number =>
    runs.reduce((sum, { run, error }) => sum + run.q50M3h * error.limits[i], 0) / (own.value * runs.length);
  const error: JoinedError = {
    standardError: own.relativeStandardError,
    degreesOfFreedom: own.degreesOfFreedom,
    limits: [sharedLimit(0), sharedLimit(1)],
  };
  const [reach, uncertainty] = [reach95(error), combinedUncertainty(error)];
  const { low, high } = boundsOf(reach);
  return {
    ...leakageFigures({ q4M3h: mean(4), q10M3h: mean(10), q50M3h: mean(50) }, size),
    standardErrorLnQ50: uncertainty,
    sharedUncertaintyLnQ50: combinedUncertainty({ ...error, standardError: 0 }),
    coverageFactor: uncertainty > 0 ? reach / uncertainty : t95(own.degreesOfFreedom),
    degreesOfFreedom: own.degreesOfFreedom,
    q50Low95M3h: own.value * low,
    q50High95M3h: own.value * high,
  };
}

/**
 * Airtightness from several readings of which each weighs by its own uncertainty, in pressure (gauge, scatter of the
 * wind as the baseline shows it) and in flow (fan range), beside the ordinary fit. York's line on logarithmic axes, with
 * weights that follow the fitted pressures; scatter beyond what is stated widens the interval, and what all readings share –
 * the baseline, the gauge, the flow range – is joined to it after the fit. Intervals at 95 %. York et al. 2004; JCGM 100, 101.
 * @example yorkRegression(examples['airtightness.yorkRegression']).result.q50M3h // 635.1
 * @throws {Refusal} as {@link multiPoint}, `too-few-readings` (of the baseline), `no-fit`
 */
export function yorkRegression(input: YorkRegressionInput): YorkRegression {
  const ordinary = multiPoint(input);
  const air = airOnBothSides(input.conditions);
  const runs = ordinary.runs.map((run, i) => evaluateRun(input, i, run, air));
  return {
    runs: runs.map(({ run }) => run),
    result: combine(runs, input.building),
    findings: [...ordinary.findings, ...runs.flatMap(unexplainedScatter)],
  };
}

function unexplainedScatter({ run: result }: Prepared, run: number): YorkRegression['findings'] {
  const { reducedChiSquared, readings } = result;
  const limit = unexplainedFrom(readings.length - 2);
  if (!(reducedChiSquared > limit)) return [];
  return [
    {
      rule: 'scatter-unexplained',
      severity: 'warn',
      message: 'The readings scatter more than wind and instruments explain: look for the one that is off.',
      value: reducedChiSquared,
      limit,
      run,
    },
  ];
}

export const yorkRegressionOperation: Operation<YorkRegressionInput, YorkRegression> = {
  words: {
    shelf: 'airtightness',
    title: 'Door test in wind',
    tells: 'The fit with each reading weighed by the uncertainty of its pressure and its flow.',
    alsoCalled: 'blower door, windy, gusts, uncertainty, ACH50, CFM50, weighted fit',
    mainFigures: ['result.q50M3h', 'result.q50Low95M3h', 'result.q50High95M3h', 'result.n50PerHour'],
    caution: COMBUSTION,
  },
  schema: fields<YorkRegressionInput>({
    ...pressureTestMembers,
    accuracy: optional(accuracyInput),
  }),
  run: yorkRegression,
  output: outcome<YorkRegression>({
    runs: list(
      part({
        direction: text(),
        pressureScatterPa: figure('housePressure'),
        readings: list(
          part({
            inducedPressurePa: figure('housePressure'),
            envelopeFlowM3h: figure('flow'),
            pressureUncertaintyPa: figure('housePressure'),
            flowUncertaintyM3h: figure('flow'),
            weight: figure('plain'),
          }),
        ),
        exponent: as('Exponent n', figure('plain')),
        exponentStandardError: as('Standard error of n', figure('plain')),
        ...coefficientWords,
        reducedChiSquared: as('χ² for each degree of freedom', figure('plain')),
        degreesOfFreedom: figure('plain'),
        standardErrorLnQ50: as('Standard error of q50', figure('share')),
        sharedUncertaintyLnQ50: as('Of it, shared by all readings', figure('share')),
        q50M3h: as('q50', figure('flow')),
        ...intervalWords,
        ordinary: as(
          'By ordinary least squares',
          part({
            ...fitWords,
            ...intervalWords,
          }),
        ),
      }),
    ),
    result: part({
      ...leakageWords,
      standardErrorLnQ50: as('Standard error of q50', figure('share')),
      sharedUncertaintyLnQ50: as('Of it, shared by all readings', figure('share')),
      coverageFactor: as('Factor to the 95 % interval', figure('plain')),
      degreesOfFreedom: figure('plain'),
      ...intervalWords,
    }),
  }),
};
