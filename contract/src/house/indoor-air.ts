import { indoorYear } from '@calvet/core/moisture/indoor-year';
import type { ClimateMonth } from '@calvet/core/moisture/monthly';
import { weatherOf } from './climates';
import type { HeatTerms } from './heat-terms';
import { indoorRuleOf, USUAL_INDOOR } from './indoor-rule';

/**
 * The year of a house, outdoors by its weather and indoors by the rule that its rooms follow; null where nobody said which
 * weather it stands in. ISO 13788, annex A.
 */
export function yearOf(
  house: Pick<HeatTerms, 'climateId' | 'weather' | 'indoor'>,
): readonly ClimateMonth[] | null {
  const outdoor = weatherOf(house);
  if (outdoor === null) return null;
  const { cooledToC, cooledHumidity } = house.indoor ?? USUAL_INDOOR;
  return indoorYear({
    outdoor,
    ...indoorRuleOf(house),
    ...(cooledToC === null
      ? {}
      : { cooled: { temperatureC: cooledToC, relativeHumidity: cooledHumidity ?? 0.5 } }),
  }).months;
}
