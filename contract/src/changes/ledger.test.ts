import { MADE_BY_HAND, PLAIN_AREA } from '../installation/area';
import fc from 'fast-check';
import type { Change, ChangeOp, ChangeOutcome } from './change';
import { LedgerServer } from '../../test/ledger-server';
import type { LedgerRecord } from './ledger';

class Server extends LedgerServer {
  bodyOf(id: string) {
    return this.records.get(id)?.body;
  }
}

let count = 0;
const change = (op: ChangeOp, baseRevision: number, body: object = {}, id = 'wall'): Change => ({
  changeId: `c${count++}`,
  kind: 'area',
  id,
  baseRevision,
  op,
  body,
});

/** A server on which one phone created a wall. */
function withWall(): Server {
  const server = new Server();
  server.take([change('create', 0, { name: 'Wall', grade: null, areaM2: 10 })], 'first');
  return server;
}
const outcomes = (answers: readonly ChangeOutcome[]) => answers.map(({ outcome }) => outcome);

describe('two phones on one record', () => {
  test('different fields merge', () => {
    const server = withWall();
    expect(outcomes(server.take([change('update', 1, { grade: 'II' })], 'a'))).toEqual(['applied']);
    expect(outcomes(server.take([change('update', 1, { name: 'West wall' })], 'b'))).toEqual(['applied']);
    expect(server.bodyOf('wall')).toEqual({ name: 'West wall', grade: 'II', areaM2: 10 });
    expect(server.records.get('wall')?.revision).toBe(3);
  });

  test('the same field asks, and says who and when; the rest of the change waits with it', () => {
    const server = withWall();
    server.take([change('update', 1, { grade: 'II' })], 'a');
    const [answer] = server.take([change('update', 1, { grade: 'III', areaM2: 12 })], 'b');
    expect(answer).toMatchObject({
      outcome: 'conflict',
      fields: [{ field: 'grade', by: 'person of a', at: new Date(1_000_001).toISOString() }],
      current: { record: { grade: 'II', revision: 2 } },
    });
    expect(server.bodyOf('wall')).toMatchObject({ grade: 'II', areaM2: 10 });
    expect(outcomes(server.take([change('update', 2, { grade: 'III', areaM2: 12 })], 'b'))).toEqual([
      'applied',
    ]);
  });

  test('the same value twice is no dispute', () => {
    const server = withWall();
    server.take([change('update', 1, { grade: 'II' })], 'a');
    expect(outcomes(server.take([change('update', 1, { grade: 'II' })], 'b'))).toEqual(['applied']);
  });

  test('what is named as seen is no dispute; that another device sends it is no excuse, and that the same one does none', () => {
    const server = withWall();
    const [first, second] = [change('update', 1, { grade: 'I' }), change('update', 1, { grade: 'II' })];
    expect(outcomes(server.take([first, second], 'a'))).toEqual(['applied', 'applied']);
    const third = change('update', 1, { grade: 'III' });
    expect(outcomes(server.take([third], 'a'))).toEqual(['conflict']);
    expect(outcomes(server.take([{ ...third, seen: [first.changeId] }], 'a'))).toEqual(['conflict']);
    expect(outcomes(server.take([{ ...third, seen: [first.changeId, second.changeId] }], 'b'))).toEqual([
      'applied',
    ]);
    expect(server.bodyOf('wall')).toMatchObject({ grade: 'III' });
  });

  test('deleting what another edited asks; so does editing what another deleted', () => {
    const server = withWall();
    server.take([change('update', 1, { grade: 'II' })], 'a');
    expect(outcomes(server.take([change('delete', 1)], 'b'))).toEqual(['conflict']);
    expect(outcomes(server.take([change('delete', 2)], 'b'))).toEqual(['applied']);
    const [answer] = server.take([change('update', 2, { name: 'New' })], 'a');
    expect(answer).toMatchObject({ outcome: 'conflict', fields: [] });
    expect(outcomes(server.take([change('delete', 2)], 'a'))).toEqual(['applied']);
  });

  test('a revision that was never reached is a conflict', () => {
    expect(outcomes(withWall().take([change('update', 9, { grade: 'I' })], 'a'))).toEqual(['conflict']);
  });
});

