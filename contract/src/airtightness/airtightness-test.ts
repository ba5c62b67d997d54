import Joi from 'joi';
import type { FanRange } from '@calvet/core';
import { BASELINE_MAX, FAN_RANGES_MAX, READINGS_MAX } from '../limits';
import { body, date, filled, nullable, number, positive, text, uuid, type Stored } from '../record';

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

/** Schema of a pressure as the gauge shows it, fan on or off. */
export const housePressure = number().min(-PRESSURE_MAX_PA).max(PRESSURE_MAX_PA);

/** Schema of one reading; its members are also used cell by cell. */
export const testReading = body<TestReading>({
  id: uuid().required(),
  pressurePa: nullable(housePressure).required(),
  flowM3h: nullable(positive(1e6)).required(),
  fanPressurePa: nullable(positive(10_000)).required(),
  fanRange: nullable(text(60)).required(),
  struckOut: nullable(text(200).min(1)).required(),
});

const baselineReadings = Joi.array()
  .items(body<BaselineReading>({ id: uuid().required(), pressurePa: housePressure.required() }))
  .unique('id')
  .max(BASELINE_MAX);

const run = nullable(
  body<TestRun>({
    baselineBeforePa: baselineReadings.required(),
    baselineAfterPa: baselineReadings.required(),
    readings: Joi.array().items(testReading).unique('id').max(READINGS_MAX).required(),
  }),
).required();

/** Schema of a fan range; a range whose highest pressure is not above its lowest is refused. */
export const namedFanRange = body<NamedFanRange>({
  name: filled(60).required(),
  coefficient: positive(1e6).required(),
  exponent: positive(2).required(),
  minPa: number().min(0).max(10_000).required(),
  maxPa: number().greater(Joi.ref('minPa')).max(10_000).required(),
});

export const airtightnessTestBody = body<AirtightnessTestBody>({
  stage: Joi.valid(...TEST_STAGES).required(),
  performedOn: date().required(),
  indoorTemperatureC: nullable(number().min(-60).max(60)).required(),
  outdoorTemperatureC: nullable(number().min(-60).max(60)).required(),
  altitudeM: nullable(number().min(-500).max(6000)).required(),
  airPressurePa: nullable(number().min(45_000).max(115_000)).required(),
  windMs: nullable(number().min(0).max(60)).required(),
  fanRanges: Joi.array().items(namedFanRange).unique('name').max(FAN_RANGES_MAX).required(),
  depressurise: run,
  pressurise: run,
  note: text(2000).allow('').required(),
});
