import { isDay } from './day';
import { Refusal, type RefusalCode } from './refusal';
import type { Quantity } from './units/quantity';

/** What a schema says of itself to people. */
interface Worded {
  /** What it is called, where the name of its member does not say it well. */
  readonly label?: string;
}

/** In what a number is measured: a quantity, one of the twelve months counted from 0, or what another member of the same object says. */
export type Measure = Quantity | 'month' | MeasureByOther;

/** The quantity that each value of another member stands for. */
export interface MeasureByOther {
  readonly by: string;
  readonly of: Readonly<Record<string, Quantity>>;
}

/** A number; text, NaN and infinities are refused. */
export interface NumberSchema extends Worded {
  readonly kind: 'number';
  /** In whose SI unit it is. */
  readonly quantity?: Measure;
  readonly min?: number;
  readonly max?: number;
  readonly above?: number;
  readonly below?: number;
  readonly whole?: true;
}

/** One of the listed words or numbers. */
export interface OptionSchema extends Worded {
  readonly kind: 'option';
  readonly values: readonly (string | number)[];
  /** What people say for each, where the value itself does not say it well. */
  readonly words?: Readonly<Record<string, string>>;
}

export interface BooleanSchema extends Worded {
  readonly kind: 'boolean';
}

/** A word of free choice (a name, an id), or a day written YYYY-MM-DD. */
export interface TextSchema extends Worded {
  readonly kind: 'text';
  readonly format?: 'day';
  /** As what a day is refused that there is not; left out: as none. */
  readonly refusedAs?: RefusalCode;
}

/** An object with members of any name, each of one schema. */
export interface NamedSchema extends Worded {
  readonly kind: 'named';
  /** What one of its members is called, where the label does not say it well. */
  readonly one?: string;
  readonly most: number;
  readonly item: Schema;
}

export interface ListSchema extends Worded {
  readonly kind: 'list';
  /** What one of its entries is called, where the label does not say it well. */
  readonly one?: string;
  readonly item: Schema;
  readonly least: number;
  readonly most: number;
}

/** An object whose listed members each have a schema; members beyond them are ignored. */
export interface FieldsSchema extends Worded {
  readonly kind: 'fields';
  readonly members: readonly Member[];
}

export interface Member {
  readonly name: string;
  readonly schema: Schema;
  readonly optional: boolean;
}

/**
 * What an input must look like, as plain data: the one description serves the check at the door, which must
 * cost less than the computation behind it, and the forms that are made from it.
 */
export type Schema =
  NumberSchema | OptionSchema | BooleanSchema | TextSchema | ListSchema | NamedSchema | FieldsSchema;

/** A schema whose value may be left out or null. */
interface Optional {
  readonly optional: Schema;
}

/** A schema together with the type of what passes it. */
export interface InputSchema<T> extends FieldsSchema {
  readonly passes?: T;
}

export const number = (bounds: Omit<NumberSchema, 'kind'> = {}): NumberSchema => ({
  kind: 'number',
  ...bounds,
});
/** A number of a quantity, without bounds. */
export const figure = (quantity: Measure): NumberSchema => number({ quantity });
export const positive = (quantity: Measure): NumberSchema => number({ quantity, above: 0 });
export const nonNegative = (quantity: Measure): NumberSchema => number({ quantity, min: 0 });
/** Shares, fractions and relative humidities. */
export const share = (): NumberSchema => number({ quantity: 'share', min: 0, max: 1 });
export const temperatureC = (): NumberSchema => number({ quantity: 'temperature', min: -60, max: 60 });
export const altitudeM = (): NumberSchema => number({ quantity: 'altitude', min: -500, max: 6000 });
export const airPressurePa = (): NumberSchema =>
  number({ quantity: 'airPressure', min: 45_000, max: 115_000 });
export const windMs = (): NumberSchema => number({ quantity: 'wind', min: 0, max: 60 });
/** One of the words of a list, in its order. */
export const wordedOption = (words: Readonly<Record<string, string>>): OptionSchema => ({
  kind: 'option',
  values: Object.keys(words),
  words,
});
export const boolean = (): BooleanSchema => ({ kind: 'boolean' });
export const option = (...values: readonly (string | number)[]): OptionSchema => ({ kind: 'option', values });
export const text = (): TextSchema => ({ kind: 'text' });
export const day = (): TextSchema => ({ kind: 'text', format: 'day' });
/** A day of a calendar, of which those that there are not count as out of its range. */
export const calendarDay = (): TextSchema => ({ kind: 'text', format: 'day', refusedAs: 'out-of-range' });
export const named = (item: Schema, most: number): NamedSchema => ({ kind: 'named', item, most });
export const list = (item: Schema, least = 0, most = Infinity): ListSchema => ({
  kind: 'list',
  item,
  least,
  most,
});
export const optional = (schema: Schema): Optional => ({ optional: schema });

