import Joi from 'joi';
import type { House } from '../house/house';
import { broughtInPresentForm } from '../former-form';
import { bodySchemas, isKind, KINDS, type Bodies, type Kind, type KindedRecord } from '../kinds';
import { number, uuid } from '../record';
import { refusalOf, type FieldRefusal } from '../refusal-of';
import { PARTS, type PartChange } from './parts';

export const CHANGE_OPS = ['create', 'update', 'delete', 'restore'] as const;
/** `create` brings the whole body, `update` only the fields that changed. */
export type ChangeOp = (typeof CHANGE_OPS)[number];

/** One thing done to one record. Sent again with the same `changeId` it counts once. */
export interface Change<K extends Kind = Kind> {
  readonly changeId: string;
  readonly kind: K;
  /** Id of the record. */
  readonly id: string;
  /** Revision that the change was made upon; 0 for a record that is created. */
  readonly baseRevision: number;
  readonly op: ChangeOp;
  readonly body: Partial<Bodies[K]>;
  /** Of an update: what of the record's lists and members changed, part by part. */
  readonly parts?: readonly PartChange[];
  /** When it was entered, by the device's clock, ISO 8601, UTC. */
  readonly enteredAt?: string;
}

export type OutcomeCode =
  | FieldRefusal['code']
  | 'unknown-kind'
  | 'unknown-record'
  | 'malformed-id'
  | 'unknown-house'
  /** The `changeId` was taken before, with another content. */
  | 'other-content';

/** What somebody else gave another value meanwhile. */
export interface FieldCollision {
  /** A field, the path of a part, `path#id` of an entry, or `path#` for the order of a list. */
  readonly field: string;
  readonly by: string;
  /** When they entered it; ISO 8601, UTC. */
  readonly at: string;
}

export type ChangeOutcome =
  | {
      readonly changeId: string;
      readonly outcome: 'applied' | 'already-applied';
      readonly revision: number;
      readonly changeNumber: number;
      /** The record as it stands now, where more than this change brought it there. */
      readonly current?: KindedRecord;
    }
  | {
      readonly changeId: string;
      readonly outcome: 'conflict';
      /** The record as it stands; the house's where somebody deleted the whole house. */
      readonly current: KindedRecord;
      /**
       * What is in dispute, or, for a deletion, what others did to the record meanwhile. None where the record as a whole
       * is in dispute, as when the other deleted it.
       */
      readonly fields: readonly FieldCollision[];
    }
  | {
      readonly changeId: string | null;
      readonly outcome: 'refused';
      readonly code: OutcomeCode;
      readonly field: string;
      readonly message: string;
    };

/** Answer to `POST …/changes`, and the `results` of its problem where a change was not accepted. */
export interface ChangesAnswer {
  readonly results: readonly ChangeOutcome[];
}

/** Answer to `GET …/changes?since=N`: records changed after N, each in its newest state. */
export interface ChangesPage {
  readonly records: readonly KindedRecord[];
  /** Give this as `since` next time. */
  readonly upTo: number;
  readonly more: boolean;
}

/** What the server tells by itself: a house has changes up to a number. Whoever holds fewer may fetch them. */
export interface News {
  readonly houseId: string;
  readonly upTo: number;
}

/** Pages of changes by house. */
export type PagesByHouse = Readonly<Record<string, ChangesPage>>;

/** Answer to `GET …/houses`: every house that is not deleted, by name. */
export interface HousesAnswer {
  readonly houses: readonly House[];
  /** Number of the last change of each house, deleted ones too: whoever holds fewer may fetch what is new. */
  readonly counters: Readonly<Record<string, number>>;
  /** With `?with=changes`: all that is in the first houses of the list, as many as go into one answer. */
  readonly pages?: PagesByHouse;
}

/**
 * Answer to `GET …/changes?since=HOUSE:N,HOUSE:N`: what is new in each of these houses, of as many as go into one answer.
 * A house that is not in it is unknown, or is to be asked for again or alone.
 */
export interface ChangesOfHouses {
  readonly pages: PagesByHouse;
}

/** How many houses may be asked about at once, and how many changes of theirs go into one answer. */
export const HOUSES_ASKED_MAX = 50;
export const CHANGES_TOGETHER_MAX = 500;

/** Answer to `GET …/houses/deleted`: houses that were deleted of late and can be restored, the latest first. */
export interface DeletedHousesAnswer {
  readonly houses: readonly House[];
}

/** Answer to `POST …/pictures/confirm`: those that are there, whole and under their own hash. */
export interface ConfirmedPictures {
  readonly held: readonly string[];
}

/** How many pictures may be asked about at once. */
export const CONFIRM_MAX = 50;
export const BATCH_MAX = 200;
/** A batch is not made larger than this, in bytes of JSON; a single change may be. */
export const BATCH_BYTES_MAX = 400_000;
export const PAGE_MAX = 1000;

/** A change touches at most so many parts of its record. */
const PARTS_MAX = 1000;

const envelope = Joi.object({
  changeId: uuid().required(),
  kind: Joi.string().required(),
  id: uuid().required(),
  baseRevision: number().integer().min(0).required(),
  op: Joi.valid(...CHANGE_OPS).required(),
  body: Joi.object().unknown(true).default({}),
  enteredAt: Joi.string().isoDate().max(30),
  parts: Joi.when('op', {
    is: 'update',
    then: Joi.array()
      .items(
        Joi.object({ path: Joi.string().required(), value: Joi.any().required() }),
        Joi.object({
          path: Joi.string().required(),
          id: Joi.string().max(60).required(),
          entry: Joi.object().unknown(true).allow(null).required(),
        }),
        Joi.object({
          path: Joi.string().required(),
          order: Joi.array().items(Joi.string().max(60)).max(PARTS_MAX).required(),
        }),
      )
      .max(PARTS_MAX),
    otherwise: Joi.forbidden(),
  }),
}).unknown(true);

