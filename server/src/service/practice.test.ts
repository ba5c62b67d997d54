import { apiPaths, NEW_PRACTICE, PRACTICE_ID, type News, type Practice } from '@calvet/contract';
import { v7 } from 'uuid';
import { areaBody, change, createHouse, createPractice } from '../../test/records';
import { ask, startServer, type RunningServer } from '../../test/running-server';
import { openDatabase } from '../store/database';
import { openPractice } from './open-practice';

let server: RunningServer;
beforeEach(async () => {
  server = await startServer();
});
afterEach(() => server.close());

const post = (ledgerId: string, ...changes: readonly unknown[]) =>
  ask(server.url + apiPaths.changes(ledgerId), { json: { changes } });
const practice = async () => {
  const { body } = await ask(`${server.url}${apiPaths.changes(PRACTICE_ID)}?since=0`);
  return { upTo: body.upTo, records: body.records.map(({ record }) => record as unknown as Practice) };
};
const settings = (body: object, baseRevision = 1, more: object = {}) =>
  change({ kind: 'practice', id: PRACTICE_ID, op: 'update', baseRevision, body, ...more });

test('servers that start at once begin one practice, and later starts leave it as it is', async () => {
  const { db, close } = openDatabase(server.databaseUrl);
  await Promise.all([openPractice(db), openPractice(db), openPractice(db)]);
  await post(PRACTICE_ID, settings({ units: 'imperial' }));
  await openPractice(db);
  const { records, upTo } = await practice();
  expect(records).toMatchObject([{ ...NEW_PRACTICE, units: 'imperial', id: PRACTICE_ID, revision: 2 }]);
  expect(upTo).toBe(2);
  await close();
});

test('settings of two people merge field by field, and one field that both set is asked about', async () => {
  await post(PRACTICE_ID, createPractice());
  const limit = { quantity: 'n50' as const, limit: 1.5 };
  expect((await post(PRACTICE_ID, settings({ target: limit }))).status).toBe(200);
  expect((await post(PRACTICE_ID, settings({ units: 'imperial' }))).status).toBe(200);
  const { status, body } = await post(PRACTICE_ID, settings({ units: 'metric', name: 'Ours' }));
  expect([status, body.results[0]]).toMatchObject([
    409,
    { outcome: 'conflict', fields: [{ field: 'units' }], current: { kind: 'practice' } },
  ]);
  expect((await practice()).records).toMatchObject([{ target: limit, units: 'imperial', name: '' }]);
});

test('two phones that make it by themselves make one, with what each of them says', async () => {
  await post(PRACTICE_ID, createPractice({ ...NEW_PRACTICE, name: 'Ours' }));
  const other = { ...NEW_PRACTICE, target: { quantity: 'qE50' as const, limit: 3 } };
  expect((await post(PRACTICE_ID, createPractice(other))).status).toBe(200);
  expect((await practice()).records).toMatchObject([{ name: 'Ours', target: other.target, revision: 2 }]);
});

test('what is new in it is told beside the houses, under the present and the former name', async () => {
  const end = new AbortController();
  const line = await fetch(server.url + apiPaths.events, { signal: end.signal });
  let told = '';
  void (async () => {
    for await (const piece of line.body ?? []) told += Buffer.from(piece as Uint8Array).toString();
  })().catch(() => undefined);
  await post(PRACTICE_ID, createPractice());
  for (let look = 0; look < 200 && !told.includes('data:'); look++)
    await new Promise((resolve) => setTimeout(resolve, 20));
  end.abort();
  const [, news = '{}'] = /data: (.*)/.exec(told) ?? [];
  expect(JSON.parse(news) as News).toEqual({ ledgerId: PRACTICE_ID, houseId: PRACTICE_ID, upTo: 1 });

  const houseId = v7();
  await post(houseId, createHouse(houseId));
  const { counters, houses } = (await ask(server.url + apiPaths.houses)).body;
  expect(counters).toEqual({ [PRACTICE_ID]: 1, [houseId]: 1 });
  expect(houses.map(({ id }) => id)).toEqual([houseId]);
  const { pages } = (await ask(server.url + apiPaths.changesOf(Object.keys(counters).map((id) => [id, 0]))))
    .body;
  expect(Object.values(pages).map(({ records }) => records.map(({ kind }) => kind))).toEqual(
    expect.arrayContaining([['practice'], ['house']]),
  );
});

test.each<[string, () => readonly [string, object], number, string, string]>([
  ['an area in a practice', () => [PRACTICE_ID, change({})], 422, 'conflict', 'changes[0].kind'],
  ['a practice in a house', () => [house, settings({ name: 'x' })], 422, 'conflict', 'changes[0].kind'],
  [
    'a practice under the id of a house',
    () => [house, { ...createPractice(), id: house }],
    422,
    'conflict',
    'changes[0].kind',
  ],
  [
    'a house under the id of a practice',
    () => [PRACTICE_ID, createHouse(PRACTICE_ID)],
    422,
    'conflict',
    'changes[0].kind',
  ],
  [
    'another practice than one works for',
    () => [other, { ...createPractice(), id: other }],
    404,
    'unknown-ledger',
    'ledgerId',
  ],
  [
    'a practice that is deleted',
    () => [PRACTICE_ID, settings({}, 1, { op: 'delete' })],
    422,
    'not-allowed',
    'changes[0].op',
  ],
  [
    'a unit that nobody knows',
    () => [PRACTICE_ID, settings({ units: 'furlongs' })],
    422,
    'unknown-option',
    'changes[0].body.units',
  ],
])('%s is refused, and the rest of the batch is taken', async (_what, make, status, code, field) => {
  await post(PRACTICE_ID, createPractice());
  await post(house, createHouse(house));
  const [ledgerId, wrong] = make();
  const fine = ledgerId === house ? change({}) : settings({ name: 'Fine' });
  const answer = await post(ledgerId, wrong, fine);
  expect([answer.status, answer.body.code, answer.body.field]).toEqual([status, code, field]);
  if (status === 422) expect(answer.body.results[1]?.outcome).toBe('applied');
});
const house = v7();
const other = v7();

describe('the paths that former versions of the app know', () => {
  const former = (houseId: string) => server.url + apiPaths.formerChanges(houseId);
  const sent = (houseId: string, ...changes: readonly unknown[]) =>
    ask(former(houseId), { json: { changes } });

  test('take and tell what is in a house, whose records say it by its former name too', async () => {
    expect((await sent(house, createHouse(house), change({ body: areaBody }))).status).toBe(200);
    const { records } = (await ask(`${former(house)}?since=0`)).body;
    expect(records.map(({ record }) => record)).toMatchObject([
      { id: house, houseId: house, ledgerId: house },
      { houseId: house, ledgerId: house },
    ]);
  });

  test('say of what is not there what they always said', async () => {
    for (const answer of [await ask(`${former(house)}?since=0`), await sent(house, change({}))]) {
      expect([answer.status, answer.body.code, answer.body.field]).toEqual([404, 'unknown-house', 'houseId']);
    }
    const malformed = await ask(`${former('nope')}?since=0`);
    expect([malformed.status, malformed.body.code, malformed.body.field]).toEqual([
      400,
      'malformed-id',
      'houseId',
    ]);
    const waits = await sent(
      house,
      createHouse(house, { ...createHouse(house).body, storeys: 0 } as never),
      change({}),
    );
    expect(waits.body.results).toMatchObject([
      { outcome: 'refused', code: 'out-of-range' },
      { outcome: 'refused', code: 'unknown-house' },
    ]);
  });
});
