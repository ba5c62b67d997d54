import {
  answer,
  changes,
  conflict,
  current,
  decide,
  enter,
  entry,
  forgetIds,
  newId,
  sealAll,
} from '../../test/waiting';
import type { ChangeOutcome } from '@calvet/contract/changes/change';
import fc from 'fast-check';
import { withDecision, withOutcomes } from './outbox-answers';
import {
  decisionOn,
  isOfDeletedHouse,
  NOTHING_WAITS,
  waitingIn,
  withEntries,
  withEntry,
  type Waiting,
} from './outbox-rules';

beforeEach(forgetIds);

const named = (state: Waiting) => changes(state).filter(({ body }) => 'name' in body);
const applied = { outcome: 'applied' as const, revision: 4, changeNumber: 9 };

test('what lies under a change that left was not seen: what is typed over it does not join what was seen of later', () => {
  const left = sealAll(enter(NOTHING_WAITS, { body: { name: 'A' }, seenRevision: 1 }));
  // Both are typed upon revision 3, of which the name alone is hidden by the change that left.
  const state = enter(
    left,
    { body: { grade: 'I' }, seenRevision: 3 },
    { body: { name: 'AB' }, seenRevision: 3 },
  );
  expect(changes(state).map(({ baseRevision, body }) => [baseRevision, body])).toEqual([
    [1, { name: 'A' }],
    [3, { grade: 'I' }],
    [1, { name: 'AB' }],
  ]);
});

describe('what may have left is not touched again', () => {
  test('typing joins what has not left', () => {
    const state = enter(
      NOTHING_WAITS,
      { body: { name: 'W' } },
      { body: { name: 'Wa' } },
      { body: { grade: 'I' } },
    );
    expect(changes(state)).toMatchObject([{ baseRevision: 3, body: { name: 'Wa', grade: 'I' } }]);
  });

  test('typing after it left goes under an id of its own, upon what was seen under it', () => {
    const left = sealAll(enter(NOTHING_WAITS, { body: { name: 'One' } }));
    const state = enter(
      left,
      { body: { name: 'Two' }, seenRevision: 8 },
      { body: { grade: 'I' }, seenRevision: 8 },
    );
    expect(changes(state)).toMatchObject([
      { body: { name: 'One' }, baseRevision: 3 },
      // Under what waits nobody saw revision 8.
      { body: { name: 'Two' }, baseRevision: 3 },
      { body: { grade: 'I' }, baseRevision: 8 },
    ]);
    expect(new Set(changes(state).map(({ changeId }) => changeId)).size).toBe(3);
    const more = enter(
      state,
      { body: { name: 'Twos' }, seenRevision: 8 },
      { body: { grade: 'II' }, seenRevision: 8 },
    );
    expect(changes(more).slice(1)).toMatchObject([
      { body: { name: 'Twos' }, baseRevision: 3 },
      { body: { grade: 'II' }, baseRevision: 8 },
    ]);
  });

  test('what touches nothing that waits is made upon the newest state', () => {
    const left = sealAll(enter(NOTHING_WAITS, { body: { name: 'One' } }));
    expect(changes(enter(left, { body: { grade: 'I' }, seenRevision: 8 }))[1]?.baseRevision).toBe(8);
  });

  test('where something else was taken under its id, it goes under another, as an update', () => {
    const left = sealAll(enter(NOTHING_WAITS, { op: 'create', body: { name: 'Wall' } }));
    const next = answer(left, () => ({
      outcome: 'refused',
      code: 'other-content',
      field: 'changes[0].changeId',
      message: '',
    }));
    expect(next.troubled).toEqual([]);
    expect(changes(next)).toMatchObject([{ op: 'update', baseRevision: 0, body: { name: 'Wall' } }]);
    expect(changes(next)[0]?.changeId).not.toBe(changes(left)[0]?.changeId);
    expect(next.pending[0]?.isSealed).toBe(false);
  });

  test('what joins a creation becomes part of it, entry by entry', () => {
    const reading = { id: 'r', pressurePa: -50 };
    const state = enter(
      NOTHING_WAITS,
      { kind: 'airtightnessTest', op: 'create', body: { note: '', depressurise: null } },
      {
        kind: 'airtightnessTest',
        change: { body: {}, parts: [{ path: 'depressurise.readings', id: 'r', entry: reading }] },
      },
    );
    expect(changes(state)).toMatchObject([{ op: 'create', body: { depressurise: { readings: [reading] } } }]);
    expect(changes(state)[0]).not.toHaveProperty('parts');
  });
});

