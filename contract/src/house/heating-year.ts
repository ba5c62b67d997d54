import { degreeDays } from '@calvet/core/climate/degree-days';
import { payback, type Payback } from '@calvet/core/thermal/payback';
import { climateOf, weatherOf } from './climates';
import type { HeatTerms } from './heat-terms';

/** Heating degree days of a year where a house stands, K·d; null where nobody said which weather it stands in. */
export function heatingDegreeDaysOf(
  house: Pick<HeatTerms, 'climateId' | 'weather' | 'dailySpreadK'>,
): number | null {
  const months = weatherOf(house);
  if (months === null) return null;
  const dailySpreadK = house.dailySpreadK ?? climateOf(house)?.dailySpreadK;
  return degreeDays({ temperaturesC: months.map(({ temperatureC }) => temperatureC), dailySpreadK })
    .heatingKd;
}

/**
 * Energy that a heater takes for a heat loss over a year, kWh: ΔUA·24·HDD/1000/efficiency; null where climate or efficiency is
 * not known.
 */
export function heaterKwh(
  house: Pick<HeatTerms, 'climateId' | 'weather' | 'dailySpreadK' | 'heaterEfficiency'>,
  lossWK: number,
): number | null {
  const days = heatingDegreeDaysOf(house);
  if (days === null || house.heaterEfficiency === null) return null;
  return (lossWK * 24 * days) / 1000 / house.heaterEfficiency;
}

/**
 * When a saving of heat has paid for what it costs; null where climate, heater or price are not known.
 * @param avoidedCost of a heater that may be smaller for it
 */
export function paybackOf(
  house: Pick<HeatTerms, 'climateId' | 'weather' | 'dailySpreadK' | 'heaterEfficiency' | 'energyPrice'>,
  savedWK: number,
  extraCost: number,
  avoidedCost = 0,
): Payback | null {
  const savedKwhPerYear = heaterKwh(house, savedWK);
  if (savedKwhPerYear === null || house.energyPrice === null) return null;
  return payback({ extraCost, avoidedCost, savedKwhPerYear, pricePerKwh: house.energyPrice });
}