const layer = (id: string, rsi = 1) => ({ id, kind: 'resistance', name: id, rsi });
const buildUp = (name: string, ...layers: object[]) => ({
  name,
  layers,
  frameAlignment: null,
  gradedLayer: null,
  costPerM2: null,
});

describe('two phones create the same record, under an id that both derive', () => {
  const both = (first: object, second: object) => {
    const server = new Server();
    server.take([change('create', 0, first)], 'a');
    return { server, answer: server.take([change('create', 0, second)], 'b')[0] };
  };

  test('what each says is there, and nobody is asked', () => {
    const { server, answer } = both(
      { name: 'Wall', grade: 'II', areaM2: null, note: '', buildUp: buildUp('', layer('x')) },
      {
        name: 'Wall',
        grade: null,
        areaM2: 12,
        note: 'damp',
        buildUp: buildUp('Framed', layer('x'), layer('y')),
      },
    );
    expect(answer).toMatchObject({ outcome: 'applied', revision: 2, current: { record: { grade: 'II' } } });
    expect(server.bodyOf('wall')).toEqual({
      name: 'Wall',
      grade: 'II',
      areaM2: 12,
      note: 'damp',
      buildUp: buildUp('Framed', layer('x'), layer('y')),
    });
  });

  test('where both say something else, they are asked about that alone', () => {
    const { server, answer } = both({ name: 'Wall', grade: 'II' }, { name: 'Wall', grade: 'III', areaM2: 9 });
    expect(answer).toMatchObject({ outcome: 'conflict', fields: [{ field: 'grade', by: 'person of a' }] });
    expect(server.bodyOf('wall')).toEqual({ name: 'Wall', grade: 'II' });
  });

  test('a phone that creates once more says no more than it means; sent twice it counts once', () => {
    const server = new Server();
    const first = change('create', 0, { name: 'Wall', grade: 'I' });
    const again = {
      ...change('create', 0, {
        name: 'West',
        grade: null,
        voidFraction: null,
        ...MADE_BY_HAND,
        ...PLAIN_AREA,
      }),
      seen: [first.changeId],
    };
    server.take([first], 'a');
    expect(outcomes(server.take([again], 'a'))).toEqual(['applied']);
    expect(outcomes(server.take([again], 'a'))).toEqual(['already-applied']);
    expect(server.bodyOf('wall')).toEqual({ name: 'West', grade: 'I' });
  });

  test('whichever arrives first: what only one of them says comes to the same record', () => {
    const value = fc.option(fc.nat(2), { nil: null });
    const body = fc.record({ name: fc.constant('Wall'), grade: value, areaM2: value, note: value });
    fc.assert(
      fc.property(body, body, (one, other) => {
        const isDisputed = (['grade', 'areaM2', 'note'] as const).some(
          (key) => one[key] !== null && other[key] !== null && one[key] !== other[key],
        );
        const [forth, back] = [both(one, other), both(other, one)];
        expect([forth.answer?.outcome, back.answer?.outcome]).toEqual(
          isDisputed ? ['conflict', 'conflict'] : ['applied', 'applied'],
        );
        if (!isDisputed) expect(forth.server.bodyOf('wall')).toEqual(back.server.bodyOf('wall'));
      }),
    );
  });

  test('what was deleted meanwhile is not made again unasked', () => {
    const server = withWall();
    server.take([change('delete', 1)], 'a');
    const [answer] = server.take([change('create', 0, { name: 'Wall' })], 'b');
    expect(answer).toMatchObject({ outcome: 'conflict', fields: [] });
  });
});

const field = fc.constantFrom('name', 'grade', 'areaM2', 'note', 'kind');
const edit = fc.record({ device: fc.constantFrom('a', 'b', 'c'), field, value: fc.nat(3) });

