import { indoorYear } from '@calvet/core/moisture/indoor-year';
import type { DesignAir } from '../installation/section';
import type { HeatTerms } from './heat-terms';
import { indoorRuleOf } from './indoor-rule';

/** Where nobody said how cold it gets, °C: our own, so that a picture can be drawn. */
export const ASSUMED_WINTER_C = -10;
/** Humidity outdoors on a cold day. */
const WINTER_HUMIDITY = 0.8;
/** Air on both sides of the envelope on the coldest day that a house is built for, by the rule that its rooms follow. */
export function designAirOf(house: Pick<HeatTerms, 'indoor' | 'winterDesignC'>): DesignAir {
  const outdoorC = house.winterDesignC ?? ASSUMED_WINTER_C;
  const { months } = indoorYear({
    outdoor: Array.from({ length: 12 }, () => ({
      temperatureC: outdoorC,
      relativeHumidity: WINTER_HUMIDITY,
    })),
    ...indoorRuleOf(house),
  });
  const [winter] = months;
  if (winter === undefined) throw new Error('A year has months.');
  return {
    indoorC: winter.indoorTemperatureC,
    indoorHumidity: winter.indoorRelativeHumidity,
    outdoorC: winter.outdoorTemperatureC,
  };
}
