import { airOnBothSides, type Conditions, type Direction } from '@calvet/core/airtightness/conditions';
import { computeWith } from '@calvet/core/operation';
import { budgetOperation, type Budget, type BudgetInput } from '@calvet/core/airtightness/budget';
import { doubtsOfRuns } from '@calvet/core/implausible';
import { multiPointOperation, type MultiPointResult } from '@calvet/core/airtightness/multi-point';
import { pressureGaps } from '@calvet/core/airtightness/pressure-gaps';
import { reduceReading, type ReducedReading } from '@calvet/core/airtightness/reading';
import { Refusal } from '@calvet/core/refusal';
import { relativeInterval } from '@calvet/core/airtightness/confidence-band';
import type { Building } from '@calvet/core/airtightness/building';
import type { Finding } from '@calvet/core/finding';
import type { Run, RunResult } from '@calvet/core/airtightness/run';
import type { HouseBody } from '../house/house';
import { refusalFromCore, type FieldRefusal } from '../refusal-of';
import type { AirtightnessTestBody, TestReading, TestRun } from './airtightness-test';

/** Where in a test a figure is missing or wrong. */
export interface TestField {
  readonly direction: Direction | null;
  readonly readingId: string | null;
  /** Name of the field in the test, its run or its reading. */
  readonly name: string;
}

/** A reading as it lies to the fitted line. */
export interface TestPoint {
  readonly readingId: string;
  readonly direction: Direction;
  readonly inducedPressurePa: number;
  readonly envelopeFlowM3h: number;
  /** Flow over the line's, less 1. */
  readonly offTheLine: number;
  readonly isStruckOut: boolean;
}

/** What a test says, as far as it says anything yet. */
export type TestFigures =
  | {
      readonly state: 'figures';
      /** The sizes that they are related to. */
      readonly building: Building;
      readonly fit: MultiPointResult;
      readonly budget: Budget;
      /** What the standard has to say, and what is asked about beside it: gaps between pressures, slips of a unit. */
      readonly findings: readonly Finding[];
      /** Every whole reading, also those struck out, held against the line of its run. */
      readonly points: readonly TestPoint[];
    }
  | { readonly state: 'incomplete'; readonly needs: string; readonly field: TestField | null }
  | { readonly state: 'refused'; readonly refusal: FieldRefusal; readonly field: TestField | null };

export const DIRECTIONS = ['depressurise', 'pressurise'] as const satisfies readonly Direction[];

interface CountedRun {
  readonly direction: Direction;
  readonly readings: readonly TestReading[];
  readonly input: Run;
}

function hasFlow(reading: TestReading): boolean {
  return reading.flowM3h !== null || (reading.fanPressurePa !== null && reading.fanRange !== null);
}

function isWhole(reading: TestReading): boolean {
  return reading.pressurePa !== null && hasFlow(reading);
}

/** True where a reading is whole and nobody struck it out. */
export function counts(reading: TestReading): boolean {
  return reading.struckOut === null && isWhole(reading);
}

function coreReading(reading: TestReading, { fanRanges }: AirtightnessTestBody): Run['readings'][number] {
  const { pressurePa, flowM3h, fanPressurePa, fanRange } = reading;
  const range = fanRanges.find(({ name }) => name === fanRange);
  return flowM3h === null
    ? { pressurePa: pressurePa ?? NaN, fanPressurePa: fanPressurePa ?? NaN, range }
    : { pressurePa: pressurePa ?? NaN, flowM3h };
}

/** The runs of a test as core takes them, with the readings that count. */
export function countedRuns(test: AirtightnessTestBody): readonly CountedRun[] {
  return DIRECTIONS.flatMap((direction) => countedRun(direction, test[direction], test));
}

function countedRun(
  direction: Direction,
  run: TestRun | null,
  test: AirtightnessTestBody,
): readonly CountedRun[] {
  const readings = run?.readings.filter(counts) ?? [];
  if (run === null || readings.length === 0) return [];
  return [
    {
      direction,
      readings,
      input: {
        direction,
        baselineBeforePa: run.baselineBeforePa.map(({ pressurePa }) => pressurePa),
        baselineAfterPa: run.baselineAfterPa.map(({ pressurePa }) => pressurePa),
        readings: readings.map((reading) => coreReading(reading, test)),
      },
    },
  ];
}

const IN_RUN = /^runs\[(\d+)\]\.(\w+)(?:\[(\d+)\](?:\.(\w+))?)?/;

function locate(field: string, runs: readonly CountedRun[]): TestField | null {
  const [, run, member, reading, name] = IN_RUN.exec(field) ?? [];
  if (run === undefined || member === undefined) {
    const condition = field.startsWith('conditions.') ? field.slice('conditions.'.length) : null;
    return condition === null ? null : { direction: null, readingId: null, name: condition };
  }
  const inRun = runs[Number(run)];
  return {
    direction: inRun?.direction ?? null,
    readingId: member === 'readings' ? (inRun?.readings[Number(reading ?? NaN)]?.id ?? null) : null,
    name: name ?? member,
  };
}

