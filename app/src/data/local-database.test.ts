/** @jest-environment node */
import 'fake-indexeddb/auto';
import type { House } from '@calvet/contract/house/house';
import type { KindedRecord } from '@calvet/contract/kinds';
import { deleteDB, openDB } from 'idb';
import { copiesOf } from './ledger-copy';
import { OutboxKeeper, restoredFrom } from './kept-outbox';
import { LocalDatabase } from './local-database';
import type { OutboxState } from './outbox';
import type { Pending, Troubled } from './outbox-rules';

let count = 0;
const everyStore = ['copies', 'entries', 'lists', 'outbox', 'pictures', 'records', 'taken', 'uploads'];
const listOf = (...houses: Partial<House>[]) => ({ houses: houses as House[], summaries: {} });
const freshName = () => `test-${count++}`;
const rewriteNothing = () => undefined;
const neverFails = (trouble: unknown, error: unknown) => {
  if (trouble !== null) throw error ?? new Error(String(trouble));
};
const open = (name: string) => LocalDatabase.open({ rewrite: rewriteNothing, onTrouble: neverFails, name });
const area = (id: string, name: string): KindedRecord =>
  ({
    kind: 'area',
    record: { id, ledgerId: 'h', revision: 1, deletedAt: null, name },
  }) as unknown as KindedRecord;
const pending = (changeId: string, ledgerId = 'h'): Pending => ({
  ledgerId,
  isSealed: false,
  change: { changeId, kind: 'area', id: 'a', baseRevision: 1, op: 'update', body: {} },
});
const troubled = (changeId: string): Troubled => ({
  ...pending(changeId),
  trouble: { kind: 'refused', message: 'No.', field: 'name' },
});
const stateOf = (waiting: readonly Pending[], inTrouble: readonly Troubled[] = []): OutboxState => ({
  pending: waiting,
  troubled: inTrouble,
  phase: 'idle',
});

test('what was kept is there again, newest state of each record', async () => {
  const name = freshName();
  const local = await open(name);
  local.keepCopy({ ledgerId: 'h', upTo: 3 }, [area('a', 'Wall'), area('b', 'Roof')]);
  local.keepCopy({ ledgerId: 'h', upTo: 5 }, [area('a', 'West wall')]);
  local.keepHouses(listOf({ id: 'h', name: 'Byre' }));
  await local.settled();
  local.close();

  const again = await open(name);
  const kept = await again.load();
  const copy = copiesOf(kept).get('h');
  expect(copy?.upTo).toBe(5);
  expect([...(copy?.records.values() ?? [])].map(({ record }) => (record as { name: string }).name)).toEqual([
    'West wall',
    'Roof',
  ]);
  expect(kept.houses?.houses.map((house) => house.name)).toEqual(['Byre']);
  again.close();
});

test('what somebody entered is on the disk before it counts as kept; what the server told need not be', async () => {
  const asked = jest.spyOn(IDBDatabase.prototype, 'transaction');
  const local = await open(freshName());
  const how = async (write: () => void) => {
    asked.mockClear();
    write();
    await local.settled();
    return asked.mock.calls.map(([, , options]) => options?.durability);
  };
  const tell = () => local.keepCopy({ ledgerId: 'h', upTo: 3 }, [area('a', 'Wall')]);
  expect(await how(tell)).toEqual(['relaxed']);
  expect(await how(() => local.keepEntries([], () => undefined))).toEqual(['strict']);
  const both = () => {
    tell();
    local.dropEntries([1]);
  };
  expect(await how(both)).toEqual(['strict']);
  asked.mockRestore();
  local.close();
});

test('a failure to keep is told, and does not stop what comes after', async () => {
  const failures: unknown[] = [];
  const local = await LocalDatabase.open({
    rewrite: rewriteNothing,
    onTrouble: (_trouble, error) => failures.push(error),
    name: freshName(),
  });
  local.keepHouses(listOf({ id: 'h', name: (() => 1) as unknown as string }));
  await local.settled();
  expect(failures).toHaveLength(1);
  local.keepHouses(listOf());
  await local.settled();
  expect((await local.load()).houses?.houses).toEqual([]);
  local.close();
});

test('a device without a database yet, and one of this version, open the same stores', async () => {
  const name = freshName();
  (await open(name)).close();
  const db = await openDB(name);
  expect([...db.objectStoreNames].sort()).toEqual(everyStore);
  db.close();
  (await open(name)).close();
});

