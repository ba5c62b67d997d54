import { dequal } from 'dequal';
import { broughtInPresentForm } from '../former-form';
import { isFirstKind, kindNamed, type Kind, type KindedRecord } from '../kinds';
import type { LedgerKind } from '../ledger';
import type { FormerBase, RecordBase } from '../record';
import { referenceKey, referencesOf } from './references';
import type { Change, ChangeOp, ChangeOutcome, FieldCollision } from './change';
import { changeBetween, keysOf, overfullPart, touches, valueAt, withParts, type PartChange } from './parts';

/** A record as the server keeps it: its body and what every record carries. */
export interface LedgerRecord {
  readonly kind: Kind;
  readonly id: string;
  readonly ledgerId: string;
  readonly revision: number;
  readonly changeNumber: number;
  readonly updatedAt: Date;
  readonly updatedBy: string;
  readonly deletedAt: Date | null;
  readonly body: Readonly<Record<string, unknown>>;
}

/** A change that was accepted, with who made it and on which device. */
export interface AcceptedChange {
  readonly changeId: string;
  readonly changeNumber: number;
  readonly kind: Kind;
  readonly recordId: string;
  readonly op: ChangeOp;
  /** Of the record, after the change. */
  readonly revision: number;
  readonly body: Readonly<Record<string, unknown>>;
  readonly parts: readonly PartChange[] | null;
  /** When it was entered; null where the device did not say. */
  readonly enteredAt: Date | null;
  /** When it arrived. */
  readonly changedAt: Date;
  readonly changedBy: string;
  /** Empty where the sender does not say. */
  readonly device: string;
}

/** Who sends a batch, from which device, and when it arrives. */
export interface Author {
  readonly name: string;
  readonly device: string;
  readonly now: Date;
  /** What the device's clock showed when it sent; null where it does not say. */
  readonly clock: Date | null;
}

type Conflict = Extract<ChangeOutcome, { outcome: 'conflict' }>;

/** A change of a batch that met a conflict, and how it was answered. */
interface DisputedChange {
  readonly change: Change;
  readonly answer: Conflict;
}

/** Whose an id is: it is that of one record, over all kinds and ledgers. */
export type IdOwner = Pick<LedgerRecord, 'kind' | 'ledgerId'>;

/** What is known of a house, or a practice, while a batch of changes is taken in. */
export interface Ledger {
  readonly ledgerId: string;
  readonly kind: LedgerKind;
  readonly author: Author;
  /** Changes of this batch that were accepted earlier, by id. */
  readonly before: ReadonlyMap<string, AcceptedChange>;
  /** What had been accepted, before this batch, for its records since the revisions that its changes are made upon. */
  readonly past: readonly AcceptedChange[];
  readonly records: Map<string, LedgerRecord>;
  /** Of what its changes point to, the records that the ledger has, deleted ones too, by {@link referenceKey}. */
  readonly there: ReadonlySet<string>;
  /** Of the ids that its changes create records under, whose they are. */
  readonly owners: ReadonlyMap<string, IdOwner>;
  /** Accepted from this batch so far. */
  readonly accepted: AcceptedChange[];
  /** Changes of this batch that met a conflict, with their answers. */
  readonly disputed: DisputedChange[];
  lastChange: number;
}

/** A record as it crosses the boundary. */
export function asKindedRecord({ kind, body, ...carried }: LedgerRecord): KindedRecord {
  const base: RecordBase & FormerBase = {
    id: carried.id,
    ledgerId: carried.ledgerId,
    houseId: carried.ledgerId,
    revision: carried.revision,
    updatedAt: carried.updatedAt.toISOString(),
    updatedBy: carried.updatedBy,
    deletedAt: carried.deletedAt?.toISOString() ?? null,
  };
  // What is kept passed the schema of its kind on the way in.
  return { kind, record: { ...body, ...base } } as unknown as KindedRecord;
}

type Refusal = Extract<ChangeOutcome, { outcome: 'refused' }>;

