import { dequal } from 'dequal';
import type { Kind, KindedRecord } from '../kinds';
import type { RecordBase } from '../record';
import type { Change, ChangeOp, ChangeOutcome, FieldCollision } from './change';

/** A record as the server keeps it: its body and what every record carries. */
export interface LedgerRecord {
  readonly kind: Kind;
  readonly id: string;
  readonly houseId: string;
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
}

/** What is known of a house while a batch of changes is taken in. */
export interface HouseLedger {
  readonly houseId: string;
  readonly author: Author;
  /** Changes of this batch that were accepted earlier, by id. */
  readonly before: ReadonlyMap<string, Pick<AcceptedChange, 'revision' | 'changeNumber'>>;
  /** What had been accepted, before this batch, for its records since the revisions that its changes are made upon. */
  readonly past: readonly AcceptedChange[];
  readonly records: Map<string, LedgerRecord>;
  /** Accepted from this batch so far. */
  readonly accepted: AcceptedChange[];
  lastChange: number;
}

/** A record as it crosses the boundary. */
export function asKindedRecord({ kind, body, ...carried }: LedgerRecord): KindedRecord {
  const base: RecordBase = {
    id: carried.id,
    houseId: carried.houseId,
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

function misplaced(change: Change, i: number, { houseId, records }: HouseLedger): Refusal | null {
  const record = records.get(change.id);
  if (change.kind === 'house' && change.id !== houseId) {
    return refused(change, i, 'conflict', 'id', 'A house is written to under its own id.');
  }
  if (record !== undefined && (record.houseId !== houseId || record.kind !== change.kind)) {
    return refused(change, i, 'conflict', 'id', 'This id belongs to another record.');
  }
  if (record === undefined && change.op !== 'create') {
    return refused(change, i, 'unknown-record', 'id', 'This record was never created.');
  }
  return null;
}

/**
 * What others did to a record that the maker of a change did not know: accepted after the revision that the change is
 * made upon, and neither in the same batch nor from the same device, whose person saw it.
 */
function unseenBy(change: Change, { past, before, author }: HouseLedger): readonly AcceptedChange[] {
  return past.filter(
    ({ recordId, revision, changeId, device }) =>
      recordId === change.id &&
      revision > change.baseRevision &&
      !before.has(changeId) &&
      (device === '' || device !== author.device),
  );
}

/** Fields that both sides gave a value of their own. Fields that only one of them touched merge. */
function collisionsOf(
  change: Change,
  current: LedgerRecord,
  unseen: readonly AcceptedChange[],
): readonly FieldCollision[] {
  return Object.entries(change.body).flatMap(([field, mine]): readonly FieldCollision[] => {
    const theirs = unseen.findLast(({ body }) => field in body);
    if (theirs === undefined || dequal(mine, current.body[field])) return [];
    return [{ field, by: theirs.changedBy, at: theirs.changedAt.toISOString() }];
  });
}

/** Why a change cannot simply be made, if so: the fields in dispute, none where the record as a whole is. */
function disputeOver(
  change: Change,
  current: LedgerRecord,
  ledger: HouseLedger,
): readonly FieldCollision[] | null {
  const wholeRecord: readonly FieldCollision[] = [];
  if (change.op === 'create' || change.baseRevision > current.revision) return wholeRecord;
  const unseen = unseenBy(change, ledger);
  switch (change.op) {
    case 'update': {
      if (current.deletedAt !== null) return wholeRecord;
      const collisions = collisionsOf(change, current, unseen);
      return collisions.length > 0 ? collisions : null;
    }
    case 'delete':
      return unseen.some(({ op }) => op !== 'delete') ? wholeRecord : null;
    case 'restore':
      return null;
  }
}

function changedRecord(current: LedgerRecord | undefined, change: Change, ledger: HouseLedger): LedgerRecord {
  const { author, houseId, lastChange } = ledger;
  const keepsBody = change.op === 'delete' || change.op === 'restore';
  const deletedBefore = current?.deletedAt ?? null;
  return {
    kind: change.kind,
    id: change.id,
    houseId,
    revision: (current?.revision ?? 0) + 1,
    changeNumber: lastChange,
    updatedAt: author.now,
    updatedBy: author.name,
    deletedAt: change.op === 'delete' ? author.now : change.op === 'restore' ? null : deletedBefore,
    body: keepsBody ? (current?.body ?? {}) : { ...current?.body, ...change.body },
  };
}

/**
 * Takes one change into a house, or says why not. A change sent again counts once. A change upon an older state is
 * merged where it touches other fields than the changes that its maker did not know, or gives them the same values;
 * where both gave one field a value of their own, and where one deleted what the other edited, it is a conflict.
 * @param i place in the batch, for the path of the field
 */
export function takeChange(change: Change, i: number, ledger: HouseLedger): ChangeOutcome {
  const { changeId } = change;
  const before = ledger.before.get(changeId) ?? ledger.accepted.find((each) => each.changeId === changeId);
  if (before !== undefined) {
    const { revision, changeNumber } = before;
    return { changeId, outcome: 'already-applied', revision, changeNumber };
  }
  const wrong = misplaced(change, i, ledger);
  if (wrong !== null) return wrong;
  const current = ledger.records.get(change.id);
  const fields = current === undefined ? null : disputeOver(change, current, ledger);
  if (current !== undefined && fields !== null) {
    return { changeId, outcome: 'conflict', current: asKindedRecord(current), fields };
  }
  const changeNumber = ++ledger.lastChange;
  const record = changedRecord(current, change, ledger);
  ledger.records.set(change.id, record);
  ledger.accepted.push({
    changeId,
    changeNumber,
    kind: change.kind,
    recordId: change.id,
    op: change.op,
    revision: record.revision,
    body: { ...change.body },
    changedAt: ledger.author.now,
    changedBy: ledger.author.name,
    device: ledger.author.device,
  });
  return { changeId, outcome: 'applied', revision: record.revision, changeNumber };
}
