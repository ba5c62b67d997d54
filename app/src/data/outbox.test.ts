import type { LocalDatabase } from './local-database';
import type { KeptEntry, KeptWaiting } from './local-schema';
import { Outbox } from './outbox';
import type { Entry } from './outbox-rules';
import type { TabMessage } from './tabs';

const entryWith = (entryId: string): Entry => ({
  entryId,
  ledgerId: 'h1',
  kind: 'area',
  id: `area of ${entryId}`,
  op: 'create',
  change: { body: { name: entryId }, parts: [] },
  seenRevision: 0,
  enteredAt: '2026-10-01T08:00:00.000Z',
});
const NOTHING: KeptWaiting = { outbox: [], entries: [] };

/** A tab, with a device's database that opens and keeps when it is told to. */
function tab() {
  const kept: KeptEntry[] = [];
  const keepings: (() => void)[] = [];
  const posted: TabMessage[] = [];
  const database = {
    keepEntries: (entries: readonly Entry[], onKept: () => void) =>
      keepings.push(() => {
        for (const entry of entries) kept.push({ order: kept.length, entry });
        onKept();
      }),
    loadEntries: () => Promise.resolve([...kept]),
    settled: () => Promise.resolve(),
    dropEntries: () => undefined,
    keepChanges: () => undefined,
  };
  let isOpen = false;
  let ids = 0;
  const outbox = new Outbox({
    post: (message) => posted.push(message),
    local: () => (isOpen ? (database as unknown as LocalDatabase) : null),
    newId: () => `change ${(ids += 1)}`,
    onWaiting: () => undefined,
  });
  return {
    outbox,
    kept,
    posted,
    openDatabase: () => {
      isOpen = true;
      outbox.follow(NOTHING);
    },
    keep: () => keepings.splice(0).forEach((each) => each()),
    shown: () => outbox.getState().pending.map(({ change }) => change.id),
  };
}

test('what is entered before the device’s database is here is kept once it is, whoever heard of it', () => {
  const { outbox, openDatabase, keep, kept, posted, shown } = tab();
  outbox.write([entryWith('early')]);
  // Nobody is there to hear it.
  expect(posted).toMatchObject([{ kind: 'entered', entries: [{ entryId: 'early' }] }]);
  openDatabase();
  expect(shown()).toEqual(['area of early']);
  keep();
  expect(kept.map(({ entry }) => entry.entryId)).toEqual(['early']);
  expect(posted.at(-1)).toEqual({ kind: 'entered', entries: [] });
});

test('what the tab that sends has taken meanwhile is not handed over once more', () => {
  const { outbox, openDatabase, keep, kept, shown } = tab();
  outbox.write([entryWith('early')]);
  outbox.hear({ kind: 'outbox', changed: [], gone: [], took: ['early'], phase: 'idle', isAll: false });
  openDatabase();
  keep();
  expect([kept, shown()]).toEqual([[], []]);
});

test('without a database, a tab that comes to send has what was entered in it and nobody took', () => {
  const { outbox } = tab();
  outbox.write([entryWith('one'), entryWith('two')]);
  outbox.hear({ kind: 'outbox', changed: [], gone: [], took: ['one'], phase: 'idle', isAll: false });
  outbox.lead([], []);
  expect(outbox.toSend().pending.map(({ change }) => change.id)).toEqual(['area of two']);
});

test('what has no room in the database yet is shown all the same, and taken once it is kept', async () => {
  const { outbox, openDatabase, keep, shown } = tab();
  openDatabase();
  outbox.write([entryWith('late')]);
  // The tab that sends tells all that waits; the database does not hold it yet.
  outbox.hear({ kind: 'outbox', changed: [], gone: [], took: [], phase: 'idle', isAll: true });
  await Promise.resolve();
  await Promise.resolve();
  expect(shown()).toEqual(['area of late']);
  keep();
  outbox.lead([], []);
  await outbox.takeEntered();
  expect(outbox.toSend().pending.map(({ change }) => change.id)).toEqual(['area of late']);
});

test('what nobody took of what was only told is told again with what follows, in its order', () => {
  const { outbox, posted } = tab();
  outbox.write([entryWith('one')]);
  outbox.write([entryWith('two')]);
  const told = posted.map((message) =>
    message.kind === 'entered' ? message.entries.map(({ entryId }) => entryId) : [],
  );
  expect(told).toEqual([['one'], ['one', 'two']]);
});

test('what was only told is said to be taken once it is written down, and taken once', async () => {
  const { outbox, openDatabase, posted } = tab();
  openDatabase();
  outbox.lead([], []);
  posted.length = 0;
  const tookIn = () => posted.flatMap((message) => (message.kind === 'outbox' ? message.took : []));
  const told = [{ order: null, entry: entryWith('one') }];
  outbox.take(told);
  expect(tookIn()).toEqual([]);
  outbox.take(told);
  await Promise.resolve();
  await Promise.resolve();
  expect(new Set(tookIn())).toEqual(new Set(['one']));
  expect(outbox.toSend().pending).toHaveLength(1);
});