function refused(
  { changeId }: Change,
  i: number,
  code: Refusal['code'],
  field: string,
  message: string,
): Refusal {
  return { changeId, outcome: 'refused', code, field: `changes[${i}].${field}`, message };
}

function misplaced(change: Change, i: number, ledger: Ledger): Refusal | null {
  const { ledgerId, records, owners } = ledger;
  const record = records.get(change.id);
  const owner = record ?? owners.get(change.id);
  const { ledger: lies, word } = kindNamed(change.kind);
  if (lies !== ledger.kind) {
    return refused(
      change,
      i,
      'conflict',
      'kind',
      `A record of this kind lies in a ${lies}, not in a ${ledger.kind}.`,
    );
  }
  if (isFirstKind(change.kind) && change.id !== ledgerId) {
    return refused(change, i, 'conflict', 'id', `A ${word.toLowerCase()} is written to under its own id.`);
  }
  if (owner !== undefined && (owner.ledgerId !== ledgerId || owner.kind !== change.kind)) {
    return refused(change, i, 'conflict', 'id', 'This id belongs to another record.');
  }
  if (record === undefined && change.op !== 'create') {
    return refused(change, i, 'unknown-record', 'id', 'This record was never created.');
  }
  return pointingNowhere(change, i, ledger);
}

/** Refuses what points to a record that the ledger does not have. */
function pointingNowhere(change: Change, i: number, { kind, records, there }: Ledger): Refusal | null {
  const missing = referencesOf(change).find(
    (reference) => !there.has(referenceKey(reference)) && records.get(reference.id)?.kind !== reference.kind,
  );
  if (missing === undefined) return null;
  return refused(
    change,
    i,
    'unknown-reference',
    `body.${missing.field}`,
    `What this points to is not in this ${kind}.`,
  );
}

/**
 * What was done to a record that the maker of a change did not know: accepted after the revision that the change is made
 * upon, and neither sent in the same batch nor named by the change as seen.
 */
function unseenBy(
  { id, baseRevision, seen = [] }: Change,
  { past, before }: Ledger,
): readonly AcceptedChange[] {
  return past.filter(
    ({ recordId, revision, changeId }) =>
      recordId === id && revision > baseRevision && !before.has(changeId) && !seen.includes(changeId),
  );
}

const asCollision = (field: string, { changedBy, enteredAt, changedAt }: AcceptedChange): FieldCollision => ({
  field,
  by: changedBy,
  at: (enteredAt ?? changedAt).toISOString(),
});

const saysNothing = (value: unknown): boolean =>
  value === null || value === '' || (Array.isArray(value) && value.length === 0);

type Said = Pick<Change, 'kind' | 'op' | 'body' | 'parts'>;

/**
 * What a change says of a record that is there already. Two devices may create the same record, under an id that both
 * derive from what they know: each says what it has a value for, entry by entry, and nothing of the rest.
 */
export function saidOf<Made extends Said>(change: Made): Made {
  if (change.op !== 'create') return change;
  const filled = Object.entries(change.body).filter(([, value]) => !saysNothing(value));
  const { body, parts } = changeBetween(change.kind, {}, Object.fromEntries(filled));
  const said = parts.filter((part) => !('value' in part) || !saysNothing(part.value));
  return { ...change, op: 'update', body, parts: said };
}

interface Unseen {
  readonly made: AcceptedChange;
  /** What it touches. */
  readonly keys: readonly string[];
}

const withKeys = (made: AcceptedChange): Unseen => ({
  made,
  keys: keysOf(saidOf({ ...made, parts: made.parts ?? [] })),
});

/** What both sides gave a value of their own. What only one of them touched merges. */
function collisionsOf(
  change: Change,
  current: LedgerRecord,
  unseen: readonly Unseen[],
): readonly FieldCollision[] {
  if (unseen.length === 0) return [];
  const wished = changedBody(change.kind, current.body, change);
  return keysOf(change).flatMap((key): readonly FieldCollision[] => {
    const theirs = unseen.findLast(({ keys }) => keys.some((other) => touches(key, other)));
    if (theirs === undefined) return [];
    if (dequal(valueAt(change.kind, wished, key), valueAt(change.kind, current.body, key))) return [];
    return [asCollision(key, theirs.made)];
  });
}