describe('the outbox is followed', () => {
  test('each entry is written once, and struck out when it is gone', () => {
    const keeper = new OutboxKeeper();
    const [a, b] = [pending('a'), pending('b')];
    expect(keeper.differenceTo(stateOf([a, b])).changed.map(({ changeId }) => changeId)).toEqual(['a', 'b']);
    expect(keeper.differenceTo(stateOf([a, b]))).toEqual({ changed: [], gone: [] });
    const longer = { ...b, change: { ...b.change, body: { name: 'Wall' } } };
    expect(keeper.differenceTo(stateOf([a, longer])).changed.map(({ waiting }) => waiting)).toEqual([longer]);
    expect(keeper.differenceTo(stateOf([longer]))).toEqual({ changed: [], gone: ['a'] });
  });

  test('an entry that a person decided goes first, also after a reload', async () => {
    const name = freshName();
    const local = await open(name);
    const keeper = new OutboxKeeper();
    const write = (state: OutboxState) => {
      const { changed, gone } = keeper.differenceTo(state);
      local.keepChanges(changed, gone);
    };
    write(stateOf([pending('a'), pending('b')]));
    write(stateOf([pending('b')], [troubled('a')]));
    write(stateOf([pending('mine'), pending('b'), pending('c')]));
    await local.settled();
    const restored = restoredFrom((await local.load()).outbox);
    expect(restored.pending.map(({ change }) => change.changeId)).toEqual(['mine', 'b', 'c']);
    expect(restored.troubled).toEqual([]);
    write(stateOf([pending('c')], [troubled('x')]));
    await local.settled();
    const later = restoredFrom((await local.load()).outbox);
    expect(later.troubled.map(({ change }) => change.changeId)).toEqual(['x']);
    expect(later.pending.map(({ change }) => change.changeId)).toEqual(['c']);
    local.close();
  });

  test('five hundred entries keep their order', async () => {
    const local = await open(freshName());
    const keeper = new OutboxKeeper();
    const entries = Array.from({ length: 500 }, (_, i) => pending(`c${499 - i}`));
    entries.forEach((_, i) => {
      const { changed, gone } = keeper.differenceTo(stateOf(entries.slice(0, i + 1)));
      local.keepChanges(changed, gone);
    });
    await local.settled();
    const restored = restoredFrom((await local.load()).outbox);
    expect(restored.pending.map(({ change }) => change.changeId)).toEqual(
      entries.map(({ change }) => change.changeId),
    );
    local.close();
  });
});

describe('pictures', () => {
  const blob = (size: number, type = 'image/jpeg') => new Blob([new Uint8Array(size)], { type });
  const picture = (sha256: string, houseId = 'h') => ({
    sha256,
    houseId,
    full: blob(1000),
    thumbnail: blob(10),
  });

  test('are told by house with what they take up, and which are without a small one', async () => {
    const local = await open(freshName());
    await local.keepPicture(picture('a'));
    await local.keepPicture({ ...picture('b'), thumbnail: null });
    await local.keepPicture(picture('c', 'other'));
    expect(await local.picturesHeld()).toEqual(
      new Map([
        ['h', { pictures: 2, bytes: 2010 }],
        ['other', { pictures: 1, bytes: 1010 }],
      ]),
    );
    expect(await local.withoutThumbnail(['a', 'b', 'x'])).toEqual(['b', 'x']);
    local.close();
  });

  test('what is new of one joins what is here', async () => {
    const local = await open(freshName());
    await local.keepPicture({ ...picture('a'), full: null });
    await local.keepPicture({ ...picture('a'), thumbnail: null });
    const kept = await local.picture('a');
    expect([kept?.full?.size, kept?.thumbnail?.size]).toEqual([1000, 10]);
    local.close();
  });

  test('what the server confirmed gives way, all of it or the whole ones; what was not sent stays', async () => {
    const local = await open(freshName());
    for (const each of [picture('sent'), picture('unsent'), picture('elsewhere', 'other')])
      await local.keepPicture(each);
    local.keepUploads([{ sha256: 'unsent', houseId: 'h', url: null }]);
    await local.settled();
    const namesOfSent = async (houseId: string | null) =>
      (await local.sentPictures(houseId)).map(({ sha256 }) => sha256).sort();
    expect(await namesOfSent('h')).toEqual(['sent']);
    expect(await namesOfSent(null)).toEqual(['elsewhere', 'sent']);
    await local.dropPictures(['sent', 'unsent'], true);
    expect((await local.picture('sent'))?.full).toBeNull();
    expect((await local.picture('sent'))?.thumbnail?.size).toBe(10);
    await local.dropPictures(['sent', 'unsent'], false);
    expect(await local.picture('sent')).toBeUndefined();
    expect((await local.picture('unsent'))?.full?.size).toBe(1000);
    expect((await local.picture('elsewhere'))?.thumbnail?.size).toBe(10);
    local.close();
  });

  test('what a portal once answered in place of a small picture is asked for again', async () => {
    const local = await open(freshName());
    await local.keepPicture({ ...picture('a'), thumbnail: blob(10, 'text/html') });
    expect(await local.withoutThumbnail(['a'])).toEqual(['a']);
    local.close();
  });

  test('uploads and taken houses are there again, and gone once they are done with', async () => {
    const name = freshName();
    const local = await open(name);
    local.keepUploads([{ sha256: 'a', houseId: 'h', url: '/x' }]);
    local.keepUploads([{ sha256: 'b', houseId: 'h', url: null }]);
    local.keepTaken('h', true);
    local.keepTaken('other', true);
    local.keepTaken('other', false);
    local.dropUpload({ houseId: 'h', sha256: 'b' });
    await local.settled();
    const kept = await local.load();
    expect([kept.uploads, kept.taken]).toEqual([[{ sha256: 'a', houseId: 'h', url: '/x' }], ['h']]);
    local.close();
  });
});

