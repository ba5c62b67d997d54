import type { WeatherMonth } from './heat-terms';

/** No place has a month with a hotter mean, °C: what is hotter was given in another unit. */
const HOTTEST_MONTH_C = 40;

/** The months as they are where their figures were meant in °F; null where they may well be in °C. */
export function takenAsFahrenheit(weather: readonly WeatherMonth[]): readonly WeatherMonth[] | null {
  if (weather.every(({ temperatureC }) => temperatureC <= HOTTEST_MONTH_C)) return null;
  return weather.map((month) => ({ ...month, temperatureC: (month.temperatureC - 32) / 1.8 }));
}
