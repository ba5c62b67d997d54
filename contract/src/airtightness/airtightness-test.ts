import type { Direction } from '@calvet/core/airtightness/conditions';
import type { FanRange } from '@calvet/core/airtightness/reading';
import { airPressurePa, altitudeM, misfit, temperatureC, windMs } from '@calvet/core/schema';
import {
  day,
  figure,
  filled,
  formerly,
  group,
  id,
  list,
  mergedGroup,
  option,
  orNull,
  said,
  text,
} from '../kind/field';
import { kindOf } from '../kind/kind';
import { BASELINE_MAX, FAN_RANGES_MAX, READINGS_MAX } from '../limits';
import type { Stored } from '../record';
import { baselinesWithIds } from './former-run';

/** How far the house had come when it was tested, in words. */
export const STAGE_WORDS = {
  bareBarrier: 'Bare barrier',
  openingsIn: 'Openings in',
  servicesIn: 'Services in',
  finished: 'Finished',
} as const;
export type TestStage = keyof typeof STAGE_WORDS;
export const TEST_STAGES = Object.keys(STAGE_WORDS) as readonly TestStage[];

/** One line of the readings table. Figures not yet entered are null. */
export interface TestReading {
  readonly id: string;
  /** Building pressure as the gauge shows it, indoors minus outdoors. */
  readonly pressurePa: number | null;
  readonly flowM3h: number | null;
  /** Instead of the flow, with the name of the fan range used. */
  readonly fanPressurePa: number | null;
  readonly fanRange: string | null;
  /** Why the reading does not count; null while it does. It stays visible. */
  readonly struckOut: string | null;
}

/** A reading with the fan off. */
export interface BaselineReading {
  readonly id: string;
  readonly pressurePa: number;
}

/** Readings in one direction with the fan-off readings around them. */
export interface TestRun {
  readonly baselineBeforePa: readonly BaselineReading[];
  readonly baselineAfterPa: readonly BaselineReading[];
  readonly readings: readonly TestReading[];
}

export interface NamedFanRange extends FanRange {
  readonly name: string;
}

/** A blower-door test as it was read on site. */
export interface AirtightnessTestBody {
  readonly stage: TestStage;
  /** YYYY-MM-DD, the day on site. */
  readonly performedOn: string;
  readonly indoorTemperatureC: number | null;
  readonly outdoorTemperatureC: number | null;
  readonly altitudeM: number | null;
  /** Barometric; goes before altitude. */
  readonly airPressurePa: number | null;
  readonly windMs: number | null;
  readonly fanRanges: readonly NamedFanRange[];
  readonly depressurise: TestRun | null;
  readonly pressurise: TestRun | null;
  readonly note: string;
}

export type AirtightnessTest = Stored<AirtightnessTestBody>;

export const PRESSURE_MAX_PA = 500;

const RANGE_NAME_MAX = 60;
const shownPressure = figure('', 'housePressure', { min: -PRESSURE_MAX_PA, max: PRESSURE_MAX_PA });

/** A reading; its building pressure is as the gauge shows it, fan on or off. */
export const readingFields = group<TestReading>('Reading', {
  id: id(''),
  pressurePa: orNull(shownPressure),
  flowM3h: orNull(figure('', 'flow', { above: 0, max: 1e6 })),
  fanPressurePa: orNull(figure('fan', 'housePressure', { above: 0, max: 10_000 })),
  fanRange: said('', RANGE_NAME_MAX),
  struckOut: said('struck out:', 200),
});

export const baselineFields = group<BaselineReading>('Baseline reading', {
  id: id(''),
  pressurePa: shownPressure,
});

export const fanRangeFields = group<NamedFanRange>('Fan range', {
  name: filled('', RANGE_NAME_MAX),
  coefficient: figure('coefficient', 'plain', { above: 0, max: 1e6 }),
  exponent: figure('exponent', 'plain', { above: 0, max: 2 }),
  minPa: figure('from', 'housePressure', { min: 0, max: 10_000 }),
  maxPa: { ...figure('to', 'housePressure', { max: 10_000 }), above: 'minPa' },
});

/** A fan range while it is entered. */
export type FanRangeDraft = { readonly name: string } & { readonly [K in keyof FanRange]: number | null };

/** True for a fan range that a record takes. */
export function isFanRange(range: FanRangeDraft): range is NamedFanRange {
  const { name: _name, ...figures } = fanRangeFields.members;
  const valueOf = (name: string) => range[name as keyof FanRange];
  return (
    range.name.trim() !== '' &&
    range.name.length <= RANGE_NAME_MAX &&
    Object.entries(figures).every(
      ([name, { bounds, above }]) =>
        misfit(bounds, valueOf(name)) === null &&
        (above === undefined || Number(valueOf(name)) > Number(valueOf(above))),
    )
  );
}

function run(direction: Direction, doing: string) {
  const baseline = (when: string) =>
    list<BaselineReading>(`Baseline ${when}`, `Baseline ${when}, ${doing}`, baselineFields, {
      key: 'id',
      most: BASELINE_MAX,
    });
  return formerly(
    orNull(
      mergedGroup<TestRun>(`Readings, ${doing}`, {
        baselineBeforePa: baseline('before'),
        baselineAfterPa: baseline('after'),
        readings: list<TestReading>('Readings', `A reading, ${doing}`, readingFields, {
          key: 'id',
          most: READINGS_MAX,
        }),
      }),
    ),
    baselinesWithIds(direction),
  );
}

export const airtightnessTest = kindOf<AirtightnessTestBody>()({
  word: 'Door test',
  ledger: 'house',
  list: 'tests',
  title: ['stage', 'performedOn'],
  order: { latestBy: 'performedOn' },
  page: 'tests',
  isShown: true,
  fields: {
    stage: option('Stage', STAGE_WORDS),
    performedOn: day('Day'),
    indoorTemperatureC: orNull(figure('Indoor temperature', 'temperature', temperatureC())),
    outdoorTemperatureC: orNull(figure('Outdoor temperature', 'temperature', temperatureC())),
    altitudeM: orNull(figure('Altitude', 'altitude', altitudeM())),
    airPressurePa: orNull(figure('Barometric pressure', 'airPressure', airPressurePa())),
    windMs: orNull(figure('Wind', 'wind', windMs())),
    fanRanges: list<NamedFanRange>('Fan ranges', 'A fan range', fanRangeFields, {
      key: 'name',
      most: FAN_RANGES_MAX,
    }),
    depressurise: run('depressurise', 'depressurising'),
    pressurise: run('pressurise', 'pressurising'),
    note: text('Note', 2000),
  },
});
