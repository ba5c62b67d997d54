import type { IndoorYearInput } from '@calvet/core/moisture/indoor-year';
import type { HeatTerms, IndoorTerms } from './heat-terms';

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

/** The rule that the rooms of a house follow, as `moisture.indoorYear` takes it, without its cooling. */
export function indoorRuleOf({
  indoor,
}: Pick<HeatTerms, 'indoor'>): Omit<IndoorYearInput, 'outdoor' | 'cooled'> {
  const { rule, temperatureC, relativeHumidity, humidityClass, occupancy } = indoor ?? USUAL_INDOOR;
  return {
    rule,
    indoorTemperatureC: temperatureC ?? undefined,
    relativeHumidity: relativeHumidity ?? 0.4,
    humidityClass: (humidityClass ?? 3) as 1 | 2 | 3 | 4 | 5,
    occupancy: occupancy ?? undefined,
  };
}
