/** @jest-environment node */
import type { Change, ChangeOutcome } from '@calvet/contract/changes/change';
import type { Problem } from '@calvet/contract/problem';
import { ApiProblem, Unreachable } from './api';
import { deviceClock } from './clock';
import type { LocalDatabase } from './local-database';
import type { KeptEntry } from './local-schema';
import { Outbox } from './outbox';
import type { Entry } from './outbox-rules';
import { Reachability } from './reachability';
import { Sender } from './sender';

jest.useFakeTimers();

const named = (entryId: string, name: string, enteredAt: string, id = 'wall'): Entry => ({
  entryId,
  ledgerId: 'h1',
  kind: 'area',
  id,
  op: 'update',
  change: { body: { name }, parts: [] },
  seenRevision: 3,
  enteredAt,
});

/** A tab that sends, over a database into which other tabs write. */
function sendingTab() {
  const inDatabase: KeptEntry[] = [];
  const sent: Change[] = [];
  let fails = false;
  /** Fields that the server does not know. */
  const unknown = new Set<string>();
  const proxy = { isServerReady: true };
  /** What every batch meets, where it is not 0. */
  const door = { status: 0 };
  const database = {
    loadEntries: () => (fails ? Promise.reject(new Error('closed')) : Promise.resolve([...inDatabase])),
    dropEntries: () => void inDatabase.splice(0),
    keepChanges: () => undefined,
    settled: () => Promise.resolve(),
  } as unknown as LocalDatabase;
  let ids = 0;
  const outbox: Outbox = new Outbox({
    post: () => undefined,
    local: () => database,
    newId: () => `change ${(ids += 1)}`,
    onWaiting: () => undefined,
  });
  outbox.lead([], []);
  const reachability = new Reachability(deviceClock);
  const sender = new Sender({
    api: {
      isReady: () => Promise.resolve(proxy.isServerReady),
      sendChanges: (_houseId, changes) => {
        if (namesIn(changes).includes('Poison'))
          return Promise.reject(new Unreachable('A page says 500.', 500));
        if (door.status !== 0) return Promise.reject(new ApiProblem(problemOf(door.status)));
        sent.push(...changes);
        const answer = ({ changeId, body }: Change): ChangeOutcome =>
          Object.keys(body).some((field) => unknown.has(field))
            ? {
                changeId,
                outcome: 'refused',
                code: 'unknown-field',
                field: 'changes[0].body',
                message: 'No.',
              }
            : { changeId, outcome: 'applied', revision: 4, changeNumber: 9 };
        return Promise.resolve(new Map(changes.map((each) => [each.changeId, answer(each)])));
      },
    },
    clock: deviceClock,
    outbox,
    reachability,
    isLeading: outbox.isLeading,
    onAnswered: () => undefined,
    onUnknownLedger: () => Promise.resolve(true),
  });
  return { inDatabase, outbox, sender, sent, unknown, proxy, door, breakDatabase: () => (fails = true) };
}

const problemOf = (status: number): Problem => ({
  type: 'urn:calvet:problem:any',
  title: '',
  status,
  detail: 'Not now.',
  code: 'any',
  field: '',
});

const EARLY = '2031-03-01T08:00:00.000Z';
const LATE = '2031-03-01T08:00:05.000Z';
const namesIn = (changes: readonly Change[]) => changes.map(({ body }) => (body as { name?: string }).name);

test('what another tab wrote before and nobody told of never comes after what was entered later', async () => {
  const { inDatabase, outbox, sender, sent } = sendingTab();
  outbox.write([named('own', 'later', LATE)]);
  inDatabase.push({ order: 1, entry: named('other', 'earlier', EARLY) });
  sender.sendNow();
  await jest.advanceTimersByTimeAsync(5000);
  await outbox.takeEntered();
  sender.sendNow();
  await jest.advanceTimersByTimeAsync(5000);
  expect(namesIn(sent).at(-1)).toBe('later');
  expect(namesIn(sent)).not.toContain('earlier');
  expect(outbox.toSend().pending).toEqual([]);
});

test('a database that does not answer holds nothing up', async () => {
  const { outbox, sender, sent, breakDatabase } = sendingTab();
  breakDatabase();
  outbox.write([named('own', 'later', LATE)]);
  sender.sendNow();
  await jest.advanceTimersByTimeAsync(5000);
  expect(namesIn(sent)).toEqual(['later']);
});

test('what an older server does not know yet waits with what follows it, holds up nothing else, and goes once it is known', async () => {
  const { outbox, sender, sent, unknown } = sendingTab();
  unknown.add('name');
  outbox.write([named('one', 'newer', EARLY)]);
  sender.sendNow();
  await jest.advanceTimersByTimeAsync(5000);
  expect(outbox.toSend()).toMatchObject({ pending: [{ isTooNew: true }], troubled: [] });
  unknown.clear();
  outbox.write([named('two', 'after it', LATE), named('three', 'other', LATE, 'roof')]);
  sender.gather();
  await jest.advanceTimersByTimeAsync(5000);
  expect(namesIn(sent)).toEqual(['newer', 'other']);
  await jest.advanceTimersByTimeAsync(600_000);
  expect(namesIn(sent)).toEqual(['newer', 'other', 'newer', 'after it']);
  expect(outbox.toSend().pending).toEqual([]);
});

test('what leads to a fault is set aside, also where the server did not answer when it was first met', async () => {
  const { outbox, sender, sent, proxy } = sendingTab();
  proxy.isServerReady = false;
  outbox.write([named('one', 'Poison', EARLY), named('two', 'sound', LATE, 'roof')]);
  sender.sendNow();
  await jest.advanceTimersByTimeAsync(3000);
  expect(outbox.toSend().troubled).toEqual([]);
  proxy.isServerReady = true;
  await jest.advanceTimersByTimeAsync(600_000);
  expect(outbox.toSend()).toMatchObject({
    pending: [],
    troubled: [{ change: { body: { name: 'Poison' } } }],
  });
  expect(namesIn(sent)).toEqual(['sound']);
});

test('a field that this app does not know either is refused', async () => {
  const { outbox, sender, unknown } = sendingTab();
  unknown.add('colour');
  const odd = named('one', 'odd', EARLY);
  outbox.write([{ ...odd, change: { body: { colour: 'red' }, parts: [] } }]);
  sender.sendNow();
  await jest.advanceTimersByTimeAsync(5000);
  expect(outbox.toSend()).toMatchObject({ pending: [], troubled: [{ trouble: { kind: 'refused' } }] });
});

test.each([401, 403, 421])(
  'a server that takes nothing from here (%i) has everything wait until it does',
  async (status) => {
    const { outbox, sender, sent, door } = sendingTab();
    door.status = status;
    outbox.write([named('one', 'first', EARLY), named('two', 'second', LATE, 'roof')]);
    sender.sendNow();
    await jest.advanceTimersByTimeAsync(60_000);
    expect(outbox.toSend().pending).toHaveLength(2);
    door.status = 0;
    sender.sendNow();
    await jest.advanceTimersByTimeAsync(60_000);
    expect(namesIn(sent)).toEqual(['first', 'second']);
  },
);
