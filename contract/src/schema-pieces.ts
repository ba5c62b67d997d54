import type { NumberSchema } from '@calvet/core/schema';
import Joi from 'joi';

/** Schema of an object that has a member for every field of T and no other. */
function body<T>(members: { readonly [K in keyof Required<T>]: Joi.Schema }): Joi.ObjectSchema<T> {
  return Joi.object<T>(members);
}

/** A number within the bounds that also hold in the field where it is typed. */
function number({ min, max, above, below, whole }: Omit<NumberSchema, 'kind'> = {}): Joi.NumberSchema {
  let schema = Joi.number().unsafe();
  if (whole === true) schema = schema.integer();
  if (above !== undefined) schema = schema.greater(above);
  if (below !== undefined) schema = schema.less(below);
  if (min !== undefined) schema = schema.min(min);
  if (max !== undefined) schema = schema.max(max);
  return schema;
}

const uuid = () => Joi.string().guid({ separator: '-' }).lowercase();
const text = (max: number) => Joi.string().max(max);
/** A text with something in it beside blanks. */
const filled = (max: number) => text(max).pattern(/\S/, 'filled');
const date = () => Joi.string().pattern(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'date');
const nullable = <T extends Joi.Schema>(schema: T): T => schema.allow(null) as T;

/**
 * What schemas of records are put together from. They are handed to what describes a schema, so that a screen which shows
 * records need not load what checks them.
 */
export const pieces = { Joi, body, number, uuid, text, filled, date, nullable };

export type SchemaPieces = typeof pieces;

/** Describes the schema of T. */
export type Described<T> = (pieces: SchemaPieces) => Joi.ObjectSchema<T>;