describe('a dispute', () => {
  const disputed = () =>
    answer(sealAll(enter(NOTHING_WAITS, { body: { name: 'Mi', grade: 'II' } })), () =>
      conflict(current(5), 'name'),
    );

  test('is about what is in dispute; the rest goes on upon the state that it met', () => {
    const state = disputed();
    expect(state.troubled).toMatchObject([{ change: { body: { name: 'Mi' } } }]);
    expect(changes(state)).toMatchObject([{ body: { grade: 'II' }, baseRevision: 5 }]);
  });

  test.each(['slowly', 'fast'])('a word that is typed on %s ends whole, in one dispute', (how) => {
    let state = disputed();
    for (const name of ['Min', 'Mine']) {
      state = enter(state, { body: { name } });
      if (how === 'slowly') state = answer(state, () => applied);
    }
    expect(state.troubled).toMatchObject([{ change: { body: { name: 'Mine' } } }]);
    expect(changes(state).every(({ body }) => !('name' in body))).toBe(true);
    const kept = decide(state, 'mine');
    expect(named(kept)).toMatchObject([{ op: 'update', body: { name: 'Mine' }, baseRevision: 5 }]);
    expect(kept.troubled).toEqual([]);
  });

  test('nothing older is laid over what was typed while it was under way', () => {
    const two = sealAll(
      enter(sealAll(enter(NOTHING_WAITS, { body: { name: 'A' } })), { body: { name: 'AB' } }),
    );
    const typedOn = enter(two, { body: { name: 'ABC' } });
    const state = withOutcomes(
      typedOn,
      new Map(
        changes(two).map(({ changeId }) => [
          changeId,
          { changeId, ...conflict(current(5), 'name') } as ChangeOutcome,
        ]),
      ),
      newId,
    );
    expect(state.pending).toEqual([]);
    expect(state.troubled).toMatchObject([{ change: { body: { name: 'ABC' } } }]);
    expect(waitingIn(state, 'h').at(-1)?.body).toEqual({ name: 'ABC' });
  });

  test('a second field that comes into dispute joins it', () => {
    const state = answer(enter(disputed(), { body: { areaM2: 4 } }), ({ body }) =>
      'areaM2' in body ? conflict(current(6), 'areaM2') : applied,
    );
    expect(state.troubled).toHaveLength(1);
    expect(state.troubled[0]).toMatchObject({
      change: { body: { name: 'Mi', areaM2: 4 } },
      trouble: { fields: [{ field: 'name' }, { field: 'areaM2' }] },
    });
  });

  test('to give way drops mine and nothing else', () => {
    const state = decide(disputed(), 'theirs');
    expect(state.troubled).toEqual([]);
    expect(changes(state)).toMatchObject([{ body: { grade: 'II' } }]);
  });

  test('to insist is upon the newest state that was shown', () => {
    expect(named(decide(disputed(), 'mine', current(8)))).toMatchObject([{ baseRevision: 8 }]);
  });

  test('a decision about what has changed since is none: the person is asked anew', () => {
    const before = disputed();
    const decision = decisionOn(before.troubled, 'theirs', undefined);
    const state = enter(before, { body: { name: 'Mine' } });
    expect(withDecision(state, decision, newId)).toBe(state);
  });
});