test('a house that is forgotten leaves no other out', async () => {
  const local = await open(freshName());
  local.keepCopy({ ledgerId: 'h', upTo: 3 }, [area('a', 'Wall'), area('b', 'Roof')]);
  local.keepCopy({ ledgerId: 'i', upTo: 1 }, [area('c', 'Floor')]);
  local.dropCopy('h');
  await local.settled();
  const { copies, records } = await local.load();
  expect(copies.map(({ ledgerId }) => ledgerId)).toEqual(['i']);
  expect(records.map(({ id }) => id)).toEqual(['c']);
  local.close();
});

test('without room what was entered waits in order, is told, and is kept when there is room', async () => {
  jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'setImmediate', 'nextTick'] });
  const told: boolean[] = [];
  const local = await LocalDatabase.open({
    rewrite: rewriteNothing,
    onTrouble: neverFails,
    onRoom: (hasRoom) => told.push(hasRoom),
    name: freshName(),
  });
  const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('No room.', 'QuotaExceededError');
  });
  const settle = async () => {
    for (let i = 0; i < 20; i++) await new Promise((resolve) => setImmediate(resolve));
  };
  local.keepHouses(listOf({ id: 'h', name: 'Byre' }));
  await settle();
  local.keepHouses(listOf({ id: 'h', name: 'Barn' }));
  await settle();
  expect(told).toEqual([false, false]);
  put.mockRestore();
  jest.advanceTimersByTime(10_000);
  await settle();
  expect(told.at(-1)).toBe(true);
  expect((await local.load()).houses?.houses.map((house) => house.name)).toEqual(['Barn']);
  jest.useRealTimers();
  local.close();
});

test('one timer for all that waits for room, however much is entered meanwhile', async () => {
  jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'setImmediate', 'nextTick'] });
  const local = await open(freshName());
  let commits = 0;
  const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    commits++;
    throw new DOMException('No room.', 'QuotaExceededError');
  });
  const settle = async () => {
    for (let i = 0; i < 20; i++) await new Promise((resolve) => setImmediate(resolve));
  };
  for (let i = 0; i < 20; i++) {
    local.keepHouses(listOf());
    await settle();
  }
  const entered = commits;
  for (let second = 0; second < 60; second += 10) {
    jest.advanceTimersByTime(10_000);
    await settle();
  }
  expect(commits - entered).toBeLessThanOrEqual(7);
  put.mockRestore();
  jest.useRealTimers();
  local.close();
});

test('a database that is deleted under the page is opened again, and written anew', async () => {
  const name = freshName();
  const told: unknown[] = [];
  const local = await LocalDatabase.open({
    name,
    rewrite: (again) => again.rewriteChanges([{ changeId: 'c', order: 0, waiting: pending('c') }]),
    onTrouble: (trouble) => told.push(trouble),
  });
  local.keepUploads([{ sha256: 'a', houseId: 'h', url: null }]);
  await local.settled();
  await deleteDB(name);
  const settle = async () => {
    for (let i = 0; i < 200 && told.at(-1) !== null; i++)
      await new Promise((resolve) => setTimeout(resolve, 5));
  };
  await settle();
  expect(told).toEqual(['closed', null]);
  expect((await local.load()).outbox.map(({ changeId }) => changeId)).toEqual(['c']);
  local.close();
});

test('a page of an older version is told that it is one', async () => {
  const name = freshName();
  const told: unknown[] = [];
  const local = await LocalDatabase.open({
    name,
    rewrite: rewriteNothing,
    onTrouble: (trouble) => told.push(trouble),
  });
  // The newer version, and after it the older page's attempt to open its own again.
  const newer = await openDB(name, 99);
  for (let i = 0; i < 400 && told.length < 2; i++) await new Promise((resolve) => setTimeout(resolve, 5));
  newer.close();
  local.close();
  expect(told).toEqual(['closed', 'newer version']);
});
