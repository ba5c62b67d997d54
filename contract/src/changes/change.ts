import Joi from 'joi';
import type { House } from '../house/house';
import { bodySchemas, isKind, KINDS, type Bodies, type Kind, type KindedRecord } from '../kinds';
import { number, uuid } from '../record';
import { refusalOf, type FieldRefusal } from '../refusal-of';

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
}

export type OutcomeCode =
  FieldRefusal['code'] | 'unknown-kind' | 'unknown-record' | 'malformed-id' | 'unknown-house';

/** A field that somebody else gave another value meanwhile. */
export interface FieldCollision {
  readonly field: string;
  readonly by: string;
  /** ISO 8601, UTC. */
  readonly at: string;
}

export type ChangeOutcome =
  | {
      readonly changeId: string;
      readonly outcome: 'applied' | 'already-applied';
      readonly revision: number;
      readonly changeNumber: number;
    }
  | {
      readonly changeId: string;
      readonly outcome: 'conflict';
      readonly current: KindedRecord;
      /** Fields in dispute; none where the record as a whole is, as when one deleted what the other edited. */
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

/** Answer to `GET …/houses`: every house that is not deleted, by name. */
export interface HousesAnswer {
  readonly houses: readonly House[];
}

export const BATCH_MAX = 200;
export const PAGE_MAX = 1000;

const envelope = Joi.object({
  changeId: uuid().required(),
  kind: Joi.string().required(),
  id: uuid().required(),
  baseRevision: number().integer().min(0).required(),
  op: Joi.valid(...CHANGE_OPS).required(),
  body: Joi.object().unknown(true).default({}),
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
  const change = value as Change & { readonly kind: unknown };
  if (!isKind(change.kind)) {
    return refuse({
      code: 'unknown-kind',
      field: 'kind',
      message: `Known kinds of record: ${KINDS.join(', ')}.`,
    });
  }
  const refusal = bodyRefusal(change.kind, change.op, change.body);
  return refusal === null ? { ok: true, change } : refuse(refusal);
}