/** Why a change cannot simply be made, if so: the fields in dispute, none where the record as a whole is. */
function disputeOver(
  change: Change,
  current: LedgerRecord,
  ledger: Ledger,
): readonly FieldCollision[] | null {
  const wholeRecord: readonly FieldCollision[] = [];
  if (change.baseRevision > current.revision) return wholeRecord;
  const unseen = unseenBy(change, ledger);
  switch (change.op) {
    case 'update': {
      if (current.deletedAt !== null) return wholeRecord;
      const collisions = collisionsOf(change, current, unseen.map(withKeys));
      return collisions.length > 0 ? collisions : null;
    }
    case 'delete': {
      const edits = unseen.filter(({ op }) => op !== 'delete').map(withKeys);
      if (edits.length === 0) return null;
      const touched = new Set(edits.flatMap(({ keys }) => keys));
      return [...touched].flatMap((key) => {
        const last = edits.findLast(({ keys }) => keys.includes(key));
        return last === undefined ? [] : [asCollision(key, last.made)];
      });
    }
    case 'create':
    case 'restore':
      return null;
  }
}

/**
 * A body with a change laid over it: whole fields first, then parts.
 * @param change of the same kind of record
 */
export function changedBody(
  kind: Kind,
  body: Readonly<Record<string, unknown>>,
  change: Pick<Change, 'body' | 'parts'>,
): Readonly<Record<string, unknown>> {
  return withParts(kind, { ...body, ...change.body }, change.parts);
}

/** When a change was entered, by the server's clock: how long before it was sent, and never later than now. */
function timeOfEntry({ enteredAt }: Change, { now, clock }: Author): Date | null {
  if (enteredAt === undefined) return null;
  const entered = Date.parse(enteredAt);
  if (Number.isNaN(entered)) return null;
  const ago = Math.max(0, (clock ?? now).getTime() - entered);
  return new Date(Math.max(0, now.getTime() - ago));
}

function changedRecord(current: LedgerRecord | undefined, change: Change, ledger: Ledger): LedgerRecord {
  const { author, ledgerId, lastChange } = ledger;
  const keepsBody = change.op === 'delete' || change.op === 'restore';
  const deletedBefore = current?.deletedAt ?? null;
  const entered = timeOfEntry(change, author) ?? author.now;
  return {
    kind: change.kind,
    id: change.id,
    ledgerId,
    revision: (current?.revision ?? 0) + 1,
    changeNumber: lastChange,
    updatedAt: entered,
    updatedBy: author.name,
    deletedAt: change.op === 'delete' ? entered : change.op === 'restore' ? null : deletedBefore,
    body: keepsBody ? (current?.body ?? {}) : changedBody(change.kind, current?.body ?? {}, change),
  };
}

/** What was taken under a change's id is what comes under it now. */
function isSameContent(change: Change, { kind, recordId, op, body, parts }: AcceptedChange): boolean {
  if (change.kind !== kind || change.id !== recordId || change.op !== op) return false;
  const taken = broughtInPresentForm({ op, kind, id: recordId, body, parts: parts ?? [] });
  return dequal(change.body, taken.body) && dequal(change.parts ?? [], taken.parts);
}

/** The record, where more than a change that was taken, now or before, brought it to where it is. */
function beyond(
  { id, baseRevision }: Change,
  revision: number,
  { records }: Ledger,
): { readonly current?: ReturnType<typeof asKindedRecord> } {
  const record = records.get(id);
  const isItsOwn = record?.revision === revision && (revision === 1 || revision === baseRevision + 1);
  return record === undefined || isItsOwn ? {} : { current: asKindedRecord(record) };
}

