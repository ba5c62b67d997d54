import { FORMER_NAMES } from '@calvet/core/former-names';
import type { OperationWords, ShelfName } from '@calvet/core/operation';
import { operationNamed, operationNames, operations, type OperationName } from '@calvet/core/operations';

/** What an operation says of itself. */
export const wordsOf = (name: OperationName): OperationWords => operations[name].words;

const SHELF_TITLES: Readonly<Record<ShelfName, string>> = {
  insulation: 'Insulation',
  moisture: 'Moisture and air',
  ventilation: 'Ventilation',
  heat: 'R, U and heat',
  airtightness: 'Airtightness',
  house: 'House',
};

export interface Shelf {
  readonly title: string;
  readonly names: readonly OperationName[];
}

/** The order in which they are needed on a site. */
export const SHELVES: readonly Shelf[] = Object.entries(SHELF_TITLES).map(([shelf, title]) => ({
  title,
  names: operationNames.filter((name) => wordsOf(name).shelf === shelf),
}));

/** The last part of a page's address: `insulation.battCompression` → `insulation-batt-compression`. */
export function slugOf(name: string): string {
  return name.replace('.', '-').replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
}

const BY_SLUG = new Map(
  [...operationNames, ...Object.keys(FORMER_NAMES)].map((name) => [slugOf(name), operationNamed(name)]),
);

/** The operation that an address means, if any. */
export function nameOfSlug(slug: string): OperationName | null {
  return BY_SLUG.get(slug) ?? null;
}
