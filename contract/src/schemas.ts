import { isDay } from '@calvet/core/day';
import Joi from 'joi';
import type { AnyField, AnyFields } from './kind/field';
import { byKind, isShownKind, KINDS, kindNamed, type Bodies, type Kind } from './kinds';
import { ITEM_SUBJECT } from './photos/photo';

const SHA256 = /^[0-9a-f]{64}$/;
const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;
/** Something that can be seen: blanks and what has no width are no name. */
const VISIBLE = /[\p{L}\p{N}\p{P}\p{S}]/u;
/** What steers a machine and says nothing to a person, but for ends of lines and tabs. */
const STEERING = /[\0-\x08\v\f\x0E-\x1F\x7F]/;
const TIME_MAX = 30;

/** Schema of the id of a record. */
export const uuid = () => Joi.string().lowercase().pattern(UUID, 'uuid');

/** Schema of a picture's name. */
export const pictureName = Joi.string().pattern(SHA256, 'sha256');

function figureSchema({ bounds, above: other }: Extract<AnyField, { readonly type: 'figure' }>): Joi.Schema {
  const { min, max, above, below, whole } = bounds;
  let schema = Joi.number().unsafe();
  if (whole === true) schema = schema.integer();
  if (above !== undefined) schema = schema.greater(above);
  if (other !== undefined) schema = schema.greater(Joi.ref(other));
  if (below !== undefined) schema = schema.less(below);
  if (min !== undefined) schema = schema.min(min);
  if (max !== undefined) schema = schema.max(max);
  return schema;
}

function textSchema({ max, isFilled, mayBeEmpty }: Extract<AnyField, { readonly type: 'text' }>): Joi.Schema {
  const schema = Joi.string().max(max).pattern(STEERING, { name: 'plain', invert: true });
  const checked = isFilled ? schema.pattern(VISIBLE, 'filled') : schema;
  return mayBeEmpty ? checked.allow('') : checked;
}

function membersOf(fields: AnyFields): Record<string, Joi.Schema> {
  return Object.fromEntries(
    Object.entries(fields).map(([name, field]) => [name, valueSchema(field).required()]),
  );
}

/** One of several shapes by its `kind`; what is none of the others is held against the last. */
function shapeSchema(shapes: Readonly<Record<string, AnyFields>>): Joi.Schema {
  const all = Object.entries(shapes).map(([kind, fields]) => ({
    is: kind,
    then: Joi.object({ kind: Joi.valid(kind).required(), ...membersOf(fields) }),
  }));
  const last = all.at(-1)?.then;
  return Joi.alternatives().conditional('.kind', { switch: all.slice(0, -1), otherwise: last });
}

function presentSchema(field: AnyField): Joi.Schema {
  switch (field.type) {
    case 'figure':
      return figureSchema(field);
    case 'text':
      return textSchema(field);
    case 'day':
      return Joi.string().custom((value: string, { error }) => (isDay(value) ? value : error('day')));
    case 'time':
      return Joi.string()
        .isoDate()
        .max(TIME_MAX)
        .custom((value: string, { error }) => (isDay(value.slice(0, 10)) ? value : error('day')));
    case 'id':
      return uuid();
    case 'sha256':
      return pictureName;
    case 'flag':
      return Joi.boolean().strict();
    case 'option':
      return Joi.valid(...Object.keys(field.words));
    case 'subject':
      return Joi.object({ kind: Joi.valid(...SUBJECT_KINDS).required(), id: uuid().required() });
    case 'group':
      return Joi.object(membersOf(field.members));
    case 'shape':
      return shapeSchema(field.shapes);
    case 'list': {
      const entries = Joi.array().items(valueSchema(field.item)).min(field.least).max(field.most);
      return field.key === null ? entries : entries.unique(field.key);
    }
  }
}

/** What a photo may show: records of some kinds, and items of a drawing, of which there need be none. */
const SUBJECT_KINDS: readonly string[] = [...KINDS.filter(isShownKind), ITEM_SUBJECT];

/** Schema of what a field holds. */
export function valueSchema(field: AnyField): Joi.Schema {
  const schema = presentSchema(field);
  return field.nullable === true ? schema.allow(null) : schema;
}

/** Schema of each kind's body. */
export const bodySchemas = byKind((kind) => Joi.object(membersOf(kindNamed(kind).fields))) as {
  readonly [K in Kind]: Joi.ObjectSchema<Bodies[K]>;
};