/**
 * The dispute, earlier in this batch, over what an update is laid over: it is part of that. Were it taken, and the answers
 * lost, the earlier change might be taken when it is sent again, and lie over the later one.
 */
function disputeUnder(change: Change, { disputed }: Ledger): Conflict | null {
  if (change.op !== 'update') return null;
  const keys = keysOf(change);
  const under = disputed.find(
    ({ change: earlier }) =>
      earlier.id === change.id && keysOf(earlier).some((key) => keys.some((other) => touches(key, other))),
  );
  return under?.answer ?? null;
}

/** The fields of two disputes over one record; none where one of them is over the whole record. */
function bothDisputes(
  own: readonly FieldCollision[] | null,
  under: readonly FieldCollision[] | null,
): readonly FieldCollision[] | null {
  if (own === null || under === null) return own ?? under;
  if (own.length === 0 || under.length === 0) return [];
  return [...own, ...under.filter(({ field }) => own.every((each) => each.field !== field))];
}

/**
 * Takes one change into a ledger, or says why not. A change sent again counts once. A change upon an older state is
 * merged where it touches other fields than the changes that its maker did not know, or gives them the same values;
 * where both gave one field a value of their own, and where one deleted what the other edited, it is a conflict.
 * @param i place in the batch, for the path of the field
 */
export function takeChange(change: Change, i: number, ledger: Ledger): ChangeOutcome {
  const outcome = outcomeOf(change, i, ledger);
  if (outcome.outcome === 'conflict') ledger.disputed.push({ change, answer: outcome });
  return outcome;
}

function outcomeOf(change: Change, i: number, ledger: Ledger): ChangeOutcome {
  const { changeId } = change;
  const before = ledger.before.get(changeId) ?? ledger.accepted.find((each) => each.changeId === changeId);
  if (before !== undefined) {
    if (!isSameContent(change, before)) {
      return refused(
        change,
        i,
        'other-content',
        'changeId',
        'This change was taken before, with another content.',
      );
    }
    const { revision, changeNumber } = before;
    return {
      changeId,
      outcome: 'already-applied',
      revision,
      changeNumber,
      ...beyond(change, revision, ledger),
    };
  }
  const first = ledger.records.get(ledger.ledgerId);
  if (first !== undefined && first.deletedAt !== null && !isFirstKind(change.kind)) {
    return { changeId, outcome: 'conflict', current: asKindedRecord(first), fields: [] };
  }
  const wrong = misplaced(change, i, ledger);
  if (wrong !== null) return wrong;
  const under = disputeUnder(change, ledger);
  if (under !== null && under.current.record.id !== change.id) return { ...under, changeId };
  const current = ledger.records.get(change.id);
  const said = current === undefined ? change : saidOf(change);
  const own = current === undefined ? null : disputeOver(said, current, ledger);
  const fields = bothDisputes(own, under?.fields ?? null);
  if (current !== undefined && fields !== null) {
    return { changeId, outcome: 'conflict', current: asKindedRecord(current), fields };
  }
  const changeNumber = ++ledger.lastChange;
  const record = changedRecord(current, said, ledger);
  const overfull = overfullPart(change.kind, record.body, said.parts);
  if (overfull !== null) {
    ledger.lastChange--;
    return refused(change, i, 'list-length', `body.${overfull.path}`, `This list takes ${overfull.bound}.`);
  }
  ledger.records.set(change.id, record);
  ledger.accepted.push({
    changeId,
    changeNumber,
    kind: change.kind,
    recordId: change.id,
    op: change.op,
    revision: record.revision,
    body: { ...change.body },
    parts: change.parts === undefined || change.parts.length === 0 ? null : change.parts,
    enteredAt: timeOfEntry(change, ledger.author),
    changedAt: ledger.author.now,
    changedBy: ledger.author.name,
    device: ledger.author.device,
  });
  return {
    changeId,
    outcome: 'applied',
    revision: record.revision,
    changeNumber,
    ...beyond(change, record.revision, ledger),
  };
}
