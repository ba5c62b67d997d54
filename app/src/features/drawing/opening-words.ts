import { OPENING_WORDS, type Opening } from '@calvet/contract/plan/opening';
import type { UnitSystem } from '@calvet/core/units/quantity';
import { figureWithUnit } from '../../ui/format';

/** What an opening is called: its name, or what it is; with how many there are alike. */
export function openingName({ name, use, count }: Opening): string {
  const one = name ?? OPENING_WORDS[use];
  return count > 1 ? `${count} × ${one}` : one;
}

/** How large an opening is: by width and height, or all of its kind together. */
export function openingSize({ widthM, heightM, totalM2 }: Opening, units: UnitSystem): string {
  return totalM2 === null
    ? `${figureWithUnit(widthM ?? 0, 'length', units)} × ${figureWithUnit(heightM ?? 0, 'length', units)}`
    : figureWithUnit(totalM2, 'area', units);
}
