import { REPEATS_MAX } from '../limits';
import { COMBUSTION } from '../cautions';
import { leakageWords } from './leakage-words';
import type { Operation } from '../operation';
import { as, fields, figure, list, optional, outcome, part, text } from '../schema';
import { exceeds, type Finding } from '../finding';
import { metWithin, Refusal } from '../refusal';
import { building, type Building } from './building';
import {
  airOnBothSides,
  conditions,
  direction,
  type AirOnBothSides,
  type Conditions,
  type Direction,
} from './conditions';
import { intervalOf } from './estimate';
import { leakageFigures, type LeakageFigures } from './figures';
import {
  baseline,
  meanPa,
  readingMembers,
  reduceReading,
  type Reading,
  type ReducedReading,
} from './reading';
import { referenceFactor, referenceMethod, type ReferenceMethod } from './reference-conditions';
import { baselineFindings } from './validity';

/** A reading with its own baseline. */
export interface SinglePointRepeat extends Reading {
  readonly baselineBeforePa: readonly number[];
  readonly baselineAfterPa: readonly number[];
}

export interface SinglePointInput {
  readonly method: ReferenceMethod;
  readonly direction: Direction;
  readonly building: Building;
  readonly conditions: Conditions;
  readonly repeats: readonly SinglePointRepeat[];
}

export interface SinglePointFigures extends LeakageFigures {
  /** Lower and higher of the means with flow exponents 0.55 and 0.75. */
  readonly q50RangeLowM3h: number;
  readonly q50RangeHighM3h: number;
  /** From the scatter of the repeats; null with one repeat. */
  readonly standardErrorLnQ50: number | null;
  readonly q50Low95M3h: number | null;
  readonly q50High95M3h: number | null;
}

export interface SinglePointResult {
  readonly method: ReferenceMethod;
  readonly repeats: readonly (ReducedReading & { readonly q50M3h: number })[];
  readonly result: SinglePointFigures;
  readonly findings: readonly Finding<SinglePointRule>[];
}

export type SinglePointRule = 'baseline-high' | 'lowest-pressure-low' | 'assumed-exponent-matters';

const ASSUMED_EXPONENT = 0.65;
const LOW_EXPONENT = 0.55;
const HIGH_EXPONENT = 0.75;
const LEAST_PRESSURE_PA = 15;

/** From this share of q50 on, what the flow exponent is taken for decides the figure. */
const RANGE_LIMIT = 0.05;

function rangeFindings({
  q50M3h,
  q50RangeLowM3h,
  q50RangeHighM3h,
}: SinglePointFigures): readonly Finding<SinglePointRule>[] {
  const reach = Math.max(q50RangeHighM3h - q50M3h, q50M3h - q50RangeLowM3h) / q50M3h;
  if (!exceeds(reach, RANGE_LIMIT)) return [];
  return [
    {
      rule: 'assumed-exponent-matters',
      severity: 'warn',
      message:
        'So far from 50 Pa the assumed flow exponent changes the figure by more than 5 %: read nearer to 50 Pa, or take several readings.',
      value: reach,
      limit: RANGE_LIMIT,
    },
  ];
}

function reduceRepeat(repeat: SinglePointRepeat, input: SinglePointInput, air: AirOnBothSides) {
  const baselinePa = (meanPa(repeat.baselineBeforePa) + meanPa(repeat.baselineAfterPa)) / 2;
  const reduced = reduceReading(repeat, baselinePa, input.direction, air);
  if (Math.abs(reduced.inducedPressurePa) < LEAST_PRESSURE_PA) {
    throw new Refusal('pressure-too-low', 'pressurePa', 'A single reading must be at 15 Pa or more.', {
      value: reduced.inducedPressurePa,
      bound: LEAST_PRESSURE_PA,
    });
  }
  return reduced;
}

function spreadOf(logs: readonly number[], q50M3h: number) {
  if (logs.length < 2) return { standardErrorLnQ50: null, q50Low95M3h: null, q50High95M3h: null };
  const mean = Math.log(q50M3h);
  const variance = logs.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (logs.length - 1);
  const standardErrorLnQ50 = Math.sqrt(variance / logs.length);
  const { low, high } = intervalOf({
    relativeStandardError: standardErrorLnQ50,
    degreesOfFreedom: logs.length - 1,
  });
  return { standardErrorLnQ50, q50Low95M3h: q50M3h * low, q50High95M3h: q50M3h * high };
}

