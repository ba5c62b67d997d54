import type { Change, ChangeOutcome, KindedRecord } from '@calvet/contract';
import { Unreachable } from './api';
import { Outbox, waitingIn, type Wish } from './outbox';

jest.useFakeTimers();

type Send = (houseId: string, changes: readonly Change[]) => Promise<readonly ChangeOutcome[]>;

const applied = (changes: readonly Change[]): readonly ChangeOutcome[] =>
  changes.map(({ changeId, baseRevision }, i) => ({
    changeId,
    outcome: 'applied',
    revision: baseRevision + 1,
    changeNumber: i + 1,
  }));

const rename = (name: string, id = 'a'): Wish => ({
  houseId: 'h',
  kind: 'area',
  id,
  op: 'update',
  body: { name },
});

function outboxWith(send: Send) {
  const sent: (readonly Change[])[] = [];
  const revisions = new Map<string, number>([['a', 3]]);
  const outbox = new Outbox({
    send: (houseId, changes) => {
      sent.push(changes);
      return send(houseId, changes);
    },
    revisionOf: (_houseId, id) => revisions.get(id) ?? 0,
    onApplied: ({ change }, { revision }) => revisions.set(change.id, revision),
    gatherMs: 100,
  });
  return { outbox, sent };
}

const tick = (milliseconds: number) => jest.advanceTimersByTimeAsync(milliseconds);

test('typing gathers into one change, sent once', async () => {
  const { outbox, sent } = outboxWith((_h, changes) => Promise.resolve(applied(changes)));
  for (const name of ['W', 'Wa', 'Wal', 'Wall']) {
    outbox.write(rename(name));
    await tick(30);
  }
  await tick(200);
  expect(sent).toHaveLength(1);
  expect(sent[0]).toMatchObject([{ op: 'update', baseRevision: 3, body: { name: 'Wall' } }]);
  expect(outbox.getState()).toEqual({ pending: [], troubled: [], phase: 'idle' });
});

test('what is written while a change is under way goes after it, upon the revision that was seen', async () => {
  let answer = (_: readonly ChangeOutcome[]): void => undefined;
  const { outbox, sent } = outboxWith((_h, changes) =>
    sent.length === 1
      ? new Promise((resolve) => {
          answer = () => resolve(applied(changes));
        })
      : Promise.resolve(applied(changes)),
  );
  outbox.write(rename('One'));
  await tick(150);
  outbox.write(rename('Two'));
  await tick(150);
  expect(sent).toHaveLength(1);
  answer([]);
  await tick(150);
  expect(sent.map(([change]) => [change?.baseRevision, change?.body])).toEqual([
    [3, { name: 'One' }],
    [3, { name: 'Two' }],
  ]);
});

test('while the server cannot be reached entries wait, in order, and go when it is back', async () => {
  let isUp = false;
  const { outbox, sent } = outboxWith((_h, changes) =>
    isUp ? Promise.resolve(applied(changes)) : Promise.reject(new Unreachable('down')),
  );
  outbox.write({ houseId: 'h', kind: 'area', id: 'b', op: 'create', body: {} });
  outbox.write({ houseId: 'h', kind: 'area', id: 'b', op: 'delete' });
  await tick(500);
  expect(outbox.getState()).toMatchObject({ phase: 'unreachable', pending: [{}, {}] });
  isUp = true;
  await tick(60_000);
  expect(outbox.getState().pending).toEqual([]);
  expect(sent.at(-1)?.map(({ op, baseRevision }) => [op, baseRevision])).toEqual([
    ['create', 0],
    ['delete', 0],
  ]);
});

test('the same change keeps its id however often it is sent', async () => {
  let tries = 0;
  const { outbox, sent } = outboxWith((_h, changes) =>
    ++tries < 4 ? Promise.reject(new Unreachable('down')) : Promise.resolve(applied(changes)),
  );
  outbox.write(rename('X'));
  await tick(60_000);
  expect(new Set(sent.flat().map(({ changeId }) => changeId)).size).toBe(1);
  expect(sent).toHaveLength(4);
});

const current = { kind: 'area', record: { id: 'a', revision: 9, name: 'Theirs' } } as unknown as KindedRecord;
const conflict = (changes: readonly Change[]): readonly ChangeOutcome[] =>
  changes.map(({ changeId }) => ({ changeId, outcome: 'conflict', current, fields: [] }));

test('a conflict is kept until a person decides: mine goes again upon their revision', async () => {
  const { outbox, sent } = outboxWith((_h, changes) =>
    Promise.resolve(sent.length === 1 ? conflict(changes) : applied(changes)),
  );
  outbox.write(rename('Mine'));
  await tick(200);
  const [troubled] = outbox.getState().troubled;
  expect(troubled?.trouble.kind).toBe('conflict');
  expect(waitingIn(outbox.getState(), 'h')).toHaveLength(1);
  outbox.keepMine(troubled?.change.changeId ?? '');
  await tick(200);
  expect(sent[1]).toMatchObject([{ baseRevision: 9, body: { name: 'Mine' } }]);
  expect(sent[1]?.[0]?.changeId).not.toBe(sent[0]?.[0]?.changeId);
  expect(outbox.getState().troubled).toEqual([]);
});

