import { changedBody, saidOf } from '@calvet/contract/changes/ledger';
import {
  kindNamed,
  KINDS,
  type Bodies,
  type Kind,
  type KindedRecord,
  type Lists,
} from '@calvet/contract/kinds';
import { notStored, type RecordBase, type Stored } from '@calvet/contract/record';
import type { Change } from '@calvet/contract/changes/change';
import type { LedgerKind } from '@calvet/contract/ledger';
import type { Kept } from './local-schema';

/** What this device holds of a house: its records in the newest state that the server told. */
export interface LedgerCopy {
  /** Number of the last change that is in here. */
  readonly upTo: number;
  readonly records: ReadonlyMap<string, KindedRecord>;
}

/** A ledger as a screen sees it: without what was deleted, with what was entered and not yet sent. */
export type LedgerView<L extends LedgerKind> = { readonly [K in L]: Stored<Bodies[K]> } & Lists<L>;

/** A house as its records say it. */
export type KeptHouseView = LedgerView<'house'>;

export const EMPTY_COPY: LedgerCopy = { upTo: 0, records: new Map() };

/** The copies of houses that a device kept. */
export function copiesOf({
  copies,
  records,
}: Pick<Kept, 'copies' | 'records'>): ReadonlyMap<string, LedgerCopy> {
  const byLedger = new Map(copies.map(({ ledgerId }) => [ledgerId, new Map<string, KindedRecord>()]));
  for (const { ledgerId, id, item } of records) byLedger.get(ledgerId)?.set(id, item);
  return new Map(
    copies.map(({ ledgerId, upTo }) => [ledgerId, { upTo, records: byLedger.get(ledgerId) ?? new Map() }]),
  );
}

/** A copy with newer records taken in. */
export function withRecords(copy: LedgerCopy, records: readonly KindedRecord[], upTo: number): LedgerCopy {
  if (records.length === 0 && upTo === copy.upTo) return copy;
  const merged = new Map(copy.records);
  for (const item of records) {
    const known = merged.get(item.record.id);
    if (known === undefined || known.record.revision <= item.record.revision)
      merged.set(item.record.id, item);
  }
  return { upTo: Math.max(upTo, copy.upTo), records: merged };
}

function changed(
  current: KindedRecord | undefined,
  ledgerId: string,
  change: Change,
): KindedRecord | undefined {
  if (current === undefined && change.op !== 'create') return undefined;
  const base = current?.record ?? notStored(change.id, ledgerId);
  const deletedAt = change.op === 'delete' ? 'pending' : change.op === 'restore' ? null : base.deletedAt;
  const body = changedBody(
    change.kind,
    base as unknown as Record<string, unknown>,
    current === undefined ? change : saidOf(change),
  );
  const record = { ...body, deletedAt } as unknown as Stored<Bodies[Kind]>;
  return { kind: change.kind, record } as KindedRecord;
}

/** What a waiting change makes of a record: the same each time over the same record. */
const laid = new WeakMap<
  Change,
  { readonly over: KindedRecord | undefined; readonly next: KindedRecord | undefined }
>();

function changedOnce(
  current: KindedRecord | undefined,
  ledgerId: string,
  change: Change,
): KindedRecord | undefined {
  const before = laid.get(change);
  if (before !== undefined && before.over === current) return before.next;
  const next = changed(current, ledgerId, change);
  laid.set(change, { over: current, next });
  return next;
}

/** A copy as it will be once changes that wait have been taken by the server. */
export function withPending(copy: LedgerCopy, ledgerId: string, pending: readonly Change[]): LedgerCopy {
  if (pending.length === 0) return copy;
  const records = new Map(copy.records);
  for (const change of pending) {
    const next = changedOnce(records.get(change.id), ledgerId, change);
    if (next !== undefined) records.set(change.id, next);
  }
  return { ...copy, records };
}

type AnyRecord = RecordBase & Readonly<Record<string, unknown>>;

/** UUIDv7 sorts by the time of making. */
const asMade = (a: AnyRecord, b: AnyRecord): number => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

const inOrder = (kind: Kind) => {
  const { order } = kindNamed(kind);
  if (order === 'as made') return asMade;
  const at = (record: AnyRecord) => String(record[order.latestBy]);
  return (a: AnyRecord, b: AnyRecord) => at(b).localeCompare(at(a)) || asMade(b, a);
};

/** The house, or the practice, that a copy holds; null where it is not there or was deleted. */
export function viewOf<L extends LedgerKind>(ledger: L, copy: LedgerCopy): LedgerView<L> | null {
  const kinds = KINDS.filter((kind) => kindNamed(kind).ledger === ledger);
  const byKind = new Map<Kind, AnyRecord[]>(kinds.map((kind) => [kind, []]));
  for (const { kind, record } of copy.records.values()) {
    if (record.deletedAt === null) byKind.get(kind)?.push(record as unknown as AnyRecord);
  }
  const [first] = byKind.get(ledger) ?? [];
  if (first === undefined) return null;
  const named = kinds.map((kind): [string, unknown] => {
    const { list } = kindNamed(kind);
    return list === null ? [ledger, first] : [list, byKind.get(kind)?.sort(inOrder(kind))];
  });
  // What is kept passed the schema of its kind on the way in.
  return Object.fromEntries(named) as unknown as LedgerView<L>;
}