test('edits of different fields come to the same state in any order, sent any number of times', () => {
  const edits = fc.uniqueArray(edit, { selector: ({ field: name }) => name, maxLength: 5 });
  fc.assert(
    fc.property(
      edits.chain((list) =>
        fc.tuple(fc.constant(list), fc.array(fc.nat(Math.max(0, list.length - 1)), { maxLength: 12 })),
      ),
      ([list, order]) => {
        const [straight, shuffled] = [withWall(), withWall()];
        const sent = list.map(({ device, field: name, value }) => ({
          device,
          change: change('update', 1, { [name]: value }),
        }));
        const deliver = (server: Server, i: number) => {
          const each = sent[i];
          return each === undefined ? [] : outcomes(server.take([each.change], each.device));
        };
        sent.forEach((_, i) => expect(deliver(straight, i)).toEqual(['applied']));
        order.forEach((i) => deliver(shuffled, i));
        sent.forEach((_, i) => deliver(shuffled, i));
        expect(shuffled.bodyOf('wall')).toEqual(straight.bodyOf('wall'));
        expect(shuffled.records.get('wall')?.revision).toBe(straight.records.get('wall')?.revision);
      },
    ),
  );
});

/** A phone as far as sending goes: what it last saw of the wall, and what waits. */
interface Phone {
  seen: LedgerRecord;
  queue: Change[];
}

test('whatever is lost, repeated or late: an edit is taken, or its maker is asked; nobody overwrites what they did not see', () => {
  const action = fc.oneof(
    { weight: 4, arbitrary: edit.map((each) => ({ do: 'edit' as const, ...each })) },
    fc.record({
      do: fc.constant('send' as const),
      device: fc.constantFrom('a', 'b', 'c'),
      isLost: fc.boolean(),
    }),
    fc.record({ do: fc.constant('look' as const), device: fc.constantFrom('a', 'b', 'c') }),
  );
  fc.assert(
    fc.property(fc.array(action, { maxLength: 40 }), (actions) => {
      const server = withWall();
      const wall = () => server.records.get('wall') as LedgerRecord;
      const phones = new Map<string, Phone>(
        ['a', 'b', 'c'].map((name) => [name, { seen: wall(), queue: [] }]),
      );
      const asked: string[] = [];
      const send = (name: string, isLost: boolean) => {
        const phone = phones.get(name) as Phone;
        const seenBefore = phone.seen;
        const stateBefore = wall().body;
        const answers = server.take(phone.queue, name);
        for (const [i, answer] of answers.entries()) {
          if (answer.outcome !== 'applied') continue;
          for (const [key, value] of Object.entries(phone.queue[i]?.body ?? {})) {
            const others = server.history.filter(
              ({ revision, device, body }) =>
                revision > seenBefore.revision &&
                revision < answer.revision &&
                device !== name &&
                key in body,
            );
            // What others wrote unseen into this field must have been the same.
            if (others.length > 0) expect(stateBefore[key]).toBe(value);
          }
        }
        if (isLost) return;
        answers.forEach(({ outcome }, i) => {
          if (outcome === 'conflict') asked.push(phone.queue[i]?.changeId ?? '');
        });
        phone.queue = [];
      };
      const made: string[] = [];
      for (const each of actions) {
        const phone = phones.get(each.device) as Phone;
        if (each.do === 'look') phone.seen = wall();
        else if (each.do === 'send') send(each.device, each.isLost);
        else {
          const next = change('update', phone.seen.revision, { [each.field]: each.value });
          made.push(next.changeId);
          phone.queue.push(next);
        }
      }
      for (const name of phones.keys()) send(name, false);
      const taken = new Set(server.history.map(({ changeId }) => changeId));
      for (const id of made) expect(taken.has(id) || asked.includes(id)).toBe(true);
      const ids = server.history.map(({ changeId }) => changeId);
      expect(new Set(ids).size).toBe(ids.length);
      expect(wall().revision).toBe(server.history.length);
    }),
  );
});
