import {
  changeBetween,
  isEmptyChange,
  ownFields,
  type Bodies,
  type Kind,
  type KindedRecord,
} from '@calvet/contract';
import type { HouseCopy } from './house-copy';
import type { Wish } from './store-options';

const bodyOf = ({ record }: KindedRecord) => ownFields(record) as Partial<Bodies[Kind]>;

function wishFor(houseId: string, held: KindedRecord, told: KindedRecord | undefined): Wish | null {
  const { kind, record } = held;
  const wish = { houseId, kind, id: record.id };
  const isGone = record.deletedAt !== null;
  if (told === undefined) return isGone ? null : { ...wish, op: 'create', body: bodyOf(held) };
  if (told.record.revision >= record.revision) return null;
  if (isGone) return told.record.deletedAt === null ? { ...wish, op: 'delete' } : null;
  const change = changeBetween(kind, ownFields(told.record), ownFields(record));
  return isEmptyChange(change) ? null : { ...wish, op: 'update', change };
}

/**
 * What a device has to tell a server that knows less than it did, as after a backup was brought back: records that the
 * server has no more, and what it has in an older state. The house comes first, since all else is in it.
 */
export function lostByServer(houseId: string, held: HouseCopy, told: HouseCopy): readonly Wish[] {
  const items = [...held.records.values()];
  const inOrder = [
    ...items.filter(({ kind }) => kind === 'house'),
    ...items.filter(({ kind }) => kind !== 'house'),
  ];
  return inOrder.flatMap((item) => wishFor(houseId, item, told.records.get(item.record.id)) ?? []);
}