describe('deletions', () => {
  const deleted = current(5, { deletedAt: '2026-11-03T10:20:00.000Z' });
  const edited = () =>
    answer(sealAll(enter(NOTHING_WAITS, { body: { name: 'Mine' } })), () => conflict(deleted));

  test('what is entered meanwhile joins it; to insist restores and updates, in this order', () => {
    const state = enter(edited(), { body: { grade: 'II' } });
    expect(state.troubled).toMatchObject([{ change: { body: { name: 'Mine', grade: 'II' } } }]);
    expect(changes(decide(state, 'mine'))).toMatchObject([
      { op: 'restore', baseRevision: 5, body: {} },
      { op: 'update', baseRevision: 5, body: { name: 'Mine', grade: 'II' } },
    ]);
  });

  test('what another edited is deleted all the same, or left', () => {
    const state = answer(sealAll(enter(NOTHING_WAITS, { op: 'delete' })), () =>
      conflict(current(5), 'name', 'grade'),
    );
    expect(changes(decide(state, 'mine'))).toMatchObject([{ op: 'delete', baseRevision: 5 }]);
    expect(decide(state, 'theirs')).toEqual(NOTHING_WAITS);
  });

  test('a record deleted while it is in dispute keeps what was entered, for whoever takes that back', () => {
    const state = enter(edited(), { op: 'delete' });
    expect(state.troubled).toMatchObject([{ change: { op: 'delete', body: { name: 'Mine' } } }]);
    expect(changes(decide(state, 'mine')).map(({ op }) => op)).toEqual(['restore', 'update', 'delete']);
    const back = enter(state, { op: 'restore' });
    expect(changes(decide(back, 'mine'))).toMatchObject([{ op: 'restore' }, { body: { name: 'Mine' } }]);
  });

  test('deleted and put back in one go, others having changed it: what was entered since is in dispute, no deletion', () => {
    const waiting = sealAll(
      enter(
        NOTHING_WAITS,
        { body: { name: 'A' } },
        { op: 'delete' },
        { op: 'restore' },
        { body: { name: 'B', grade: 'I' } },
      ),
    );
    const state = answer(waiting, ({ op }) => (op === 'restore' ? applied : conflict(current(5), 'name')));
    expect(state.troubled).toMatchObject([{ change: { op: 'update', body: { name: 'B' } } }]);
    const nothingElse = answer(
      sealAll(enter(NOTHING_WAITS, { op: 'delete' }, { op: 'restore' })),
      ({ op }) => (op === 'restore' ? applied : conflict(current(5), 'name')),
    );
    expect(nothingElse).toEqual(NOTHING_WAITS);
  });

  test('what was entered after a deletion was taken back, and was not asked about, overwrites nothing unseen', () => {
    const conflicted = answer(sealAll(enter(NOTHING_WAITS, { op: 'delete' })), () =>
      conflict(current(5), 'name'),
    );
    const state = enter(conflicted, { body: { name: 'Mine', grade: 'I' } });
    expect(changes(decide(state, 'mine'))).toMatchObject([
      { op: 'update', body: { name: 'Mine' }, baseRevision: 5 },
      { op: 'update', body: { grade: 'I' }, baseRevision: 3 },
    ]);
    expect(changes(decide(state, 'theirs'))).toMatchObject([{ body: { grade: 'I' }, baseRevision: 3 }]);
  });

  test('what others left undisputed of two changes goes on in their order', () => {
    const first = sealAll(enter(NOTHING_WAITS, { body: { name: 'A', grade: 'I' } }));
    const both = sealAll(enter(first, { body: { name: 'AB', grade: 'II' } }));
    const state = answer(both, () => conflict(current(5), 'name'));
    expect(state.troubled).toMatchObject([{ change: { body: { name: 'AB' } } }]);
    expect(changes(state).map(({ body }) => body)).toEqual([{ grade: 'I' }, { grade: 'II' }]);
  });

  test('a deleted house asks once for all that waits in it, also for what is entered since', () => {
    const house = current(7, { deletedAt: '2026-11-03T10:20:00.000Z' }, 'house', 'h');
    const waiting = sealAll(enter(NOTHING_WAITS, { body: { name: 'A' } }, { id: 'b', body: { name: 'B' } }));
    const state = enter(
      answer(waiting, () => conflict(house)),
      { id: 'c', op: 'create', body: { name: 'C' } },
    );
    expect(state.pending).toEqual([]);
    expect(state.troubled.every(isOfDeletedHouse)).toBe(true);
    expect(changes(decide(state, 'mine')).map(({ kind, op, id }) => [kind, op, id])).toEqual([
      ['house', 'restore', 'h'],
      ['area', 'update', 'a'],
      ['area', 'update', 'b'],
      ['area', 'create', 'c'],
    ]);
    expect(decide(state, 'theirs')).toEqual(NOTHING_WAITS);
  });

  describe('what comes back with a deleted house', () => {
    const house = current(7, { deletedAt: '2026-11-03T10:20:00.000Z' }, 'house', 'h');
    const at = (minute: number) => ({ enteredAt: `2026-11-03T10:${minute}:00.000Z` });
    const outcomeOf = (state: Waiting, place: number, outcome: object): Waiting => {
      const changeId = changes(state)[place]?.changeId ?? '';
      return withOutcomes(state, new Map([[changeId, { changeId, ...outcome } as ChangeOutcome]]), newId);
    };
    /** The first of two entries met the deletion; the second waits. */
    const met = () => {
      const first = sealAll(enter(NOTHING_WAITS, { body: { name: 'A1', grade: 'I' }, ...at(20) }));
      return outcomeOf(sealAll(enter(first, { body: { name: 'A2' }, ...at(30) })), 0, conflict(house));
    };
    const putBack = (state: Waiting) =>
      withDecision(state, decisionOn(state.troubled.filter(isOfDeletedHouse), 'mine', undefined), newId);
    const disputed = (state: Waiting) => state.troubled.map(({ change }) => change.body);

    test('lays nothing over what a dispute holds, which was entered later', () => {
      const state = putBack(outcomeOf(met(), 0, conflict(current(5), 'name')));
      expect(disputed(state)).toEqual([{ name: 'A2' }]);
      expect(changes(state).map(({ op, body }) => [op, body])).toEqual([
        ['restore', {}],
        ['update', { grade: 'I' }],
      ]);
    });

    test('nor over what was on its way when it came back', () => {
      const back = putBack(met());
      expect(changes(back).map(({ body }) => body)).toEqual([{}, { name: 'A1', grade: 'I' }, { name: 'A2' }]);
      const state = outcomeOf(back, 2, conflict(current(5), 'name'));
      expect(disputed(state)).toEqual([{ name: 'A2' }]);
      expect(changes(state).map(({ body }) => body)).toEqual([{}, { grade: 'I' }]);
    });
  });
});