export type ReadChange =
  | { readonly ok: true; readonly change: Change }
  | {
      readonly ok: false;
      readonly changeId: string | null;
      readonly refusal: Omit<FieldRefusal, 'code'> & { code: OutcomeCode };
    };

function changeIdOf(input: unknown): string | null {
  const id = typeof input === 'object' && input !== null ? (input as Record<string, unknown>).changeId : null;
  return typeof id === 'string' ? id : null;
}

/** Describing and deriving schemas is slow: it is done once a kind, when it is first asked for. */
function onceAKind<T>(make: (kind: Kind) => T): (kind: Kind) => T {
  const made = new Map<Kind, T>();
  return (kind) => {
    const before = made.get(kind);
    if (before !== undefined) return before;
    const now = make(kind);
    made.set(kind, now);
    return now;
  };
}

/** Names of the fields of a kind's body. */
export const fieldsOf = onceAKind((kind): readonly string[] =>
  Object.keys(bodySchemas[kind].describe().keys as Record<string, unknown>),
);

const partialSchemaOf = onceAKind((kind): Joi.ObjectSchema =>
  bodySchemas[kind].fork([...fieldsOf(kind)], (field) => field.optional()),
);

function bodyRefusal(kind: Kind, op: ChangeOp, body: unknown): FieldRefusal | null {
  if (op === 'delete' || op === 'restore') return null;
  const schema = op === 'create' ? bodySchemas[kind] : partialSchemaOf(kind);
  const { error } = schema.validate(body, { convert: false });
  if (error === undefined) return null;
  const refusal = refusalOf(error);
  return { ...refusal, field: `body.${refusal.field}` };
}

const partSchema = new Map<string, Joi.Schema>();

/** Schema of what a path leads to: a member, or a list that may hold a single entry. */
function schemaOfPart(kind: Kind, path: string): Joi.Schema {
  const known = partSchema.get(`${kind} ${path}`);
  if (known !== undefined) return known;
  const whole = bodySchemas[kind].extract(path);
  const made = PARTS[kind][path]?.key == null ? whole : (whole as Joi.ArraySchema).min(0);
  partSchema.set(`${kind} ${path}`, made);
  return made;
}

function partRefusal(kind: Kind, part: PartChange, i: number): FieldRefusal | null {
  const form = Object.hasOwn(PARTS[kind], part.path) ? PARTS[kind][part.path] : undefined;
  const unknown = (field: string): FieldRefusal => ({
    code: 'unknown-field',
    field: `parts[${i}].${field}`,
    message: 'No such part is known.',
  });
  if (form === undefined || 'value' in part !== (form.key === null)) return unknown('path');
  if ('order' in part) return null;
  if ('value' in part) {
    const { error } = schemaOfPart(kind, part.path).validate(part.value, { convert: false });
    if (error === undefined) return null;
    return { ...refusalOf(error), field: `parts[${i}].value` };
  }
  if (part.entry === null) return null;
  const { error } = schemaOfPart(kind, part.path).validate([part.entry], { convert: false });
  if (error !== undefined) {
    const refusal = refusalOf(error);
    return { ...refusal, field: `parts[${i}].entry${refusal.field.replace(/^\[0\]/, '')}` };
  }
  const key = (part.entry as Readonly<Record<string, unknown>>)[form.key ?? ''];
  return key === part.id
    ? null
    : { code: 'conflict', field: `parts[${i}].id`, message: 'The entry has another id.' };
}

/**
 * Reads one change of a batch. What does not fit is answered with the field, so that one bad change
 * stands in nobody's way.
 * @param i place in the batch, for the path of the field
 */
export function readChange(input: unknown, i: number): ReadChange {
  const changeId = changeIdOf(input);
  const refuse = (refusal: Omit<FieldRefusal, 'code'> & { code: OutcomeCode }): ReadChange => ({
    ok: false,
    changeId,
    refusal: { ...refusal, field: refusal.field === '' ? `changes[${i}]` : `changes[${i}].${refusal.field}` },
  });
  const { error, value } = envelope.validate(input, { convert: false });
  if (error !== undefined) {
    const refusal = refusalOf(error);
    const isId = refusal.field === 'id' || refusal.field === 'changeId';
    return isId && refusal.code === 'wrong-form'
      ? refuse({ ...refusal, code: 'malformed-id', message: 'This must be a UUID.' })
      : refuse(refusal);
  }
  const given = value as Change & { readonly kind: unknown };
  if (!isKind(given.kind)) {
    return refuse({
      code: 'unknown-kind',
      field: 'kind',
      message: `Known kinds of record: ${KINDS.join(', ')}.`,
    });
  }
  const change = { ...given, body: broughtInPresentForm(given) };
  const parts = change.parts ?? [];
  const refusal =
    bodyRefusal(change.kind, change.op, change.body) ??
    parts.reduce<FieldRefusal | null>((found, part, at) => found ?? partRefusal(given.kind, part, at), null);
  return refusal === null ? { ok: true, change } : refuse(refusal);
}
