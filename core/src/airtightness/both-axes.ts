import type { Finding } from '../finding';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { fields, list, nonNegative, number, option, optional, share } from '../schema';
import { building, type Building } from './building';
import { intervalOf, meanOf, type Estimate } from './confidence-band';
import { airOnBothSides, conditions, type AirOnBothSides, type Conditions } from './conditions';
import { leakageFigures, type LeakageFigures } from './figures';
import { multiPoint, type Run, type RunResult } from './multi-point';
import { baseline, meanPa, readingMembers, type Reading } from './reading';
import { referenceFactor, type ReferenceMethod } from './reference-conditions';
import { t95 } from './student-t';
import { yorkFit, type UncertainPoint, type YorkLine } from './york-fit';

/** What is stated of the instruments: limits of error, as their makers give them. */
export interface InstrumentAccuracy {
  /** Of the pressure gauge, as a share of the reading. */
  readonly pressureShare?: number;
  /** Of the pressure gauge, at least. */
  readonly pressureFloorPa?: number;
  /** Of the flow, as a share of it, for the fan range used. */
  readonly flowShare?: number;
  /** Scatter of a single pressure reading in the wind; from the baseline readings where left out. */
  readonly pressureScatterPa?: number;
}

export interface BothAxesInput {
  readonly method: ReferenceMethod;
  readonly building: Building;
  readonly conditions: Conditions;
  readonly runs: readonly Run[];
  readonly accuracy?: InstrumentAccuracy;
}

/** A reading with the standard uncertainties that its weight comes from. */
export interface WeighedReading {
  readonly inducedPressurePa: number;
  readonly envelopeFlowM3h: number;
  readonly pressureUncertaintyPa: number;
  readonly flowUncertaintyM3h: number;
  /** Share of all weights in the run. */
  readonly weight: number;
}

/** The fit of one run that weighs each reading, and the ordinary one beside it. */
export interface BothAxesRun {
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
  readonly standardErrorLnQ50: number;
  readonly q50M3h: number;
  readonly q50Low95M3h: number;
  readonly q50High95M3h: number;
  readonly ordinary: Pick<
    RunResult,
    'exponent' | 'exponentStandardError' | 'standardErrorLnQ50' | 'q50M3h' | 'q50Low95M3h' | 'q50High95M3h'
  >;
}

export interface BothAxesFigures extends LeakageFigures {
  readonly standardErrorLnQ50: number;
  readonly degreesOfFreedom: number;
  readonly q50Low95M3h: number;
  readonly q50High95M3h: number;
}

export interface BothAxes {
  readonly runs: readonly BothAxesRun[];
  readonly result: BothAxesFigures;
  readonly findings: readonly Finding<'scatter-unexplained'>[];
}

const PRESSURE_SHARE = 0.01;
const PRESSURE_FLOOR_PA = 0.15;
const FLOW_SHARE = 0.03;
/** A stated limit of error is taken as evenly likely within. JCGM 100, 4.3.7. */
const LIMIT_TO_UNCERTAINTY = 1 / Math.sqrt(3);
/** A stated scatter is taken as known to a tenth of itself. JCGM 100, G.4.2. */
const STATED_DEGREES_OF_FREEDOM = 50;
/** Weights follow the fitted pressures, which follow the weights. */
const WEIGHING_ROUNDS = 50;
const SETTLED = 1e-10;
/** From this reduced χ² on, the scatter is more than what is stated explains. */
const UNEXPLAINED_RATIO = 2.5;

/** Scatter of single pressure readings, and how many degrees of freedom stand behind it. */
interface Scatter {
  readonly pa: number;
  readonly degreesOfFreedom: number;
  /** Standard uncertainty of the baseline that all readings share. */
  readonly baselinePa: number;
}

