import type { IndoorRule } from '@calvet/core/moisture/indoor-year';
import file from './climates.json';
import type { HeatTerms, WeatherMonth } from './heat-terms';

/** A climate to begin with: an invented place, one for each kind. */
export interface Climate {
  readonly id: string;
  readonly name: string;
  /** Of which kind it is, in words. */
  readonly kind: string;
  readonly months: readonly WeatherMonth[];
  readonly dailySpreadK: number;
  readonly winterDesignC: number;
  readonly windMs: number;
  readonly indoorRule: IndoorRule;
  readonly isCooledUsually: boolean;
}

export const CLIMATES: readonly Climate[] = file.climates.map((each) => ({
  id: each.id,
  name: each.name,
  kind: each.kind,
  months: each.temperaturesC.map((temperatureC, i) => ({
    temperatureC,
    relativeHumidity: each.relativeHumidities[i] ?? 0,
  })),
  dailySpreadK: each.dailySpreadK,
  winterDesignC: each.winterDesignC,
  windMs: each.windMs,
  indoorRule: each.indoorRule as IndoorRule,
  isCooledUsually: each.cooledUsually,
}));

/** The climate that a house stands in; undefined where nobody said. */
export const climateOf = ({ climateId }: Pick<HeatTerms, 'climateId'>): Climate | undefined =>
  CLIMATES.find(({ id }) => id === climateId);

/** The weather of a year where a house stands: its own, or its climate's; null where neither is known. */
export function weatherOf(house: Pick<HeatTerms, 'climateId' | 'weather'>): readonly WeatherMonth[] | null {
  if (house.weather.length === 12) return house.weather;
  return climateOf(house)?.months ?? null;
}
