import type { KindedRecord } from '@calvet/contract/kinds';
import { lostByServer } from './after-restore';
import type { LedgerCopy } from './ledger-copy';

const record = (kind: 'house' | 'area', id: string, revision: number, more: object = {}): KindedRecord =>
  ({
    kind,
    record: {
      id,
      ledgerId: 'h',
      revision,
      updatedAt: '2026-11-01T08:00:00.000Z',
      updatedBy: 'Ada Wren',
      deletedAt: null,
      name: id,
      kind: 'wall',
      areaM2: 10,
      ...more,
    },
  }) as unknown as KindedRecord;

const copyOf = (...items: readonly KindedRecord[]): LedgerCopy => ({
  upTo: items.length,
  records: new Map(items.map((item) => [item.record.id, item])),
});

const told = copyOf(record('house', 'h', 1), record('area', 'a', 2));

test('a server that knows all it knew is told nothing', () => {
  expect(lostByServer('h', told, told)).toEqual([]);
});

test('what it has no more is made again, the house before what is in it', () => {
  const held = copyOf(record('area', 'b', 1), record('house', 'h', 1));
  const wishes = lostByServer('h', held, copyOf());
  expect(wishes.map(({ op, id }) => [op, id])).toEqual([
    ['create', 'h'],
    ['create', 'b'],
  ]);
  expect(wishes[1]?.body).toMatchObject({ name: 'b', areaM2: 10 });
  expect(wishes[1]?.body).not.toHaveProperty('revision');
});

test('of what it has in an older state it is told the fields that differ', () => {
  const held = copyOf(record('house', 'h', 1), record('area', 'a', 4, { areaM2: 12 }));
  expect(lostByServer('h', held, told)).toEqual([
    { ledgerId: 'h', kind: 'area', id: 'a', op: 'update', change: { body: { areaM2: 12 }, parts: [] } },
  ]);
});

test('what it has in a newer state, or in the same with another count, is left', () => {
  const held = copyOf(record('house', 'h', 1, { name: 'Old' }), record('area', 'a', 5));
  expect(lostByServer('h', held, told)).toEqual([]);
});

test('what was deleted since is deleted again, and not made', () => {
  const gone = { deletedAt: '2026-11-02T08:00:00.000Z' };
  const held = copyOf(record('house', 'h', 1), record('area', 'a', 3, gone), record('area', 'b', 2, gone));
  expect(lostByServer('h', held, told)).toEqual([{ ledgerId: 'h', kind: 'area', id: 'a', op: 'delete' }]);
});