function scatterOf(run: Run, stated: number | undefined, field: string): Scatter {
  const [before, after] = [run.baselineBeforePa, run.baselineAfterPa];
  const squares = [before, after].reduce((sum, readings) => {
    const mean = meanPa(readings);
    return sum + readings.reduce((part, value) => part + (value - mean) ** 2, 0);
  }, 0);
  const degreesOfFreedom = before.length + after.length - 2;
  if (stated === undefined && degreesOfFreedom < 1) {
    throw new Refusal(
      'too-few-readings',
      `${field}.baselineBeforePa`,
      'The scatter of the wind needs two baseline readings on one side, or state the scatter.',
      { value: before.length, bound: 2 },
    );
  }
  const pa = stated ?? Math.sqrt(squares / degreesOfFreedom);
  return {
    pa,
    degreesOfFreedom: stated === undefined ? degreesOfFreedom : STATED_DEGREES_OF_FREEDOM,
    baselinePa: (pa / 2) * Math.sqrt(1 / before.length + 1 / after.length),
  };
}

interface Instruments {
  readonly pressureShare: number;
  readonly pressureFloorPa: number;
  readonly flowShare: number;
}

/** Uncertain points on logarithmic axes; those of pressure relative to where the reading most likely lies. */
function uncertainPoints(
  run: RunResult,
  scatterPa: number,
  instruments: Instruments,
  likelyPa: readonly number[],
): readonly UncertainPoint[] {
  return run.readings.map(({ inducedPressurePa, envelopeFlowM3h }, i) => {
    const pressurePa = Math.abs(inducedPressurePa);
    const likely = likelyPa[i] ?? pressurePa;
    const gauge =
      Math.max(instruments.pressureShare * likely, instruments.pressureFloorPa) * LIMIT_TO_UNCERTAINTY;
    return {
      x: Math.log(pressurePa),
      y: Math.log(envelopeFlowM3h),
      ux: Math.hypot(gauge, scatterPa) / likely,
      uy: instruments.flowShare * LIMIT_TO_UNCERTAINTY,
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

/**
 * By how much all stated uncertainties must grow, never shrink: the scatter about the line pooled with that of the
 * baseline, or alone where it is far beyond what is stated (Birge).
 */
function inflationOf({ chiSquared, degreesOfFreedom }: YorkLine, scatter: Scatter): number {
  const pooled = (scatter.degreesOfFreedom + chiSquared) / (scatter.degreesOfFreedom + degreesOfFreedom);
  const alone = chiSquared / degreesOfFreedom;
  return Math.sqrt(Math.max(1, alone > UNEXPLAINED_RATIO ? alone : pooled));
}

/** Standard error of ln flow at a pressure, the shared baseline included. */
function standardErrorLnFlow(
  { line, points }: Fit,
  scatter: Scatter,
  inflation: number,
  pressurePa: number,
): number {
  const x = Math.log(pressurePa);
  const own = 1 / line.weightSum + ((x - line.centreX) * line.slopeStandardError) ** 2;
  const influences = line.influences(x);
  const shared =
    scatter.baselinePa *
    line.slope *
    points.reduce((sum, point, i) => sum + (influences[i] ?? 0) / Math.exp(point.x), 0);
  return Math.sqrt(own * inflation ** 2 + shared ** 2);
}

interface Prepared {
  readonly run: BothAxesRun;
  readonly flowAt: (pressurePa: number) => number;
}

function evaluateRun(
  input: BothAxesInput,
  index: number,
  ordinary: RunResult,
  air: AirOnBothSides,
): Prepared {
  const { accuracy = {}, method } = input;
  const run = input.runs[index] as Run;
  const instruments = {
    pressureShare: accuracy.pressureShare ?? PRESSURE_SHARE,
    pressureFloorPa: accuracy.pressureFloorPa ?? PRESSURE_FLOOR_PA,
    flowShare: accuracy.flowShare ?? FLOW_SHARE,
  };
  const scatter = scatterOf(run, accuracy.pressureScatterPa, `runs[${index}]`);
  const fit = fitWeighed(ordinary, scatter.pa, instruments);
  const { line, points } = fit;
  if (!Number.isFinite(line.slope) || !(line.slope > 0)) {
    throw new Refusal('no-fit', `runs[${index}].readings`, 'No line with rising flow fits these readings.');
  }
  const reducedChiSquared = line.chiSquared / line.degreesOfFreedom;
  const inflation = inflationOf(line, scatter);
  const standardErrorLnQ50 = standardErrorLnFlow(fit, scatter, inflation, 50);
  const coefficient = Math.exp(line.intercept);
  const reference = coefficient * referenceFactor(method, line.slope, run.direction, air);
  const flowAt = (pressurePa: number): number => reference * pressurePa ** line.slope;
  const q50M3h = flowAt(50);
  const degreesOfFreedom = scatter.degreesOfFreedom + line.degreesOfFreedom;
  const reach = Math.exp(t95(degreesOfFreedom) * standardErrorLnQ50);
  return {
    flowAt,
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
      exponentStandardError: line.slopeStandardError * inflation,
      coefficientM3hPaN: coefficient,
      referenceCoefficientM3hPaN: reference,
      reducedChiSquared,
      degreesOfFreedom,
      standardErrorLnQ50,
      q50M3h,
      q50Low95M3h: q50M3h / reach,
      q50High95M3h: q50M3h * reach,
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

function combine(runs: readonly Prepared[], size: Building): BothAxesFigures {
  const mean = (pressurePa: number): number =>
    runs.reduce((sum, { flowAt }) => sum + flowAt(pressurePa), 0) / runs.length;
  const q50 = meanOf(
    runs.map(({ run }): Estimate => ({
      value: run.q50M3h,
      relativeStandardError: run.standardErrorLnQ50,
      degreesOfFreedom: run.degreesOfFreedom,
    })),
  );
  const { low, high } = intervalOf(q50);
  return {
    ...leakageFigures({ q4M3h: mean(4), q10M3h: mean(10), q50M3h: mean(50) }, size),
    standardErrorLnQ50: q50.relativeStandardError,
    degreesOfFreedom: q50.degreesOfFreedom,
    q50Low95M3h: q50.value * low,
    q50High95M3h: q50.value * high,
  };
}

/**
 * Airtightness from several readings of which each weighs by its own uncertainty, in pressure (gauge, scatter of the
 * wind as the baseline shows it) and in flow (fan range), beside the ordinary fit. York's line on logarithmic axes, with
 * weights that follow the fitted pressures; the uncertainty of the baseline, which all readings share, is added to the
 * interval; scatter beyond what is stated widens it. Intervals at 95 %. York et al. 2004; JCGM 100.
 * @throws {Refusal} as {@link multiPoint}, `too-few-readings` (of the baseline), `no-fit`
 */
export function bothAxes(input: BothAxesInput): BothAxes {
  const ordinary = multiPoint(input);
  const air = airOnBothSides(input.conditions);
  const runs = ordinary.runs.map((run, i) => evaluateRun(input, i, run, air));
  return {
    runs: runs.map(({ run }) => run),
    result: combine(runs, input.building),
    findings: runs.flatMap(({ run: { reducedChiSquared } }, run): BothAxes['findings'] =>
      reducedChiSquared > UNEXPLAINED_RATIO
        ? [
            {
              rule: 'scatter-unexplained',
              severity: 'warn',
              message:
                'The readings scatter more than wind and instruments explain: look for the one that is off.',
              value: reducedChiSquared,
              limit: UNEXPLAINED_RATIO,
              run,
            },
          ]
        : [],
    ),
  };
}

export const bothAxesOperation: Operation<BothAxesInput, BothAxes> = {
  schema: fields<BothAxesInput>({
    method: option('iso9972', 'astmE779'),
    building,
    conditions,
    runs: list(
      fields<Run>({
        direction: option('depressurise', 'pressurise'),
        baselineBeforePa: baseline(),
        baselineAfterPa: baseline(),
        readings: list(fields<Reading>(readingMembers)),
      }),
      1,
      2,
    ),
    accuracy: optional(
      fields<InstrumentAccuracy>({
        pressureShare: optional(share()),
        pressureFloorPa: optional(nonNegative()),
        flowShare: optional(number({ above: 0, max: 1 })),
        pressureScatterPa: optional(nonNegative()),
      }),
    ),
  }),
  run: bothAxes,
};
