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
  houseId: 'h',
  isSealed: true,
  change: { changeId: 'c', kind: 'area', id: 'a', baseRevision: 1, op: 'update', body: {} },
};

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
  const { isSealed: _isSealed, ...first } = pending;
  await old.put('outbox', { changeId: 'c', order: 0, waiting: first });
  await old.put('copies', { houseId: 'h', upTo: 7 });
  await old.put('lists', { name: 'houses', houses: [{ id: 'h', name: 'Byre' }] });
  old.close();

  const local = await open('first');
  const kept = await local.load();
  // Which of its changes had left, it did not note.
  expect(restoredFrom(kept.outbox).pending).toEqual([pending]);
  expect(kept.copies).toEqual([{ houseId: 'h', upTo: 7 }]);
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