/**
 * Airtightness from one reading, or repeats of it, with an assumed flow exponent of 0.65. ASTM E1827.
 * Flows in m³/h at reference conditions; the interval is that of the repeats' geometric mean. The baseline is judged as for
 * several pressures, and how far the figure hangs on the assumed exponent.
 * @example singlePoint(examples['airtightness.singlePoint']).result.n50PerHour // 1.543
 * @throws {Refusal} `pressure-too-low`, `wrong-sign`, `fan-pressure-out-of-range`
 */
export function singlePoint(input: SinglePointInput): SinglePointResult {
  const air = airOnBothSides(input.conditions);
  const reduced = input.repeats.map((repeat, i) => {
    try {
      return reduceRepeat(repeat, input, air);
    } catch (error) {
      throw metWithin(`repeats[${i}]`, error);
    }
  });
  const q50With = (reading: ReducedReading, exponent: number): number =>
    reading.envelopeFlowM3h *
    referenceFactor(input.method, exponent, input.direction, air) *
    (50 / Math.abs(reading.inducedPressurePa)) ** exponent;
  const geometricMean = (exponent: number): number =>
    Math.exp(
      reduced.reduce((sum, reading) => sum + Math.log(q50With(reading, exponent)), 0) / reduced.length,
    );

  const repeats = reduced.map((reading) => ({ ...reading, q50M3h: q50With(reading, ASSUMED_EXPONENT) }));
  const q50M3h = geometricMean(ASSUMED_EXPONENT);
  const bounds = [geometricMean(LOW_EXPONENT), geometricMean(HIGH_EXPONENT)];
  const flowAt = (pressurePa: number): number => q50M3h * (pressurePa / 50) ** ASSUMED_EXPONENT;
  const result: SinglePointFigures = {
    ...leakageFigures({ q4M3h: flowAt(4), q10M3h: flowAt(10), q50M3h }, input.building),
    q50RangeLowM3h: Math.min(...bounds),
    q50RangeHighM3h: Math.max(...bounds),
    ...spreadOf(
      repeats.map((repeat) => Math.log(repeat.q50M3h)),
      q50M3h,
    ),
  };
  const ofBaselines = input.repeats.flatMap((repeat, reading) =>
    baselineFindings(repeat, Math.abs(reduced[reading]?.inducedPressurePa ?? 0), { reading }),
  );
  return {
    method: input.method,
    repeats,
    result,
    findings: [...ofBaselines, ...rangeFindings(result)],
  };
}

export const singlePointInput = fields<SinglePointInput>({
  method: referenceMethod,
  direction,
  building: building,
  conditions: conditions,
  repeats: as(
    'Repeats',
    list(
      fields<SinglePointRepeat>({
        ...readingMembers,
        baselineBeforePa: as('Baseline before', baseline(), 'baseline before'),
        baselineAfterPa: as('Baseline after', baseline(), 'baseline after'),
      }),
      1,
      REPEATS_MAX,
    ),
    'reading',
  ),
});

export const singlePointOperation: Operation<SinglePointInput, SinglePointResult> = {
  words: {
    shelf: 'airtightness',
    title: 'Door test at one pressure',
    tells: 'q50 from one pressure, with the range that an assumed exponent leaves.',
    alsoCalled: 'blower door, one point, quick test, ACH50, CFM50, n50, q50',
    mainFigures: ['result.n50PerHour', 'result.q50M3h', 'result.q50RangeLowM3h', 'result.q50RangeHighM3h'],
    caution: COMBUSTION,
  },
  schema: singlePointInput,
  run: singlePoint,
  output: outcome<SinglePointResult>({
    method: text(),
    repeats: as(
      'Repeats',
      list(
        part({
          inducedPressurePa: figure('housePressure'),
          fanFlowM3h: as('Flow of the fan', figure('flow')),
          envelopeFlowM3h: figure('flow'),
          q50M3h: as('q50', figure('flow')),
        }),
      ),
      'reading',
    ),
    result: part({
      ...leakageWords,
      q50RangeLowM3h: as('q50, lower of n 0.55 and 0.75', figure('flow')),
      q50RangeHighM3h: as('q50, higher of n 0.55 and 0.75', figure('flow')),
      standardErrorLnQ50: as('Standard error of q50', optional(figure('share'))),
      q50Low95M3h: as('q50, lower bound at 95 %', optional(figure('flow'))),
      q50High95M3h: as('q50, upper bound at 95 %', optional(figure('flow'))),
    }),
  }),
};
