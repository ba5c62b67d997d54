import { effectiveHoleM2 } from '@calvet/core/airtightness/figures';
import { infiltration, type Storeys } from '@calvet/core/ventilation/infiltration';
import { designAirOf } from '../house/design-air';
import type { House, HouseBody } from '../house/house';
import type { AirtightnessTest } from './airtightness-test';
import { latestTest, testFigures } from './test-figures';

/** Wind of a cold day, where no climate says another, and a site among other houses: our own. */
const WIND_MS = 3;
const SHELTER_CLASS = 3;
/** Exponent of a house that nobody measured yet. */
const USUAL_EXPONENT = 0.65;

/** Flow at 50 Pa that a house is allowed, m³/h; null where a size is missing. */
function allowedQ50({ target, volumeM3, envelopeAreaM2, floorAreaM2 }: HouseBody): number | null {
  const size = { n50: volumeM3, qE50: envelopeAreaM2, qF50: floorAreaM2 }[target.quantity];
  return size === null ? null : target.limit * size;
}

/**
 * Air that comes into a house by itself on its coldest day, m³/h: as it is allowed to leak, and as it was measured last.
 * `ventilation.infiltration` of core; null where nothing was measured.
 */
export function houseInfiltration(
  house: House,
  tests: readonly AirtightnessTest[],
  windMs: number = WIND_MS,
): { readonly planned: number; readonly built: number | null } {
  const { indoorC, outdoorC } = designAirOf(house);
  const storeys = Math.min(3, Math.max(1, house.storeys ?? 2)) as Storeys;
  const through = (ela4M2: number): number =>
    infiltration({
      ela4M2,
      indoorTemperatureC: indoorC,
      outdoorTemperatureC: outdoorC,
      windMs,
      storeys,
      shelterClass: SHELTER_CLASS,
    }).flowM3h;
  const q50 = allowedQ50(house);
  const latest = latestTest(tests);
  const measured = latest === null ? null : testFigures(house, latest);
  return {
    planned: q50 === null ? 0 : through(effectiveHoleM2(q50 * (4 / 50) ** USUAL_EXPONENT, 4)),
    built: measured?.state === 'figures' ? through(measured.fit.result.ela4M2) : null,
  };
}