test('giving way in one field sends the others again, upon the newer state', async () => {
  const fields = [{ field: 'name', by: 'Ada', at: '2026-11-03T10:20:00.000Z' }];
  const { outbox, sent } = outboxWith((_h, changes) =>
    Promise.resolve(
      sent.length === 1
        ? changes.map(({ changeId }) => ({ changeId, outcome: 'conflict', current, fields }))
        : applied(changes),
    ),
  );
  outbox.write({ ...rename('Mine'), body: { name: 'Mine', grade: 'II' } });
  await tick(200);
  outbox.takeTheirs(outbox.getState().troubled[0]?.change.changeId ?? '');
  await tick(200);
  expect(sent[1]).toMatchObject([{ baseRevision: 9, body: { grade: 'II' } }]);
  expect(sent[1]?.[0]?.body).not.toHaveProperty('name');
  expect(outbox.getState()).toEqual({ pending: [], troubled: [], phase: 'idle' });
});

test('a conflict can be let go', async () => {
  const { outbox } = outboxWith((_h, changes) => Promise.resolve(conflict(changes)));
  outbox.write(rename('Mine'));
  await tick(200);
  outbox.discard(outbox.getState().troubled[0]?.change.changeId ?? '');
  expect(outbox.getState()).toMatchObject({ pending: [], troubled: [] });
});

test('a refused change is shown and holds up nobody', async () => {
  const { outbox } = outboxWith((_h, changes) =>
    Promise.resolve(
      changes.map(({ changeId, id }, i) =>
        id === 'bad'
          ? {
              changeId,
              outcome: 'refused',
              code: 'out-of-range',
              field: 'changes[0].body.areaM2',
              message: 'No.',
            }
          : { changeId, outcome: 'applied', revision: 1, changeNumber: i },
      ),
    ),
  );
  outbox.write({ houseId: 'h', kind: 'area', id: 'bad', op: 'create', body: {} });
  outbox.write({ houseId: 'h', kind: 'area', id: 'good', op: 'create', body: {} });
  await tick(200);
  expect(outbox.getState()).toMatchObject({
    pending: [],
    troubled: [{ change: { id: 'bad' }, trouble: { kind: 'refused', message: 'No.' } }],
  });
});

describe('a refused change is mended', () => {
  const refuseFirst = (changes: readonly Change[]): readonly ChangeOutcome[] =>
    changes.map(({ changeId, op, body }, i) =>
      op === 'create' && 'name' in body && body.name === ''
        ? {
            changeId,
            outcome: 'refused',
            code: 'empty',
            field: `changes[${i}].body.name`,
            message: 'This cannot be empty.',
          }
        : { changeId, outcome: 'applied', revision: 1, changeNumber: 1 },
    );
  const made: Wish = { houseId: 'h', kind: 'area', id: 'new', op: 'create', body: { name: '', areaM2: 4 } };

  test('by entering it anew: all of it goes again as one, before what was made upon it', async () => {
    const { outbox, sent } = outboxWith((_h, changes) => Promise.resolve(refuseFirst(changes)));
    outbox.write(made);
    outbox.write(rename('Roof'));
    await tick(500);
    expect(outbox.getState().troubled).toHaveLength(1);
    outbox.write(rename('Wall', 'new'));
    expect(outbox.getState().troubled).toEqual([]);
    await tick(500);
    expect(sent.at(-1)).toMatchObject([{ op: 'create', id: 'new', body: { name: 'Wall', areaM2: 4 } }]);
    expect(sent.at(-1)?.[0]?.changeId).not.toBe(sent[0]?.[0]?.changeId);
    expect(outbox.getState()).toEqual({ pending: [], troubled: [], phase: 'idle' });
  });

  test('by what it lacked being there now: it is sent once more', async () => {
    let isRefused = true;
    const { outbox, sent } = outboxWith((_h, changes) =>
      Promise.resolve(isRefused ? refuseFirst(changes) : applied(changes)),
    );
    outbox.write(made);
    await tick(500);
    isRefused = false;
    outbox.sendOnceMore(outbox.getState().troubled[0]?.change.changeId ?? '');
    await tick(500);
    expect(sent).toHaveLength(2);
    expect(outbox.getState().troubled).toEqual([]);
  });
});

test('houses are sent each for itself', async () => {
  const houses: string[] = [];
  const { outbox } = outboxWith((houseId, changes) => {
    houses.push(houseId);
    return Promise.resolve(applied(changes));
  });
  outbox.write({ houseId: 'h1', kind: 'area', id: 'x', op: 'create', body: {} });
  outbox.write({ houseId: 'h2', kind: 'area', id: 'y', op: 'create', body: {} });
  await tick(500);
  expect(houses).toEqual(['h1', 'h2']);
});
