import {
  isFirstKind,
  isKind,
  kindNamed,
  referencesOf,
  takeChange,
  type Change,
  type ChangeOutcome,
  type Ledger,
  type LedgerKey,
  type LedgerRecord,
} from '@calvet/contract';
import { readChange, type ReadChange } from '@calvet/contract/changes/read-change';
import { may, mayOpen, type Principal } from './rights';
import { PATIENCE } from '../store/answering-pool';
import { inTransaction, type Database, type Transaction } from '../store/database';
import { Turns } from '../store/turns';
import {
  acceptedBefore,
  acceptedSince,
  insertChanges,
  insertRecords,
  lockLedger,
  ownersOf,
  recordsById,
  recordsThere,
  setLastChange,
  startLedger,
  updateRecord,
  type LedgerState,
} from '../store/records';

/** Writers to one ledger, in this process; those of others wait in the database. */
const turns = new Turns(PATIENCE.answerMs);

/** A ledger was asked for that nobody began, or that is not there for whoever asks. */
export class UnknownLedger extends Error {}

async function openLedger(
  tx: Transaction,
  ledgerId: string,
  principal: Principal,
  changes: readonly Change[],
  isCloseLook: boolean,
): Promise<Ledger> {
  const begun = changes.map((change) => begunBy(change, ledgerId)).find((each) => each !== null);
  if (begun != null && mayOpen(principal, begun)) await startLedger(tx, begun);
  const locked = await lockLedger(tx, ledgerId);
  if (locked === null || !mayOpen(principal, locked)) throw new UnknownLedger();
  const records = new Map<string, LedgerRecord>();
  // Nothing is written into a house that somebody deleted.
  if (locked.isDeleted)
    (await recordsById(tx, locked.kind, [ledgerId])).forEach((house) => records.set(ledgerId, house));
  const owners = await ownersOf(
    tx,
    changes.flatMap(({ op, id }) => (op === 'create' ? [id] : [])),
  );
  // What nobody has made yet is in no table.
  const made = changes.filter(({ op, id }) => op !== 'create' || owners.has(id));
  // Nor is what makes it, unless under the id of another change, which the table itself does not take twice.
  const maybeBefore = isCloseLook ? changes : made;
  const before = await acceptedBefore(
    tx,
    ledgerId,
    maybeBefore.map(({ changeId }) => changeId),
  );
  for (const kind of new Set(made.map((change) => change.kind))) {
    const ids = new Set(made.filter((change) => change.kind === kind).map(({ id }) => id));
    const found = await recordsById(tx, kind, [...ids]);
    found.forEach((record, id) => records.set(id, record));
  }
  const references = changes.flatMap(referencesOf);
  const there = await recordsThere(tx, ledgerId, references);
  const late = changes.filter(({ id, baseRevision }) => (records.get(id)?.revision ?? 0) > baseRevision);
  const past = await acceptedSince(
    tx,
    ledgerId,
    [...new Set(late.map(({ id }) => id))],
    Math.min(...late.map(({ baseRevision }) => baseRevision)),
  );
  return {
    ledgerId,
    kind: locked.kind,
    author: principal.who,
    before,
    past,
    records,
    there,
    owners,
    accepted: [],
    disputed: [],
    lastChange: locked.lastChange,
  };
}

async function writeLedger(
  tx: Transaction,
  { ledgerId, accepted, records, lastChange }: Ledger,
): Promise<void> {
  if (accepted.length === 0) return;
  // A record that a change of this batch brought to its first revision is not in its table yet.
  const fresh = new Set(accepted.filter(({ revision }) => revision === 1).map(({ recordId }) => recordId));
  for (const kind of new Set(accepted.map((change) => change.kind))) {
    const ids = new Set(accepted.filter((change) => change.kind === kind).map(({ recordId }) => recordId));
    const touched = [...ids].flatMap((id) => records.get(id) ?? []);
    await insertRecords(
      tx,
      kind,
      touched.filter(({ id }) => fresh.has(id)),
    );
    for (const record of touched.filter(({ id }) => !fresh.has(id))) await updateRecord(tx, kind, record);
  }
  await insertChanges(tx, ledgerId, accepted);
  await setLastChange(tx, ledgerId, lastChange);
}

function outcomeOf(read: ReadChange, i: number, principal: Principal, ledger: Ledger): ChangeOutcome {
  if (read.ok) {
    const { changeId, op, kind } = read.change;
    if (may(principal, op, kind)) return takeChange(read.change, i, ledger);
    const message = 'You may not do this: ask whoever runs the practice.';
    return { changeId, outcome: 'refused', code: 'not-allowed', field: `changes[${i}].op`, message };
  }
  const { changeId, refusal } = read;
  return {
    changeId,
    outcome: 'refused',
    code: refusal.code,
    field: refusal.field,
    message: refusal.message,
  };
}

/** The ledger that a change begins, or would have begun, had it been taken; null where it begins none. */
function begunBy(change: unknown, ledgerId: string): LedgerKey | null {
  const { kind, op, id } = (change ?? {}) as Readonly<Record<string, unknown>>;
  if (op !== 'create' || id !== ledgerId || !isKind(kind) || !isFirstKind(kind)) return null;
  return { id: ledgerId, kind: kindNamed(kind).ledger };
}

/** Answers to a batch whose house or practice was refused: what is wrong with it, and that all else has no ledger yet. */
function withoutFirst(reads: readonly ReadChange[]): readonly ChangeOutcome[] {
  return reads.map((read, i) =>
    read.ok
      ? {
          changeId: read.change.changeId,
          outcome: 'refused',
          code: 'unknown-ledger',
          field: `changes[${i}]`,
          message: 'What this change belongs to was not made.',
        }
      : { changeId: read.changeId, outcome: 'refused', ...read.refusal },
  );
}

/** Answers to the changes of a batch, and how far its ledger has come by them; null where none was taken. */
export interface AcceptedBatch {
  readonly results: readonly ChangeOutcome[];
  readonly state: LedgerState | null;
}

/**
 * Takes a batch of changes to one ledger, in order and in one transaction. Each is answered for itself: one that
 * does not fit stands in nobody's way, and one that was taken before counts once.
 * @throws {UnknownLedger} where nobody began the ledger and the batch does not, and to whom it is not there
 */
export async function acceptChanges(
  db: Database,
  principal: Principal,
  ledgerId: string,
  inputs: readonly unknown[],
): Promise<AcceptedBatch> {
  const reads = inputs.map(readChange);
  const changes = reads.flatMap((read) => (read.ok ? [read.change] : []));
  const isBeginning = reads.some((read, i) => {
    const begun = read.ok ? null : begunBy(inputs[i], ledgerId);
    return begun !== null && mayOpen(principal, begun);
  });
  const write = async (tx: Transaction, attempt: number): Promise<AcceptedBatch> => {
    const ledger = await openLedger(tx, ledgerId, principal, changes, attempt > 1).catch((error: unknown) => {
      if (error instanceof UnknownLedger && isBeginning) return null;
      throw error;
    });
    if (ledger === null) return { results: withoutFirst(reads), state: null };
    const results = reads.map((read, i) => outcomeOf(read, i, principal, ledger));
    await writeLedger(tx, ledger);
    const { kind, accepted, lastChange } = ledger;
    return { results, state: accepted.length === 0 ? null : { id: ledgerId, kind, lastChange } };
  };
  return turns.take(ledgerId, () => inTransaction(db, write));
}
