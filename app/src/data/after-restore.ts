import { changeBetween, isEmptyChange } from '@calvet/contract/changes/parts';
import { isFirstKind, type Bodies, type Kind, type KindedRecord } from '@calvet/contract/kinds';
import { ownFields } from '@calvet/contract/record';
import type { LedgerCopy } from './ledger-copy';
import type { Wish } from './store-options';

const bodyOf = ({ record }: KindedRecord) => ownFields(record) as Partial<Bodies[Kind]>;

function wishFor(ledgerId: string, held: KindedRecord, told: KindedRecord | undefined): Wish | null {
  const { kind, record } = held;
  const wish = { ledgerId, kind, id: record.id };
  const isGone = record.deletedAt !== null;
  if (told === undefined) return isGone ? null : { ...wish, op: 'create', body: bodyOf(held) };
  if (told.record.revision >= record.revision) return null;
  if (isGone) return told.record.deletedAt === null ? { ...wish, op: 'delete' } : null;
  const change = changeBetween(kind, ownFields(told.record), ownFields(record));
  return isEmptyChange(change) ? null : { ...wish, op: 'update', change };
}

/**
 * What a device has to tell a server that knows less than it did, as after a backup was brought back: records that the
 * server has no more, and what it has in an older state. The ledger's first record comes first, since all else is in it.
 */
export function lostByServer(ledgerId: string, held: LedgerCopy, told: LedgerCopy): readonly Wish[] {
  const items = [...held.records.values()];
  const inOrder = [
    ...items.filter(({ kind }) => isFirstKind(kind)),
    ...items.filter(({ kind }) => !isFirstKind(kind)),
  ];
  return inOrder.flatMap((item) => wishFor(ledgerId, item, told.records.get(item.record.id)) ?? []);
}
