import type { Quantity } from '@calvet/core/units/quantity';
import { number, type NumberSchema } from '@calvet/core/schema';

/** What every field says of itself. */
interface Field {
  /** What it is called where it stands alone: “Envelope area”. Within an entry it stands before the value; empty: nothing does. */
  readonly label: string;
  /** What it is where a version of the app that does not know it yet says nothing of it. */
  readonly unsaid?: unknown;
  /** Brings a value of a former version into the present form; gives back what has it already. */
  readonly formerly?: (recordId: string, value: unknown) => unknown;
}

/** A number, in the SI unit of its quantity. */
export interface FigureField extends Field {
  readonly type: 'figure';
  readonly quantity: Quantity;
  readonly bounds: NumberSchema;
  /** Another figure of the same entry that it must be above. */
  readonly above?: string;
}

/** Words of somebody's own. */
export interface TextField extends Field {
  readonly type: 'text';
  readonly max: number;
  /** Something beside blanks must stand in it. */
  readonly isFilled: boolean;
  /** It may be empty. */
  readonly mayBeEmpty: boolean;
}

/** A day, a time, an id, the name of a picture. */
export interface CodeField extends Field {
  readonly type: 'day' | 'time' | 'id' | 'sha256';
  /** Of an id: the kind of the record that it is the id of, which must be in the same house. */
  readonly of?: string;
}

/** Yes or no. */
export interface FlagField extends Field {
  readonly type: 'flag';
}

/** The kind and the id of a record in the same house, of any kind that photos may show. */
export interface SubjectField extends Field {
  readonly type: 'subject';
}

/** One of a few, each with its words. */
export interface OptionField<Value extends string = string> extends Field {
  readonly type: 'option';
  readonly words: Readonly<Record<Value, string>>;
}

/** Several figures that belong together. */
export interface GroupField<T = unknown> extends Field {
  readonly type: 'group';
  readonly members: FieldsOf<T>;
  /** Two people's changes to different members of it both stay. */
  readonly isMerged?: true;
}

/** One of several shapes, told apart by its `kind`. */
export interface ShapeField<T = unknown> extends Field {
  readonly type: 'shape';
  /** What each is called. */
  readonly words: Readonly<Record<KindsIn<T>, string>>;
  /** Members of each, beside `kind`. */
  readonly shapes: ShapesOf<T>;
}

/** Entries in an order. */
export interface ListField<T = unknown> extends Field {
  readonly type: 'list';
  readonly item: FieldOf<T>;
  /** What one of them is called: “A reading”. */
  readonly one: string;
  /** Member by which an entry is known, so that two people's entries both stay; null: the list is one value. */
  readonly key: 'id' | 'name' | null;
  readonly least: number;
  readonly most: number;
}

/** Any field, whatever it is of. */
export type AnyField = (
  | FigureField
  | TextField
  | CodeField
  | OptionField
  | SubjectField
  | FlagField
  | (Field & { readonly type: 'group'; readonly members: AnyFields; readonly isMerged?: true })
  | (Field & {
      readonly type: 'shape';
      readonly words: Readonly<Record<string, string>>;
      readonly shapes: Readonly<Record<string, AnyFields>>;
    })
  | (Omit<ListField, 'item'> & { readonly item: AnyField })
) & {
  /** Its value may be null: not entered yet, or none. */
  readonly nullable?: true;
};

export type AnyFields = Readonly<Record<string, AnyField>>;

type Nulls<T> = null extends T ? { readonly nullable: true } : { readonly nullable?: never };
type Shape = { readonly kind: string };
type KindsIn<T> = T extends Shape ? T['kind'] : never;
type ShapesOf<T> = {
  readonly [K in KindsIn<T>]: FieldsOf<Omit<Extract<T, { readonly kind: K }>, 'kind'>>;
};

/** What may describe a value of a type. */
export type FieldOf<T> = Nulls<T> & ([NonNullable<T>] extends [infer V] ? FieldOfValue<V> : never);
type FieldOfValue<V> = [V] extends [number]
  ? FigureField
  : [V] extends [boolean]
    ? FlagField
    : [V] extends [string]
      ? string extends V
        ? TextField | CodeField
        : OptionField<V>
      : [V] extends [readonly (infer Item)[]]
        ? ListField<Item>
        : [V] extends [Shape]
          ? ShapeField<V> | SubjectField
          : GroupField<V>;

/** A field for every member of T and no other, in the order in which they are told. */
export type FieldsOf<T> = { readonly [K in keyof Required<T>]: FieldOf<T[K]> };

type Bounds = Omit<NumberSchema, 'kind'>;

export const figure = (label: string, quantity: Quantity, bounds: Bounds | NumberSchema): FigureField => ({
  type: 'figure',
  label,
  quantity,
  bounds: number(bounds),
});

/** Words that may be left empty. */
export const text = (label: string, max: number): TextField => ({
  type: 'text',
  label,
  max,
  isFilled: false,
  mayBeEmpty: true,
});

/** Words; where there are none, it is null. */
export const said = (label: string, max: number): TextField & { readonly nullable: true } => ({
  type: 'text',
  label,
  max,
  isFilled: false,
  mayBeEmpty: false,
  nullable: true,
});

/** Words that must say something. */
export const filled = (label: string, max: number): TextField => ({
  type: 'text',
  label,
  max,
  isFilled: true,
  mayBeEmpty: false,
});

const code =
  (type: CodeField['type']) =>
  (label: string): CodeField => ({ type, label });
export const day = code('day');
export const time = code('time');
export const id = (label: string, of?: string): CodeField => ({ type: 'id', label, of });
export const flag = (label: string): FlagField => ({ type: 'flag', label });
export const subject = (label: string): SubjectField => ({ type: 'subject', label });
export const sha256 = code('sha256');

export const option = <Value extends string>(
  label: string,
  words: Readonly<Record<Value, string>>,
): OptionField<Value> => ({ type: 'option', label, words });

export const group = <T>(label: string, members: FieldsOf<T>): GroupField<T> => ({
  type: 'group',
  label,
  members,
});

/** Like {@link group}; changes of two people to different members both stay. */
export const mergedGroup = <T>(label: string, members: FieldsOf<T>): GroupField<T> => ({
  ...group(label, members),
  isMerged: true,
});

export const shape = <T extends Shape>(
  words: Readonly<Record<KindsIn<T>, string>>,
  shapes: ShapesOf<T>,
): ShapeField<T> => ({ type: 'shape', label: '', words, shapes });

interface ListOptions {
  readonly key?: 'id' | 'name';
  readonly least?: number;
  readonly most: number;
}

export const list = <T>(
  label: string,
  one: string,
  item: FieldOf<T>,
  { key, least = 0, most }: ListOptions,
): ListField<T> => ({ type: 'list', label, one, item, key: key ?? null, least, most });

/** The same field, whose value may be null. */
export const orNull = <F extends object>(field: F): F & { readonly nullable: true } => ({
  ...field,
  nullable: true,
});

/** The same field, with what it is where an older app says nothing of it. */
export const unsaid = <F extends object>(field: F, value: unknown): F => ({ ...field, unsaid: value });

/** The same field, with what brings a former value of it into the present form. */
export const formerly = <F extends object>(
  field: F,
  upgrade: (recordId: string, value: unknown) => unknown,
): F => ({ ...field, formerly: upgrade });
