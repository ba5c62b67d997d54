import type { BodyChange } from '@calvet/contract/changes/parts';
import type { ChangesPage } from '@calvet/contract/changes/change';
import type { House } from '@calvet/contract/house/house';
import { houseWith } from '../../test/records';
import { ApiProblem, type Api } from './api';
import { CatchingUp } from './catching-up';
import { Copies } from './copies';
import { EMPTY_COPY, type LedgerCopy } from './ledger-copy';
import { Outbox } from './outbox';
import { deviceClock } from './clock';
import type { Wish } from './store-options';

const house: House = houseWith({ revision: 3 });
const copy: LedgerCopy = { upTo: 3, records: new Map([[house.id, { kind: 'house', record: house }]]) };

/** A device that holds a house, and a server that knows none unless it is told otherwise. */
function device(
  changesSince?: (ledgerId: string, since: number) => Promise<ChangesPage>,
  more: Partial<Pick<Api, 'houses' | 'changesOf'>> = {},
) {
  let ids = 0;
  const outbox = new Outbox({
    post: () => undefined,
    local: () => null,
    newId: () => `change ${(ids += 1)}`,
    onWaiting: () => undefined,
  });
  outbox.lead([], []);
  const copies = new Copies({ tabs: { post: () => undefined }, local: () => null });
  copies.takeUp(new Map([[house.id, copy]]));
  const told: Wish[][] = [];
  const unknown = new ApiProblem({
    type: 'about:blank',
    title: 'Not here',
    status: 404,
    code: 'unknown-ledger',
    field: 'ledgerId',
    detail: 'No house has this id.',
  });
  const catchingUp = new CatchingUp({
    api: {
      houses: () => Promise.reject(unknown),
      changesOf: () => Promise.reject(unknown),
      changesSince: changesSince ?? (() => Promise.reject(unknown)),
      ...more,
    },
    clock: deviceClock,
    copies,
    outbox,
    settled: Promise.resolve(),
    onReached: () => undefined,
    onUnreachable: () => undefined,
    onHouses: () => undefined,
    onLost: () => undefined,
    writeLost: (ledgerId, lost) => {
      told.push([...lost]);
      outbox.write(
        lost.map(({ kind, id, op, body }, i) => ({
          entryId: `lost ${told.length}.${i}`,
          ledgerId,
          kind,
          id,
          op,
          change: { body: (body ?? {}) as BodyChange['body'], parts: [] },
          seenRevision: 0,
          enteredAt: '2026-10-01T08:00:00.000Z',
        })),
      );
    },
  });
  return { catchingUp, outbox, told, copies };
}

test('a server that does not know a house is told it once, however many answers say so, early or late', async () => {
  const { catchingUp, told, outbox } = device();
  const both = await Promise.all([catchingUp.tellAgain(house.id), catchingUp.tellAgain(house.id)]);
  // What was sent before it was told is answered after it.
  const late = await catchingUp.tellAgain(house.id);
  expect([...both, late]).toEqual([true, true, true]);
  expect(told.map((lost) => lost.map(({ id, op }) => [id, op]))).toEqual([[[house.id, 'create']]]);
  expect(outbox.toSend().pending.map(({ change }) => change.op)).toEqual(['create']);
});

test('a house that nobody knows is not told of', async () => {
  const { catchingUp, told } = device();
  expect(await catchingUp.tellAgain('another')).toBe(false);
  expect(told).toEqual([]);
});

test('a page that follows upon a copy which was replaced meanwhile is asked for again, from where the new one ends', async () => {
  const asked: number[] = [];
  const later = { ...house, revision: 4, name: 'Later' };
  const { catchingUp, copies } = device((ledgerId, since) => {
    asked.push(since);
    // The server turned out to know less, and another tab took the copy back, while this was on its way.
    if (since > 0) copies.replace(ledgerId, EMPTY_COPY);
    return Promise.resolve({
      records: since > 0 ? [] : [{ kind: 'house' as const, record: later }],
      upTo: 5,
      more: false,
    });
  });
  await catchingUp.refreshLedger(house.id);
  expect(asked).toEqual([3, 0]);
  expect(copies.recordOf(house.id, house.id)?.record).toEqual(later);
  expect(copies.of(house.id).upTo).toBe(5);
});

/** What a server tells of a house that has so many changes, asked since one of them. */
const pageOf = (id: string, since: number, upTo: number): ChangesPage => ({
  records:
    upTo > since ? [{ kind: 'house', record: { ...house, id, ledgerId: id, revision: upTo, name: id } }] : [],
  upTo,
  more: false,
});

test('what fell behind is fetched in one request; what does not go into it is asked for alone', async () => {
  const counters: Record<string, number> = { [house.id]: 5, long: 900, b: 7, c: 2 };
  const together: string[][] = [];
  const alone: string[] = [];
  const { catchingUp, copies } = device(
    (id, since) => {
      alone.push(id);
      return Promise.resolve(pageOf(id, since, counters[id] ?? 0));
    },
    {
      changesOf: (since) => {
        together.push([...since].map((pair) => pair.join(':')));
        const fitting = [...since].filter(([id]) => id !== 'long').slice(0, 2);
        return Promise.resolve({
          pages: Object.fromEntries(fitting.map(([id, n]) => [id, pageOf(id, n, counters[id] ?? 0)])),
        });
      },
    },
  );
  await catchingUp.refreshEach([house.id, 'long', 'b', 'c']);
  expect(together).toEqual([
    [`${house.id}:3`, 'long:0', 'b:0', 'c:0'],
    ['long:0', 'c:0'],
  ]);
  expect(alone).toEqual(['long']);
  expect(Object.keys(counters).map((id) => copies.of(id).upTo)).toEqual(Object.values(counters));
});

test('one house that cannot be fetched holds up no other', async () => {
  const { catchingUp, copies } = device(undefined, {
    changesOf: (since) =>
      Promise.resolve({
        pages: Object.fromEntries(
          [...since.keys()].filter((id) => id !== 'gone').map((id) => [id, pageOf(id, 0, 2)]),
        ),
      }),
  });
  await expect(catchingUp.refreshEach(['a', 'gone', 'b'])).rejects.toThrow('No house has this id.');
  expect([copies.of('a').upTo, copies.of('b').upTo]).toEqual([2, 2]);
});

test('a server that knows less of one house among several is told what it lost of it', async () => {
  const { catchingUp, told } = device((id) => Promise.resolve(pageOf(id, 0, 1)), {
    changesOf: (since) =>
      Promise.resolve({
        pages: Object.fromEntries([...since.keys()].map((id) => [id, { records: [], upTo: 1, more: false }])),
      }),
  });
  await catchingUp.refreshEach([house.id, 'b']);
  expect(told.flat().map(({ id, op }) => [id, op])).toEqual([[house.id, 'update']]);
});
