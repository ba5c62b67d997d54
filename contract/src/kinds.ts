import type { ObjectSchema } from 'joi';
import { airtightnessTestBody, type AirtightnessTestBody } from './airtightness/airtightness-test';
import { houseBody, type HouseBody } from './house/house';
import { areaBody, type AreaBody } from './installation/area';
import { photoBody, type PhotoBody } from './photos/photo';
import type { Stored } from './record';

/** The body of each kind of record. A new kind is one line here, one schema below and one table on the server. */
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

/** Schema of each kind's body. */
export const bodySchemas: { readonly [K in Kind]: ObjectSchema<Bodies[K]> } = {
  house: houseBody,
  area: areaBody,
  airtightnessTest: airtightnessTestBody,
  photo: photoBody,
};

export const KINDS = Object.keys(bodySchemas) as readonly Kind[];

export function isKind(value: unknown): value is Kind {
  return typeof value === 'string' && Object.hasOwn(bodySchemas, value);
}
