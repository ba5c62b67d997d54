import { indoorYear } from '@calvet/core/moisture/indoor-year';
import type { ClimateMonth } from '@calvet/core/moisture/monthly';
import { weatherOf } from './climates';
import { USUAL_INDOOR } from './design-air';
import type { HeatTerms } from './heat-terms';

/**
 * The year of a house, outdoors by its weather and indoors by the rule that its rooms follow; null where nobody said which
 * weather it stands in. ISO 13788, annex A.
 */
export function yearOf(
  house: Pick<HeatTerms, 'climateId' | 'weather' | 'indoor'>,
): readonly ClimateMonth[] | null {
  const outdoor = weatherOf(house);
  if (outdoor === null) return null;
  const indoor = house.indoor ?? USUAL_INDOOR;
  const { cooledToC, cooledHumidity } = indoor;
  return indoorYear({
    outdoor,
    rule: indoor.rule,
    indoorTemperatureC: indoor.temperatureC ?? undefined,
    relativeHumidity: indoor.relativeHumidity ?? 0.4,
    humidityClass: (indoor.humidityClass ?? 3) as 1 | 2 | 3 | 4 | 5,
    occupancy: indoor.occupancy ?? undefined,
    ...(cooledToC === null
      ? {}
      : { cooled: { temperatureC: cooledToC, relativeHumidity: cooledHumidity ?? 0.5 } }),
  }).months;
}
