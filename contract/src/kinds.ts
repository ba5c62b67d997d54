import type { AirtightnessTestBody } from './airtightness/airtightness-test';
import type { HouseBody } from './house/house';
import type { AreaBody } from './installation/area';
import type { PhotoBody } from './photos/photo';
import type { Stored } from './record';

/** The body of each kind of record. A new kind is one line here, one below, its schema in `schemas.ts` and one table on the server. */
export interface Bodies {
  house: HouseBody;
  area: AreaBody;
  airtightnessTest: AirtightnessTestBody;
  photo: PhotoBody;
}

export type Kind = keyof Bodies;

/** A whole record with its kind. */
export type KindedRecord = {
  readonly [K in Kind]: { readonly kind: K; readonly record: Stored<Bodies[K]> };
}[Kind];

const ALL: Readonly<Record<Kind, true>> = { house: true, area: true, airtightnessTest: true, photo: true };

export const KINDS = Object.keys(ALL) as readonly Kind[];

export function isKind(value: unknown): value is Kind {
  return typeof value === 'string' && Object.hasOwn(ALL, value);
}