describe('what was refused', () => {
  const refused = {
    outcome: 'refused' as const,
    code: 'empty' as const,
    field: 'changes[0].body.name',
    message: 'No.',
  };
  const state = () =>
    answer(sealAll(enter(NOTHING_WAITS, { op: 'create', body: { name: '', areaM2: 4 } })), () => refused);

  test('is mended by entering it anew: all of it goes again as one', () => {
    const mended = enter(state(), { body: { name: 'Wall' } });
    expect(mended.troubled).toEqual([]);
    expect(changes(mended)).toMatchObject([{ op: 'create', body: { name: 'Wall', areaM2: 4 } }]);
  });

  test('is sent once more under another id, or let go', () => {
    const again = decide(state(), 'again');
    expect(changes(again)).toMatchObject([{ op: 'create', body: { name: '', areaM2: 4 } }]);
    expect(decide(state(), 'let go')).toEqual(NOTHING_WAITS);
  });
});

test('many things entered at once wait as if they had been entered one after another', () => {
  const one = fc.record({
    id: fc.constantFrom('a', 'b', 'c', 'd'),
    op: fc.constantFrom('create', 'update', 'delete', 'restore'),
    body: fc.record({ name: fc.string({ maxLength: 3 }) }),
    seenRevision: fc.nat(4),
  });
  fc.assert(
    fc.property(fc.array(one), fc.array(one), fc.boolean(), fc.boolean(), (before, more, isSent, isMet) => {
      const waiting = before.map(entry).reduce(withEntry, NOTHING_WAITS);
      const left = isSent ? sealAll(waiting) : waiting;
      const state = isMet ? answer(left, () => conflict(current(9), 'name')) : left;
      const entries = more.map(entry);
      expect(withEntries(state, entries)).toEqual(entries.reduce(withEntry, state));
    }),
  );
});
