import { indoorYear } from '@calvet/core/moisture/indoor-year';
import type { DesignAir } from '../installation/section';
import type { HeatTerms, IndoorTerms } from './heat-terms';

/** Where nobody said how cold it gets, °C: our own, so that a picture can be drawn. */
export const ASSUMED_WINTER_C = -10;
/** Humidity outdoors on a cold day. */
const WINTER_HUMIDITY = 0.8;
/** Where nobody said how the rooms are used. */
export const USUAL_INDOOR: IndoorTerms = {
  rule: 'outdoorTemperature',
  temperatureC: null,
  relativeHumidity: null,
  humidityClass: null,
  occupancy: null,
  cooledToC: null,
  cooledHumidity: null,
};

/** Air on both sides of the envelope on the coldest day that a house is built for, by the rule that its rooms follow. */
export function designAirOf({
  indoor,
  winterDesignC,
}: Pick<HeatTerms, 'indoor' | 'winterDesignC'>): DesignAir {
  const { rule, temperatureC, relativeHumidity, humidityClass, occupancy } = indoor ?? USUAL_INDOOR;
  const outdoorC = winterDesignC ?? ASSUMED_WINTER_C;
  const { months } = indoorYear({
    outdoor: Array.from({ length: 12 }, () => ({
      temperatureC: outdoorC,
      relativeHumidity: WINTER_HUMIDITY,
    })),
    rule,
    indoorTemperatureC: temperatureC ?? undefined,
    relativeHumidity: relativeHumidity ?? 0.4,
    humidityClass: (humidityClass ?? 3) as 1 | 2 | 3 | 4 | 5,
    occupancy: occupancy ?? undefined,
  });
  const [winter] = months;
  if (winter === undefined) throw new Error('A year has months.');
  return {
    indoorC: winter.indoorTemperatureC,
    indoorHumidity: winter.indoorRelativeHumidity,
    outdoorC: winter.outdoorTemperatureC,
  };
}
