import Joi from 'joi';
import { broughtInPresentForm } from '../former-form';
import { fieldsOf, isKind, KINDS, type Kind } from '../kinds';
import { refusalOf, type FieldRefusal } from '../refusal-of';
import { bodySchemas, uuid } from '../schemas';
import { CHANGE_OPS, SEEN_MAX, type Change, type ChangeOp, type OutcomeCode } from './change';
import { PARTS, type PartChange } from './parts';
import { strangeIn } from './strange-input';

/** A change touches at most so many parts of its record. */
const PARTS_MAX = 1000;

const envelope = Joi.object({
  changeId: uuid().required(),
  kind: Joi.string().required(),
  id: uuid().required(),
  baseRevision: Joi.number().unsafe().integer().min(0).required(),
  op: Joi.valid(...CHANGE_OPS).required(),
  body: Joi.object().unknown(true).default({}),
  enteredAt: Joi.string().isoDate().max(30),
  seen: Joi.array().items(uuid()).max(SEEN_MAX),
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

/** Deriving a schema is slow: it is done once a kind, when it is first asked for. */
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

const partialSchemaOf = onceAKind((kind): Joi.ObjectSchema =>
  bodySchemas[kind].fork([...fieldsOf(kind)], (field) => field.optional()),
);

function bodyRefusal(kind: Kind, op: ChangeOp, body: unknown): FieldRefusal | null {
  if (op === 'delete' || op === 'restore') {
    const isBare = Object.keys(body as object).length === 0;
    return isBare
      ? null
      : { code: 'wrong-form', field: 'body', message: 'What is deleted or put back brings no body.' };
  }
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
  const strange = strangeIn(input);
  if (strange !== null) return refuse(strange);
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
  const change = broughtInPresentForm({ ...given, kind: given.kind });
  const parts = change.parts ?? [];
  const refusal =
    bodyRefusal(change.kind, change.op, change.body) ??
    parts.reduce<FieldRefusal | null>((found, part, at) => found ?? partRefusal(given.kind, part, at), null);
  return refusal === null ? { ok: true, change } : refuse(refusal);
}
