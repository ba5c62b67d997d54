import type { ObjectSchema } from 'joi';
import { airtightnessTestBody } from './airtightness/airtightness-test';
import { houseBody } from './house/house';
import { areaBody } from './installation/area';
import type { Bodies, Kind } from './kinds';
import { photoBody, pictureName as describedPictureName } from './photos/photo';
import { pieces } from './schema-pieces';

/** Schema of each kind's body. */
export const bodySchemas: { readonly [K in Kind]: ObjectSchema<Bodies[K]> } = {
  house: houseBody(pieces),
  area: areaBody(pieces),
  airtightnessTest: airtightnessTestBody(pieces),
  photo: photoBody(pieces),
};

/** Schema of a picture's name. */
export const pictureName = describedPictureName(pieces);

const FIELDS = Object.fromEntries(
  Object.entries(bodySchemas).map(([kind, schema]) => [
    kind,
    Object.keys(schema.describe().keys as Record<string, unknown>),
  ]),
) as unknown as Readonly<Record<Kind, readonly string[]>>;

/** Names of the fields of a kind's body. */
export const fieldsOf = (kind: Kind): readonly string[] => FIELDS[kind];