/**
 * The same schema with what it is called.
 * @param one what one of its entries is called
 */
export function as<S extends Schema | Optional>(label: string, schema: S, one?: string): S {
  const words = one === undefined ? { label } : { label, one };
  return 'optional' in schema
    ? { ...schema, optional: { ...schema.optional, ...words } }
    : { ...schema, ...words };
}

/** Each member that a type may leave out is optional in its schema, and no other. */
type Members<T> = {
  readonly [K in keyof Required<T>]: undefined extends T[K] ? Optional : Schema;
};

/** The schema of an object, member by member. */
export function fields<T>(members: Members<T>): InputSchema<T> {
  return {
    kind: 'fields',
    members: Object.entries<Schema | Optional>(members).map(([name, member]) =>
      'optional' in member
        ? { name, schema: member.optional, optional: true }
        : { name, schema: member, optional: false },
    ),
  };
}

/** Each member that may be null or missing in what is answered is optional in its schema, and no other. */
type OutcomeMembers<T> = {
  readonly [K in keyof Required<Omit<T, 'findings'>>]: null extends T[K]
    ? Optional
    : undefined extends T[K]
      ? Optional
      : Schema;
};

/** The schema of what an operation answers, in the order in which it is told. Findings stand apart. */
export const outcome = <T>(members: OutcomeMembers<T>): FieldsSchema =>
  part(members as Readonly<Record<string, Schema | Optional>>);

/** An object within what an operation answers. */
export const part = (members: Readonly<Record<string, Schema | Optional>>): FieldsSchema =>
  fields<Readonly<Record<string, unknown>>>(members as never);

/** What does not fit; the path is put together from the inside out. */
interface Fault {
  readonly code: RefusalCode;
  readonly message: string;
  readonly value: unknown;
  readonly bound: number | string | undefined;
  path: string;
}

/** Set while checking: nulls that stand for members left out. */
interface Notes {
  nulls: boolean;
}

const fault = (code: RefusalCode, message: string, value: unknown, bound?: number | string): Fault => ({
  code,
  message,
  value,
  bound,
  path: '',
});

/** Looks for the first fault in a value that is there. */
type Check = (value: unknown, notes: Notes) => Fault | null;

function numberCheck({ min, max, above, below, whole }: NumberSchema): Check {
  const [least, most] = [min ?? -Infinity, max ?? Infinity];
  const [over, under] = [above ?? -Infinity, below ?? Infinity];
  const mustBe = (words: string, value: unknown, bound?: number): Fault =>
    fault('out-of-range', `This must be ${words}.`, value, bound);
  return (value) => {
    if (typeof value !== 'number' || !Number.isFinite(value)) {
      return fault('not-a-number', 'This must be a number.', value);
    }
    if (value < least) return mustBe(`${min} or more`, value, min);
    if (value <= over) return mustBe(`above ${above}`, value, above);
    if (value > most) return mustBe(`${max} or less`, value, max);
    if (value >= under) return mustBe(`below ${below}`, value, below);
    if (whole === true && !Number.isInteger(value)) {
      return fault('not-a-whole-number', 'This must be a whole number.', value);
    }
    return null;
  };
}

function textCheck({ format, refusedAs = 'not-a-day' }: TextSchema): Check {
  return (value) => {
    if (typeof value !== 'string') return fault('not-a-string', 'This must be text.', value);
    if (format === 'day' && !isDay(value)) {
      return fault(refusedAs, 'This must be a day, written YYYY-MM-DD.', value);
    }
    return null;
  };
}

function optionCheck({ values }: OptionSchema): Check {
  const listed = values.join(', ');
  return (value) =>
    values.includes(value as string | number)
      ? null
      : fault('unknown-option', `This must be one of: ${listed}.`, value, listed);
}

const booleanCheck: Check = (value) =>
  typeof value === 'boolean' ? null : fault('not-a-boolean', 'This must be true or false.', value);

/** A fault found further in, its path led one step out. */
function inside(step: string, found: Fault): Fault {
  found.path = `${step}${found.path}`;
  return found;
}