function missing(test: AirtightnessTestBody, runs: readonly CountedRun[]): TestFigures | null {
  const incomplete = (needs: string, field: TestField | null): TestFigures => ({
    state: 'incomplete',
    needs,
    field,
  });
  const [first] = runs;
  if (first === undefined)
    return incomplete('Enter readings: building pressure and flow, five or more.', null);
  if (test.indoorTemperatureC === null || test.outdoorTemperatureC === null) {
    const name = test.indoorTemperatureC === null ? 'indoorTemperatureC' : 'outdoorTemperatureC';
    const place = test.indoorTemperatureC === null ? 'indoors' : 'outdoors';
    return incomplete(`Enter the temperature ${place}.`, { direction: null, readingId: null, name });
  }
  for (const { direction, input, readings } of runs) {
    for (const name of ['baselineBeforePa', 'baselineAfterPa'] as const) {
      if (input[name].length === 0) {
        const when = name === 'baselineBeforePa' ? 'before' : 'after';
        return incomplete(`Enter the baseline ${when} the readings, with the fan off.`, {
          direction,
          readingId: null,
          name,
        });
      }
    }
    if (readings.length < 3) {
      const more = 3 - readings.length;
      return incomplete(
        `${more} more ${more === 1 ? 'reading' : 'readings'} and there is a fit; five make it valid.`,
        {
          direction,
          readingId: null,
          name: 'readings',
        },
      );
    }
  }
  return null;
}

function conditionsOf(test: AirtightnessTestBody): Conditions {
  return {
    indoorTemperatureC: test.indoorTemperatureC ?? NaN,
    outdoorTemperatureC: test.outdoorTemperatureC ?? NaN,
    altitudeM: test.altitudeM ?? undefined,
    pressurePa: test.airPressurePa ?? undefined,
    windMs: test.windMs ?? undefined,
  };
}

function reduced(reading: TestReading, fit: RunResult, test: AirtightnessTestBody): ReducedReading | null {
  const baselinePa = (fit.baselineBeforeMeanPa + fit.baselineAfterMeanPa) / 2;
  try {
    return reduceReading(
      coreReading(reading, test),
      baselinePa,
      fit.direction,
      airOnBothSides(conditionsOf(test)),
    );
  } catch (error) {
    // A reading that was struck out may be impossible; it then has no place on the picture.
    if (error instanceof Refusal) return null;
    throw error;
  }
}

function pointsOf(fit: MultiPointResult, test: AirtightnessTestBody): readonly TestPoint[] {
  return fit.runs.flatMap((run) => {
    const readings = test[run.direction]?.readings ?? [];
    return readings.filter(isWhole).flatMap((reading): TestPoint[] => {
      const point = reduced(reading, run, test);
      if (point === null) return [];
      const onTheLine = run.coefficientM3hPaN * Math.abs(point.inducedPressurePa) ** run.exponent;
      return [
        {
          readingId: reading.id,
          direction: run.direction,
          inducedPressurePa: point.inducedPressurePa,
          envelopeFlowM3h: point.envelopeFlowM3h,
          offTheLine: point.envelopeFlowM3h / onTheLine - 1,
          isStruckOut: reading.struckOut !== null,
        },
      ];
    });
  });
}

/** The sizes of a house that airtightness figures are related to; null where not all are known. */
function buildingOf({ volumeM3, envelopeAreaM2, floorAreaM2, heightM }: HouseBody): Building | null {
  return volumeM3 === null || envelopeAreaM2 === null || floorAreaM2 === null || heightM === null
    ? null
    : { volumeM3, envelopeAreaM2, floorAreaM2, heightM };
}

/** A fit held against the target of its house; where two directions disagree, its upper bound knows of it. */
export function budgetInput(
  { target }: HouseBody,
  building: Building,
  { result, runs }: MultiPointResult,
): BudgetInput {
  return {
    target,
    building,
    q50M3h: result.q50M3h,
    q50High95M3h: result.q50M3h * relativeInterval(runs, 50).high,
  };
}

/**
 * The figures of a test against its house's target: the one way from a record to core, for app, server and report.
 * Readings that are struck out or not yet whole do not count.
 */
export function testFigures(house: HouseBody, test: AirtightnessTestBody): TestFigures {
  const runs = countedRuns(test);
  const incomplete = missing(test, runs);
  if (incomplete !== null) return incomplete;
  const building = buildingOf(house);
  if (building === null)
    return { state: 'incomplete', needs: 'Enter the sizes of the house, or draw it.', field: null };
  try {
    const input = {
      method: house.referenceMethod,
      building,
      conditions: conditionsOf(test),
      runs: runs.map((run) => run.input),
    };
    const fit = computeWith(multiPointOperation, input);
    const budget = computeWith(budgetOperation, budgetInput(house, building, fit));
    return {
      state: 'figures',
      building,
      fit,
      budget,
      findings: [...fit.findings, ...pressureGaps(fit.runs), ...doubtsOfRuns(input, fit.result)],
      points: pointsOf(fit, test),
    };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { state: 'refused', refusal: refusalFromCore(error), field: locate(error.field, runs) };
  }
}

/** The newest test by its day, then by when it was made; null where there is none. */
export function latestTest<T extends AirtightnessTestBody & { readonly id: string }>(
  tests: readonly T[],
): T | null {
  return tests.reduce<T | null>((latest, test) => {
    if (latest === null) return test;
    const later =
      test.performedOn === latest.performedOn ? test.id > latest.id : test.performedOn > latest.performedOn;
    return later ? test : latest;
  }, null);
}
