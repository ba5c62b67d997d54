import Papa from 'papaparse';
import type { HouseBody } from '../house/house';
import type { AreaInHand } from './area';
import { areaFigures } from './area-figures';

const HEADER = [
  'area',
  'kind',
  'size_m2',
  'build_up',
  'r_with_framing_m2k_w',
  'r_as_built_m2k_w',
  'grade',
  'void_fraction',
  'drawn_as',
];

const rounded = (value: number): number => Math.round(value * 1000) / 1000;

/** The areas of a house as a file for a spreadsheet: SI figures, a dot as decimal mark; a figure that there is not is empty. */
export function writeAreasCsv(house: HouseBody, areas: readonly AreaInHand[]): string {
  const rows = areas.map((area) => {
    const figures = areaFigures(house, area);
    const worth =
      figures.state === 'figures'
        ? [rounded(figures.framed.effectiveRsi), rounded(figures.built.effectiveRsi)]
        : [null, null];
    const { name, kind, areaM2, buildUp, grade, voidFraction, item } = area;
    const sizeM2 = areaM2 === null ? null : rounded(areaM2);
    return [name, kind, sizeM2, buildUp.name, ...worth, grade, voidFraction, item];
  });
  // It is not read back: what begins like a formula is made text.
  return `${Papa.unparse({ fields: HEADER, data: rows }, { newline: '\n', escapeFormulae: true })}\n`;
}
