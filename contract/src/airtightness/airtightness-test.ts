import type { FanRange } from '@calvet/core';
import { airPressurePa, altitudeM, misfit, number, temperatureC, windMs } from '@calvet/core/schema';
import { BASELINE_MAX, FAN_RANGES_MAX, READINGS_MAX } from '../limits';
import type { Stored } from '../record';
import type { Described, SchemaPieces } from '../schema-pieces';

/** How far the house had come when it was tested. */
export const TEST_STAGES = ['bareBarrier', 'openingsIn', 'servicesIn', 'finished'] as const;
export type TestStage = (typeof TEST_STAGES)[number];

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

/** Bounds of the figures of a reading; a building pressure is as the gauge shows it, fan on or off. */
export const READING_BOUNDS = {
  pressurePa: number({ min: -PRESSURE_MAX_PA, max: PRESSURE_MAX_PA }),
  flowM3h: number({ above: 0, max: 1e6 }),
  fanPressurePa: number({ above: 0, max: 10_000 }),
} as const;

/** Bounds of the conditions of a test. */
export const CONDITION_BOUNDS = {
  indoorTemperatureC: temperatureC(),
  outdoorTemperatureC: temperatureC(),
  altitudeM: altitudeM(),
  airPressurePa: airPressurePa(),
  windMs: windMs(),
} as const;

/** Bounds of the figures of a fan range, whose highest pressure is above its lowest. */
export const FAN_RANGE_BOUNDS = {
  coefficient: number({ above: 0, max: 1e6 }),
  exponent: number({ above: 0, max: 2 }),
  minPa: number({ min: 0, max: 10_000 }),
  maxPa: number({ max: 10_000 }),
} as const;

const RANGE_NAME_MAX = 60;

/** A fan range while it is entered. */
export type FanRangeDraft = { readonly name: string } & { readonly [K in keyof FanRange]: number | null };

/** True for a fan range that a record takes. */
export function isFanRange(range: FanRangeDraft): range is NamedFanRange {
  const figures = Object.keys(FAN_RANGE_BOUNDS) as (keyof typeof FAN_RANGE_BOUNDS)[];
  return (
    range.name.trim() !== '' &&
    range.name.length <= RANGE_NAME_MAX &&
    figures.every((name) => misfit(FAN_RANGE_BOUNDS[name], range[name]) === null) &&
    Number(range.maxPa) > Number(range.minPa)
  );
}

/** Schema of a fan range. */
export const namedFanRange: Described<NamedFanRange> = ({ Joi, body, filled, number: within }) =>
  body<NamedFanRange>({
    name: filled(RANGE_NAME_MAX).required(),
    coefficient: within(FAN_RANGE_BOUNDS.coefficient).required(),
    exponent: within(FAN_RANGE_BOUNDS.exponent).required(),
    minPa: within(FAN_RANGE_BOUNDS.minPa).required(),
    maxPa: within(FAN_RANGE_BOUNDS.maxPa).greater(Joi.ref('minPa')).required(),
  });

function run({ Joi, body, number: within, nullable, text, uuid }: SchemaPieces) {
  const id = uuid().required();
  const baseline = Joi.array()
    .items(body<BaselineReading>({ id, pressurePa: within(READING_BOUNDS.pressurePa).required() }))
    .unique('id')
    .max(BASELINE_MAX)
    .required();
  const reading = body<TestReading>({
    id,
    pressurePa: nullable(within(READING_BOUNDS.pressurePa)).required(),
    flowM3h: nullable(within(READING_BOUNDS.flowM3h)).required(),
    fanPressurePa: nullable(within(READING_BOUNDS.fanPressurePa)).required(),
    fanRange: nullable(text(RANGE_NAME_MAX)).required(),
    struckOut: nullable(text(200).min(1)).required(),
  });
  const readings = Joi.array().items(reading).unique('id').max(READINGS_MAX).required();
  return nullable(body<TestRun>({ baselineBeforePa: baseline, baselineAfterPa: baseline, readings }));
}

export const airtightnessTestBody: Described<AirtightnessTestBody> = (pieces) => {
  const { Joi, body, date, number: within, nullable, text } = pieces;
  const condition = (name: keyof typeof CONDITION_BOUNDS) =>
    nullable(within(CONDITION_BOUNDS[name])).required();
  return body<AirtightnessTestBody>({
    stage: Joi.valid(...TEST_STAGES).required(),
    performedOn: date().required(),
    indoorTemperatureC: condition('indoorTemperatureC'),
    outdoorTemperatureC: condition('outdoorTemperatureC'),
    altitudeM: condition('altitudeM'),
    airPressurePa: condition('airPressurePa'),
    windMs: condition('windMs'),
    fanRanges: Joi.array().items(namedFanRange(pieces)).unique('name').max(FAN_RANGES_MAX).required(),
    depressurise: run(pieces).required(),
    pressurise: run(pieces).required(),
    note: text(2000).allow('').required(),
  });
};
