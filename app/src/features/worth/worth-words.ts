import type { AreaWorth, HouseWorth } from '@calvet/contract/installation/house-worth';
import type { UnitSystem } from '@calvet/core/units/quantity';
import { figure, figureWithUnit } from '../../ui/format';

const isFailing = ({ planned, asBuilt, grade }: AreaWorth): boolean =>
  planned === 'fails' || asBuilt === 'fails' || grade === 'fails';

/** Why an area fails, with its figure against the limit. */
export function whyFails(
  { figures, greatestUValue, planned, asBuilt, grade, area }: AreaWorth,
  units: UnitSystem,
): string | null {
  const against = (uValue: number): string =>
    `${figure(uValue, 'transmittance', units)} against ${figure(greatestUValue ?? 0, 'transmittance', units)}`;
  if (planned === 'fails') return `${against(figures.framed.uValue)} as planned`;
  if (asBuilt === 'fails') return `${against(figures.built.uValue)} as built`;
  if (grade === 'fails') return area.grade === null ? 'more void than any grade' : `Grade ${area.grade}`;
  return null;
}

/** What is to be known first of a house: what fails, or that it meets what is asked, or what is still open. */
export function worthAnswer(worth: HouseWorth, hasTerms: boolean, units: UnitSystem): string {
  const failing = worth.areas.filter(isFailing);
  const [first] = failing;
  if (first !== undefined) {
    const more = failing.length === 1 ? '' : ` and ${failing.length - 1} more`;
    return `Fails: ${first.area.name}, ${whyFails(first, units) ?? ''}${more}`;
  }
  const { planned, built, house } = worth;
  if (house.planned === 'fails' && planned !== null)
    return `Fails: the house loses ${figureWithUnit(planned.transmissionWK, 'heatLoss', units)} as planned`;
  if (house.asBuilt === 'fails' && built !== null)
    return `Fails: the house loses ${figureWithUnit(built.transmissionWK, 'heatLoss', units)} as built`;
  if (!hasTerms) return 'Nothing is asked of its insulation yet';
  const open = worth.areas.filter(({ isKnown }) => !isKnown).length;
  if (open > 0)
    return `Planned it meets what is asked; ${open} ${open === 1 ? 'area' : 'areas'} still to grade`;
  return 'Meets what is asked, as built';
}
