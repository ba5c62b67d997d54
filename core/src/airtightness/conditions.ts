import { airState, type Air } from '../air/density';
import {
  as,
  airPressurePa,
  altitudeM,
  fields,
  option,
  optional,
  share,
  temperatureC,
  windMs,
} from '../schema';

/** Weather and air during a test. */
export interface Conditions {
  readonly indoorTemperatureC: number;
  readonly outdoorTemperatureC: number;
  readonly indoorRelativeHumidity?: number;
  readonly outdoorRelativeHumidity?: number;
  /** Barometric; goes before altitude. */
  readonly pressurePa?: number;
  readonly altitudeM?: number;
  readonly windMs?: number;
}

/** Which way the fan moves air: out of the house, or into it. */
export type Direction = 'depressurise' | 'pressurise';

export const direction = option('depressurise', 'pressurise');

/** Air on both sides of the envelope. */
export interface AirOnBothSides {
  readonly indoor: Air;
  readonly outdoor: Air;
  /** Density indoors over that outdoors. */
  readonly densityRatio: number;
}

/**
 * Air indoors and outdoors during a test, from what was measured of it.
 * @example airOnBothSides({ indoorTemperatureC: 20, outdoorTemperatureC: 0 }).densityRatio // 0.9288
 */
export function airOnBothSides(conditions: Conditions): AirOnBothSides {
  const { pressurePa, altitudeM: altitude } = conditions;
  const indoor = airState({
    temperatureC: conditions.indoorTemperatureC,
    relativeHumidity: conditions.indoorRelativeHumidity,
    pressurePa,
    altitudeM: altitude,
  });
  const outdoor = airState({
    temperatureC: conditions.outdoorTemperatureC,
    relativeHumidity: conditions.outdoorRelativeHumidity,
    pressurePa,
    altitudeM: altitude,
  });
  return { indoor, outdoor, densityRatio: indoor.densityKgM3 / outdoor.densityKgM3 };
}

export const conditions = fields<Conditions>({
  indoorTemperatureC: temperatureC(),
  outdoorTemperatureC: temperatureC(),
  indoorRelativeHumidity: optional(share()),
  outdoorRelativeHumidity: optional(share()),
  pressurePa: as('Barometric pressure', optional(airPressurePa())),
  altitudeM: optional(altitudeM()),
  windMs: optional(windMs()),
});
