/** @jest-environment node */
import 'fake-indexeddb/auto';
import type { House, KindedRecord } from '@calvet/contract';
import { openDB } from 'idb';
import { copiesOf } from './house-copy';
import { OutboxKeeper, restoredFrom } from './kept-outbox';
import { LocalDatabase } from './local-database';
import type { OutboxState, Pending, Troubled } from './outbox';

let count = 0;
const everyStore = ['copies', 'lists', 'outbox', 'pictures', 'records', 'taken', 'uploads'];
const freshName = () => `test-${count++}`;
const neverFails = (error: unknown) => {
  throw error;
};
const open = (name: string) => LocalDatabase.open({ onFailure: neverFails, name });
const area = (id: string, name: string): KindedRecord =>
  ({
    kind: 'area',
    record: { id, houseId: 'h', revision: 1, deletedAt: null, name },
  }) as unknown as KindedRecord;
const pending = (changeId: string, houseId = 'h'): Pending => ({
  houseId,
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
  local.keepCopy({ houseId: 'h', upTo: 3 }, [area('a', 'Wall'), area('b', 'Roof')]);
  local.keepCopy({ houseId: 'h', upTo: 5 }, [area('a', 'West wall')]);
  local.keepHouses([{ id: 'h', name: 'Byre' } as House]);
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
  expect(kept.houses?.map((house) => house.name)).toEqual(['Byre']);
  again.close();
});

test('a failure to keep is told, and does not stop what comes after', async () => {
  const failures: unknown[] = [];
  const local = await LocalDatabase.open({
    onFailure: (error) => failures.push(error),
    name: freshName(),
  });
  local.keepHouses([{ id: 'h', name: (() => 1) as unknown as string } as House]);
  await local.settled();
  expect(failures).toHaveLength(1);
  local.keepHouses([]);
  await local.settled();
  expect((await local.load()).houses).toEqual([]);
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
