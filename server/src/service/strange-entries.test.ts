import { apiPaths } from '@calvet/contract';
import { v7 } from 'uuid';
import { areaBody, change, createHouse, photoOf, testBody } from '../../test/records';
import { ask, startServer, type RunningServer } from '../../test/running-server';

let server: RunningServer;
const ledgerId = v7();
beforeAll(async () => {
  server = await startServer();
  await ask(server.url + apiPaths.changes(ledgerId), { json: { changes: [createHouse(ledgerId)] } });
});
afterAll(() => server.close());

const text = (body: object) => JSON.stringify(change({ body: { ...areaBody, ...body } }));
const nested = '['.repeat(200) + ']'.repeat(200);

test.each<[string, () => string, string, string]>([
  ['an id in braces', () => JSON.stringify(change({ id: `{${v7()}}` })), 'malformed-id', 'id'],
  ['an id in brackets', () => JSON.stringify(change({ id: `[${v7()}]` })), 'malformed-id', 'id'],
  [
    'a changeId in braces',
    () => JSON.stringify(change({ changeId: `{${v7()}}` })),
    'malformed-id',
    'changeId',
  ],
  ['half a character', () => text({ name: 'X' }).replace('"X"', '"a\\ud800b"'), 'wrong-form', 'body.name'],
  ['a character that steers', () => text({ name: 'a\0b' }), 'wrong-form', 'body.name'],
  ['a name that nobody sees', () => text({ name: '\u200b\u2060 ' }), 'empty', 'body.name'],
  [
    'a member that is a prototype',
    () => text({}).replace('"body":{', '"body":{"__proto__":{},'),
    'unknown-field',
    'body.__proto__',
  ],
  [
    'nesting without an end',
    () => text({ name: 'X' }).replace('"X"', nested),
    'wrong-form',
    `body.name${'[0]'.repeat(22)}`,
  ],
  [
    'a deletion with a body',
    () => JSON.stringify(change({ op: 'delete', baseRevision: 1, body: { name: 'x' } })),
    'wrong-form',
    'body',
  ],
  [
    'a photo of no day',
    () =>
      JSON.stringify(
        change({ kind: 'photo', body: { ...photoOf('house', ledgerId), takenAt: '2026-02-30T10:00:00' } }),
      ),
    'not-a-day',
    'body.takenAt',
  ],
  [
    'a test in the year 0',
    () =>
      JSON.stringify(change({ kind: 'airtightnessTest', body: { ...testBody, performedOn: '0000-03-01' } })),
    'not-a-day',
    'body.performedOn',
  ],
])('%s is refused by its field, and the rest of the batch is taken', async (_name, wrong, code, field) => {
  const response = await fetch(server.url + apiPaths.changes(ledgerId), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: `{"changes":[${wrong()},${JSON.stringify(change({}))}]}`,
  });
  const body = (await response.json()) as { results: readonly object[] };
  expect([response.status, body]).toMatchObject([422, { code, field: `changes[0].${field}` }]);
  expect(body.results).toMatchObject([{ outcome: 'refused' }, { outcome: 'applied' }]);
});

test.each(['{ID}', '[ID]', 'ID ID', 'nobody'])(
  'a device whose id is written as %s is refused by its header',
  async (form) => {
    const device = form.replaceAll('ID', v7());
    const headers = { 'x-calvet-device': device };
    const answer = await ask(server.url + apiPaths.changes(ledgerId), {
      json: { changes: [change({})] },
      headers,
    });
    expect([answer.status, answer.body]).toMatchObject([
      422,
      { code: 'malformed-id', field: 'x-calvet-device' },
    ]);
  },
);

test('one id that is made in two houses at once is that of one of them', async () => {
  const houses = Array.from({ length: 4 }, () => v7());
  const urls = houses.map((house) => server.url + apiPaths.changes(house));
  await Promise.all(urls.map((url, i) => ask(url, { json: { changes: [createHouse(houses[i] ?? '')] } })));
  for (let round = 0; round < 5; round++) {
    const id = v7();
    const answers = await Promise.all(
      urls.map((url) => ask(url, { json: { changes: [change({ id }), change({})] } })),
    );
    const told = answers.map(({ status, body }) => [status, body.results.map(({ outcome }) => outcome)]);
    expect(told.filter(([status]) => status === 200)).toHaveLength(1);
    expect(told.filter(([status]) => status === 422)).toEqual(Array(3).fill([422, ['refused', 'applied']]));
  }
});
