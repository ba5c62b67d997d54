import type { Operation } from '../operation';
import {
  airPressurePa,
  altitudeM,
  as,
  fields,
  figure,
  optional,
  outcome,
  share,
  temperatureC,
} from '../schema';
import { saturationPressurePa } from './saturation';

const GAS_CONSTANT_DRY_AIR = 287.055;
const KELVIN = 273.15;
const STANDARD_PRESSURE_PA = 101_325;

/** Default relative humidity where nobody measured it. */
export const DEFAULT_RELATIVE_HUMIDITY = 0.5;

export interface AirInput {
  readonly temperatureC: number;
  /** 0–1; one half where left out. */
  readonly relativeHumidity?: number;
  /** Measured barometric pressure; goes before altitude. */
  readonly pressurePa?: number;
  readonly altitudeM?: number;
}

export interface Air {
  readonly pressurePa: number;
  readonly saturationPressurePa: number;
  readonly vapourPressurePa: number;
  readonly densityKgM3: number;
  readonly viscosityPaS: number;
}

/**
 * Air pressure of the standard atmosphere at an altitude, Pa.
 * @example pressureAtAltitudePa(1000) // 89875
 */
export function pressureAtAltitudePa(altitude: number): number {
  if (altitude === 0) return STANDARD_PRESSURE_PA;
  return STANDARD_PRESSURE_PA * (1 - 2.25577e-5 * altitude) ** 5.25588;
}

/**
 * Dynamic viscosity of air (Sutherland's formula), Pa·s. ASTM E779, annex.
 * @example viscosityPaS(20) * 1e6 // 18.13
 */
export function viscosityPaS(temperature: number): number {
  const kelvin = temperature + KELVIN;
  return (1.458e-6 * kelvin * Math.sqrt(kelvin)) / (kelvin + 110.4);
}

/**
 * Pressure, humidity, density (kg/m³) and viscosity (Pa·s) of moist air.
 * ISO 9972, annex; density from the gas law with the vapour's share taken off.
 * @example airState({ temperatureC: 20, relativeHumidity: 0, pressurePa: 101325 }).densityKgM3 // 1.2041
 */
export function airState(input: AirInput): Air {
  const {
    temperatureC: temperature,
    relativeHumidity = DEFAULT_RELATIVE_HUMIDITY,
    altitudeM: altitude = 0,
  } = input;
  const pressurePa = input.pressurePa ?? pressureAtAltitudePa(altitude);
  const saturation = saturationPressurePa(temperature);
  const vapourPressurePa = relativeHumidity * saturation;
  return {
    pressurePa,
    saturationPressurePa: saturation,
    vapourPressurePa,
    densityKgM3: (pressurePa - 0.378 * vapourPressurePa) / (GAS_CONSTANT_DRY_AIR * (temperature + KELVIN)),
    viscosityPaS: viscosityPaS(temperature),
  };
}

/** Reference air of the airtightness standards: 20 °C, 101 325 Pa, dry. */
export const REFERENCE_AIR: Air = airState({
  temperatureC: 20,
  relativeHumidity: 0,
  pressurePa: STANDARD_PRESSURE_PA,
});

export const airInput = fields<AirInput>({
  temperatureC: temperatureC(),
  relativeHumidity: optional(share()),
  pressurePa: as('Barometric pressure', optional(airPressurePa())),
  altitudeM: optional(altitudeM()),
});

export const airStateOperation: Operation<AirInput, Air> = {
  words: {
    shelf: 'moisture',
    title: 'Air density',
    tells: 'Density, viscosity and vapour of air at a temperature, humidity and height.',
    alsoCalled: 'altitude, barometric pressure, viscosity, humidity',
    mainFigures: ['densityKgM3', 'pressurePa', 'vapourPressurePa'],
  },
  schema: airInput,
  run: airState,
  output: outcome<Air>({
    pressurePa: as('Barometric pressure', figure('airPressure')),
    saturationPressurePa: figure('vapourPressure'),
    vapourPressurePa: figure('vapourPressure'),
    densityKgM3: figure('density'),
    viscosityPaS: as('Viscosity, Pa·s', figure('plain')),
  }),
};
