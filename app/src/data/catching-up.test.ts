import type { BodyChange, ChangesPage, House } from '@calvet/contract';
import { houseWith } from '../../test/records';
import { ApiProblem } from './api';
import { CatchingUp } from './catching-up';
import { Copies } from './copies';
import { EMPTY_COPY, type HouseCopy } from './house-copy';
import { Outbox } from './outbox';
import { deviceClock } from './clock';
import type { Wish } from './store-options';

const house: House = houseWith({ revision: 3 });
const copy: HouseCopy = { upTo: 3, records: new Map([[house.id, { kind: 'house', record: house }]]) };

/** A device that holds a house, and a server that knows none unless it is told otherwise. */
function device(changesSince?: (houseId: string, since: number) => Promise<ChangesPage>) {
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
    code: 'unknown-house',
    field: 'houseId',
    detail: 'No house has this id.',
  });
  const catchingUp = new CatchingUp({
    api: {
      houses: () => Promise.reject(unknown),
      changesSince: changesSince ?? (() => Promise.reject(unknown)),
    },
    clock: deviceClock,
    copies,
    outbox,
    settled: Promise.resolve(),
    onReached: () => undefined,
    onUnreachable: () => undefined,
    onHouses: () => undefined,
    onLost: () => undefined,
    writeLost: (houseId, lost) => {
      told.push([...lost]);
      outbox.write(
        lost.map(({ kind, id, op, body }, i) => ({
          entryId: `lost ${told.length}.${i}`,
          houseId,
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
  const { catchingUp, copies } = device((houseId, since) => {
    asked.push(since);
    // The server turned out to know less, and another tab took the copy back, while this was on its way.
    if (since > 0) copies.replace(houseId, EMPTY_COPY);
    return Promise.resolve({
      records: since > 0 ? [] : [{ kind: 'house' as const, record: later }],
      upTo: 5,
      more: false,
    });
  });
  await catchingUp.refreshHouse(house.id);
  expect(asked).toEqual([3, 0]);
  expect(copies.recordOf(house.id, house.id)?.record).toEqual(later);
  expect(copies.of(house.id).upTo).toBe(5);
});
