import type { Operation } from '../operation';
import { fields, figure, number, optional, outcome, temperatureC } from '../schema';
import { Refusal } from '../refusal';
import { saturationPressurePa, temperatureAtSaturationC } from './saturation';

export interface DewPointInput {
  readonly temperatureC?: number;
  /** Above 0, up to 1. */
  readonly relativeHumidity?: number;
  /** Instead of temperature and humidity; above 0, up to 20 000 Pa. */
  readonly vapourPressurePa?: number;
}

export interface DewPoint {
  readonly vapourPressurePa: number;
  readonly dewPointC: number;
}

function vapourPressureOf(input: DewPointInput): number {
  const { temperatureC: temperature, relativeHumidity, vapourPressurePa } = input;
  if (vapourPressurePa !== undefined) {
    if (relativeHumidity !== undefined) {
      throw new Refusal(
        'conflict',
        'vapourPressurePa',
        'Give either the relative humidity or the vapour pressure.',
      );
    }
    return vapourPressurePa;
  }
  if (temperature === undefined) {
    throw new Refusal(
      'required',
      'temperatureC',
      'Give temperature and relative humidity, or the vapour pressure.',
    );
  }
  if (relativeHumidity === undefined) {
    throw new Refusal('required', 'relativeHumidity', 'Give the relative humidity beside the temperature.');
  }
  return relativeHumidity * saturationPressurePa(temperature);
}

/**
 * Vapour pressure (Pa) and dew point (°C) of air. ISO 13788, annex E.
 * @example dewPoint({ temperatureC: 20, relativeHumidity: 0.5 }).dewPointC // 9.27
 * @throws {Refusal} `required`, `conflict`
 */
export function dewPoint(input: DewPointInput): DewPoint {
  const vapourPressurePa = vapourPressureOf(input);
  return { vapourPressurePa, dewPointC: temperatureAtSaturationC(vapourPressurePa) };
}

export const dewPointInput = fields<DewPointInput>({
  temperatureC: optional(temperatureC()),
  relativeHumidity: optional(number({ quantity: 'share', above: 0, max: 1 })),
  vapourPressurePa: optional(number({ quantity: 'vapourPressure', above: 0, max: 20_000 })),
});

export const dewPointOperation: Operation<DewPointInput, DewPoint> = {
  words: {
    shelf: 'moisture',
    title: 'Dew point',
    tells: 'Temperature at which water begins to condense from air.',
    alsoCalled: 'relative humidity, RH, condensation, mould, mold, dampness',
    mainFigures: ['dewPointC', 'vapourPressurePa'],
  },
  schema: dewPointInput,
  run: dewPoint,
  output: outcome<DewPoint>({
    vapourPressurePa: figure('vapourPressure'),
    dewPointC: figure('temperature'),
  }),
};