function listCheck({ item, least, most }: ListSchema): Check {
  const checkItem = checkOf(item);
  return (value, notes) => {
    if (!Array.isArray(value)) return fault('not-a-list', 'This must be a list.', value);
    if (value.length < least) {
      return fault('list-length', `This list needs ${least} or more.`, value.length, least);
    }
    if (value.length > most) {
      return fault('list-length', `This list takes no more than ${most}.`, value.length, most);
    }
    for (let i = 0; i < value.length; i++) {
      const each: unknown = value[i];
      const found =
        each === null || each === undefined
          ? fault('required', 'This is missing.', each)
          : checkItem(each, notes);
      if (found !== null) return inside(`[${i}]`, found);
    }
    return null;
  };
}

/** True for an object with members, as JSON has them. */
export function isObject(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function namedCheck({ item, most }: NamedSchema): Check {
  const checkItem = checkOf(item);
  return (value, notes) => {
    if (!isObject(value)) return fault('not-an-object', 'This must be an object.', value);
    const members = Object.entries(value);
    if (members.length > most) {
      return fault('list-length', `This takes no more than ${most}.`, members.length, most);
    }
    for (const [name, inner] of members) {
      if (inner === null || inner === undefined) {
        notes.nulls = true;
        continue;
      }
      const found = checkItem(inner, notes);
      if (found !== null) return inside(`.${name}`, found);
    }
    return null;
  };
}

function fieldsCheck({ members }: FieldsSchema): Check {
  const checks = members.map(({ name, schema, optional: mayBeLeftOut }) => ({
    name,
    mayBeLeftOut,
    check: checkOf(schema),
  }));
  return (value, notes) => {
    if (!isObject(value)) return fault('not-an-object', 'This must be an object.', value);
    for (const { name, mayBeLeftOut, check } of checks) {
      const inner = value[name];
      if (inner === undefined || inner === null) {
        if (inner === null) notes.nulls = true;
        if (!mayBeLeftOut) return inside(`.${name}`, fault('required', 'This is missing.', inner));
        continue;
      }
      const found = check(inner, notes);
      if (found !== null) return inside(`.${name}`, found);
    }
    return null;
  };
}

function newCheck(schema: Schema): Check {
  switch (schema.kind) {
    case 'number':
      return numberCheck(schema);
    case 'option':
      return optionCheck(schema);
    case 'boolean':
      return booleanCheck;
    case 'text':
      return textCheck(schema);
    case 'list':
      return listCheck(schema);
    case 'named':
      return namedCheck(schema);
    case 'fields':
      return fieldsCheck(schema);
  }
}

const checks = new WeakMap<Schema, Check>();

/** The check of a schema, made once. */
function checkOf(schema: Schema): Check {
  const known = checks.get(schema);
  if (known !== undefined) return known;
  const made = newCheck(schema);
  checks.set(schema, made);
  return made;
}

/** A copy of what a schema knows, in which members are left out where they are null. */
function withoutNulls(schema: Schema, value: unknown): unknown {
  if (schema.kind === 'list' && Array.isArray(value))
    return value.map((item) => withoutNulls(schema.item, item));
  if (schema.kind === 'named' && isObject(value)) {
    return Object.fromEntries(
      Object.entries(value).flatMap(([name, inner]): [string, unknown][] =>
        inner === null || inner === undefined ? [] : [[name, withoutNulls(schema.item, inner)]],
      ),
    );
  }
  if (schema.kind !== 'fields' || !isObject(value)) return value;
  return Object.fromEntries(
    schema.members.flatMap((member): [string, unknown][] => {
      const inner = value[member.name];
      return inner === null || inner === undefined ? [] : [[member.name, withoutNulls(member.schema, inner)]];
    }),
  );
}

function refusalFor({ code, path, message, value, bound }: Fault): Refusal {
  return new Refusal(code, path.startsWith('.') ? path.slice(1) : path, message, { value, bound });
}

/**
 * The input, checked against a schema, as a copy of what the schema knows.
 * @throws {Refusal} naming the first field that does not fit
 */
export function onlyKnown<T>(schema: InputSchema<T>, input: unknown): T {
  return withoutNulls(schema, checked(schema, input)) as T;
}

/** Why a value does not fit a schema, or null where it does; for forms, which check field by field. */
export function misfit(schema: Schema, value: unknown): Refusal | null {
  const found = checkOf(schema)(value, { nulls: false });
  return found === null ? null : refusalFor(found);
}

/**
 * The input, checked against a schema; null members count as left out.
 * @throws {Refusal} naming the first field that does not fit, and its bound
 */
export function checked<T>(schema: InputSchema<T>, input: unknown): T {
  const notes: Notes = { nulls: false };
  const found = checkOf(schema)(input, notes);
  if (found !== null) throw refusalFor(found);
  // The schema has just said so: what passed every member has the type of the whole.
  return (notes.nulls ? withoutNulls(schema, input) : input) as T;
}
