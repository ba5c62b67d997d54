import {
  referencesOf,
  takeChange,
  type Change,
  type ChangeOutcome,
  type HouseLedger,
  type LedgerRecord,
} from '@calvet/contract';
import { readChange, type ReadChange } from '@calvet/contract/changes/read-change';
import { may, type Principal } from './rights';
import { inTransaction, type Database, type Transaction } from '../store/database';
import {
  acceptedBefore,
  acceptedSince,
  insertChanges,
  insertRecords,
  lockCounter,
  ownersOf,
  recordsById,
  recordsThere,
  setCounter,
  startCounter,
  updateRecord,
} from '../store/records';

/** Changes were sent to a house that nobody created. */
export class UnknownHouse extends Error {}

async function openLedger(
  tx: Transaction,
  houseId: string,
  { who }: Principal,
  changes: readonly Change[],
): Promise<HouseLedger> {
  const createsHouse = changes.some(
    ({ kind, op, id }) => kind === 'house' && op === 'create' && id === houseId,
  );
  if (createsHouse) await startCounter(tx, houseId);
  const counter = await lockCounter(tx, houseId);
  if (counter === null) throw new UnknownHouse();
  const before = await acceptedBefore(
    tx,
    houseId,
    changes.map(({ changeId }) => changeId),
  );
  const records = new Map<string, LedgerRecord>();
  // Nothing is written into a house that somebody deleted.
  if (counter.isHouseDeleted)
    (await recordsById(tx, 'house', [houseId])).forEach((house) => records.set(houseId, house));
  for (const kind of new Set(changes.map((change) => change.kind))) {
    const ids = new Set(changes.filter((change) => change.kind === kind).map(({ id }) => id));
    const found = await recordsById(tx, kind, [...ids]);
    found.forEach((record, id) => records.set(id, record));
  }
  const references = changes.flatMap(referencesOf);
  const there = await recordsThere(tx, houseId, references);
  const owners = await ownersOf(
    tx,
    changes.flatMap(({ op, id }) => (op === 'create' ? [id] : [])),
  );
  const late = changes.filter(({ id, baseRevision }) => (records.get(id)?.revision ?? 0) > baseRevision);
  const past = await acceptedSince(
    tx,
    houseId,
    [...new Set(late.map(({ id }) => id))],
    Math.min(...late.map(({ baseRevision }) => baseRevision)),
  );
  return {
    houseId,
    author: who,
    before,
    past,
    records,
    there,
    owners,
    accepted: [],
    disputed: [],
    lastChange: counter.lastChange,
  };
}

async function writeLedger(
  tx: Transaction,
  { houseId, accepted, records, lastChange }: HouseLedger,
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
  await insertChanges(tx, houseId, accepted);
  await setCounter(tx, houseId, lastChange);
}

function outcomeOf(read: ReadChange, i: number, principal: Principal, ledger: HouseLedger): ChangeOutcome {
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

/** A change that would have made the house, had it been taken. */
function wouldMake(input: unknown, houseId: string): boolean {
  const { kind, op, id } = (input ?? {}) as Readonly<Record<string, unknown>>;
  return kind === 'house' && op === 'create' && id === houseId;
}

/** Answers to a batch whose house was refused: what is wrong with it, and that all else has no house yet. */
function withoutHouse(reads: readonly ReadChange[]): readonly ChangeOutcome[] {
  return reads.map((read, i) =>
    read.ok
      ? {
          changeId: read.change.changeId,
          outcome: 'refused',
          code: 'unknown-house',
          field: `changes[${i}]`,
          message: 'The house of this change was not made.',
        }
      : { changeId: read.changeId, outcome: 'refused', ...read.refusal },
  );
}

/**
 * Takes a batch of changes to one house, in order and in one transaction. Each is answered for itself: one that
 * does not fit stands in nobody's way, and one that was taken before counts once.
 * @throws {UnknownHouse} where the house was never created and the batch does not create it, and to whom it is not there
 */
export async function acceptChanges(
  db: Database,
  principal: Principal,
  houseId: string,
  inputs: readonly unknown[],
): Promise<readonly ChangeOutcome[]> {
  if (!may(principal, 'see', 'house')) throw new UnknownHouse();
  const reads = inputs.map(readChange);
  const changes = reads.flatMap((read) => (read.ok ? [read.change] : []));
  const isMakingHouse = reads.some((read, i) => !read.ok && wouldMake(inputs[i], houseId));
  return inTransaction(db, async (tx) => {
    const ledger = await openLedger(tx, houseId, principal, changes).catch((error: unknown) => {
      if (error instanceof UnknownHouse && isMakingHouse) return null;
      throw error;
    });
    if (ledger === null) return withoutHouse(reads);
    const outcomes = reads.map((read, i) => outcomeOf(read, i, principal, ledger));
    await writeLedger(tx, ledger);
    return outcomes;
  });
}
