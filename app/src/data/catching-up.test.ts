import type { BodyChange, House } from '@calvet/contract';
import { houseWith } from '../../test/records';
import { ApiProblem } from './api';
import { CatchingUp } from './catching-up';
import { Copies } from './copies';
import type { HouseCopy } from './house-copy';
import { Outbox } from './outbox';
import { deviceClock } from './clock';
import type { Wish } from './store-options';

const house: House = houseWith({ revision: 3 });
const copy: HouseCopy = { upTo: 3, records: new Map([[house.id, { kind: 'house', record: house }]]) };

/** A server that knows no house, and a device that holds one. */
function device() {
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
    api: { houses: () => Promise.reject(unknown), changesSince: () => Promise.reject(unknown) },
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
  return { catchingUp, outbox, told };
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
