/** @jest-environment node */
import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { restoredFrom } from './kept-outbox';
import { LocalDatabase } from './local-database';
import type { Pending } from './outbox-rules';

const open = (name: string) =>
  LocalDatabase.open({
    rewrite: () => undefined,
    onTrouble: (trouble, error) => {
      if (trouble !== null) throw error ?? new Error(String(trouble));
    },
    name,
  });
const pending: Pending = {
  ledgerId: 'h',
  isSealed: true,
  change: { changeId: 'c', kind: 'area', id: 'a', baseRevision: 1, op: 'update', body: {} },
};

/** As versions wrote it that knew no ledger but houses. */
function formerly<T extends { readonly ledgerId: string }>({ ledgerId, ...others }: T) {
  return { ...others, houseId: ledgerId };
}

/** What the stores of the version before were keyed by. */
const KEYS_OF_FORMER: Readonly<Record<string, string | string[]>> = {
  copies: 'houseId',
  records: ['houseId', 'id'],
  outbox: 'changeId',
  lists: 'name',
  pictures: 'sha256',
  uploads: 'sha256',
  taken: 'houseId',
};

test('a device that comes from the first version keeps what it had not sent, and can hold pictures', async () => {
  const old = await openDB('first', 1, {
    upgrade: (db) => {
      db.createObjectStore('copies', { keyPath: 'houseId' });
      db.createObjectStore('records', { keyPath: ['houseId', 'id'] });
      db.createObjectStore('outbox', { keyPath: 'changeId' });
      db.createObjectStore('lists', { keyPath: 'name' });
    },
  });
  const { isSealed: _isSealed, ...first } = formerly(pending);
  await old.put('outbox', { changeId: 'c', order: 0, waiting: first });
  await old.put('copies', { houseId: 'h', upTo: 7 });
  await old.put('lists', { name: 'houses', houses: [{ id: 'h', name: 'Byre' }] });
  old.close();

  const local = await open('first');
  const kept = await local.load();
  // Which of its changes had left, it did not note.
  expect(restoredFrom(kept.outbox).pending).toEqual([pending]);
  expect(kept.copies).toEqual([{ ledgerId: 'h', upTo: 7 }]);
  expect(kept.houses).toEqual({ houses: [{ id: 'h', name: 'Byre' }], summaries: {} });
  expect([kept.uploads, kept.taken]).toEqual([[], []]);
  local.close();
});

test('uploads that a former version noted by picture alone go on, and may go to another house too', async () => {
  const old = await openDB('third', 3, {
    upgrade: (db) => {
      for (const [store, keyPath] of Object.entries(KEYS_OF_FORMER)) db.createObjectStore(store, { keyPath });
      db.createObjectStore('entries', { autoIncrement: true });
    },
  });
  await old.put('uploads', { sha256: 'a', houseId: 'h', url: '/api/v1/uploads/x' });
  await old.put('uploads', { sha256: 'b', houseId: 'h', url: null });
  old.close();
  const local = await open('third');
  local.keepUploads([{ sha256: 'a', houseId: 'other', url: null }]);
  await local.settled();
  expect((await local.load()).uploads).toEqual([
    { sha256: 'a', houseId: 'h', url: '/api/v1/uploads/x' },
    { sha256: 'b', houseId: 'h', url: null },
    { sha256: 'a', houseId: 'other', url: null },
  ]);
  local.close();
});

test('what lay in a house lies in its ledger: records, what waits, what is in dispute, what another tab entered', async () => {
  const old = await openDB('fourth', 4, {
    upgrade: (db) => {
      const keys = { ...KEYS_OF_FORMER, uploads: ['houseId', 'sha256'] };
      for (const [store, keyPath] of Object.entries(keys)) db.createObjectStore(store, { keyPath });
      db.createObjectStore('entries', { autoIncrement: true });
    },
  });
  const area = {
    kind: 'area',
    record: {
      id: 'a',
      houseId: 'h',
      revision: 3,
      updatedAt: '',
      updatedBy: 'Ada',
      deletedAt: null,
      name: 'Wall',
    },
  };
  await old.put('copies', { houseId: 'h', upTo: 7, writer: 'w' });
  await old.put('records', { houseId: 'h', id: 'a', item: area });
  await old.put('outbox', {
    changeId: 'c',
    order: 0,
    waiting: { ...formerly(pending), trouble: { kind: 'conflict', current: area, fields: [] } },
  });
  const entry = { entryId: 'e', houseId: 'h', kind: 'area', id: 'a', op: 'delete', seenRevision: 3 };
  await old.add('entries', {
    entry: { ...entry, enteredAt: '', change: { body: { houseId: 'typed' }, parts: [] } },
  });
  old.close();

  const local = await open('fourth');
  const kept = await local.load();
  expect(kept.copies).toEqual([{ ledgerId: 'h', upTo: 7, writer: 'w' }]);
  expect(kept.records).toMatchObject([
    { ledgerId: 'h', id: 'a', item: { record: { ledgerId: 'h', name: 'Wall', revision: 3 } } },
  ]);
  expect(kept.outbox).toMatchObject([
    { waiting: { ledgerId: 'h', trouble: { current: { record: { ledgerId: 'h' } } } } },
  ]);
  // What somebody entered is theirs, whatever it is called.
  expect(kept.entries).toMatchObject([
    { entry: { ledgerId: 'h', change: { body: { houseId: 'typed' } } }, order: 1 },
  ]);
  local.dropEntries([1]);
  local.keepCopy({ ledgerId: 'h', since: 7, upTo: 8 }, []);
  await local.settled();
  expect((await local.load()).entries).toEqual([]);
  local.close();
});
