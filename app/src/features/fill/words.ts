import type { AreaBody } from '@calvet/contract/installation/area';
import type { InstallationGrade } from '@calvet/core/thermal/grade-adjustment';
import type { UnitSystem } from '@calvet/core/units/quantity';
import { decimals, figureWithUnit } from '../../ui/format';

/** What each grade of installation means on site. */
export const GRADE_WORDS: Readonly<Record<InstallationGrade, string>> = {
  I: 'fills every corner, next to no gaps',
  II: 'small gaps, up to 2 % void',
  III: 'clear gaps, up to 5 % void',
};

/** What the work was found to be, to begin a sentence with; “The work” where nobody judged it. */
export function judgementWords({ grade, voidFraction }: Pick<AreaBody, 'grade' | 'voidFraction'>): string {
  if (voidFraction !== null) return `${decimals(voidFraction * 100, 1)} % void`;
  return grade === null ? 'The work' : `Grade ${grade}`;
}

/** How large an area is, or that nobody has said so yet. */
export function sizeWords({ areaM2 }: Pick<AreaBody, 'areaM2'>, units: UnitSystem): string {
  return areaM2 === null ? 'no size yet' : figureWithUnit(areaM2, 'area', units);
}
