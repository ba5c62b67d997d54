import Joi from 'joi';

/** What every record carries beside its own fields. */
export interface RecordBase {
  /** UUIDv7, made by whoever creates the record. */
  readonly id: string;
  readonly houseId: string;
  /** 1 when created; one more with each accepted change. */
  readonly revision: number;
  /** ISO 8601, UTC. */
  readonly updatedAt: string;
  readonly updatedBy: string;
  readonly deletedAt: string | null;
}

/** A whole record: its own fields and what every record carries. */
export type Stored<Body> = Body & RecordBase;

/** The fields that a record has for itself, without those that every record carries. */
export function ownFields(record: RecordBase): Readonly<Record<string, unknown>> {
  const { id, houseId, revision, updatedAt, updatedBy, deletedAt, ...own } = record;
  return own;
}

/** Schema of an object that has a member for every field of T and no other. */
export function body<T>(members: { readonly [K in keyof Required<T>]: Joi.Schema }): Joi.ObjectSchema<T> {
  return Joi.object<T>(members);
}

export const uuid = () => Joi.string().guid({ separator: '-' }).lowercase();
export const number = () => Joi.number().unsafe();
export const positive = (max: number) => number().greater(0).max(max);
export const text = (max: number) => Joi.string().max(max);
/** A text with something in it beside blanks. */
export const filled = (max: number) => text(max).pattern(/\S/, 'filled');
export const date = () => Joi.string().pattern(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'date');
export const nullable = <T extends Joi.Schema>(schema: T): T => schema.allow(null) as T;
