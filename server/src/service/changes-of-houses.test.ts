import { apiPaths } from '@calvet/contract';
import { v7 } from 'uuid';
import { change, createHouse } from '../../test/records';
import { ask, startServer, type RunningServer } from '../../test/running-server';

let server: RunningServer;
let ledgerId: string;

const post = (...changes: unknown[]) =>
  ask(`${server.url}${apiPaths.changes(ledgerId)}`, { json: { changes } });
const since = (number: number) => ask(`${server.url}${apiPaths.changes(ledgerId)}?since=${number}`);

beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

beforeEach(async () => {
  ledgerId = v7();
  await post(createHouse(ledgerId));
});

test('several houses are asked about in one request, each since its own change', async () => {
  const other = v7();
  const unknown = v7();
  await ask(`${server.url}/api/v1/ledgers/${other}/changes`, {
    json: { changes: [createHouse(other), change({}), change({})] },
  });
  const area = change({});
  await post(area);
  const asked = await ask(
    `${server.url}${apiPaths.changesOf([
      [ledgerId, 1],
      [other, 0],
      [unknown, 7],
    ])}`,
  );
  expect(asked.status).toBe(200);
  const { pages } = asked.body;
  expect(Object.keys(pages).sort()).toEqual([ledgerId, other].sort());
  expect(pages[ledgerId]).toEqual((await since(1)).body);
  expect(pages[ledgerId]?.records.map(({ record }) => record.id)).toEqual([area.id]);
  expect(pages[other]).toEqual((await ask(`${server.url}${apiPaths.changes(other)}?since=0`)).body);
  // A device that holds more than the server has is told how far the server is.
  const ahead = await ask(`${server.url}${apiPaths.changesOf([[ledgerId, 9]])}`);
  expect(ahead.body.pages).toEqual({ [ledgerId]: { records: [], upTo: 2, more: false } });
});

test('what does not go into one answer with others is left out of it, and the others come', async () => {
  const other = v7();
  await ask(`${server.url}${apiPaths.changes(other)}`, { json: { changes: [createHouse(other)] } });
  for (let i = 0; i < 3; i++) await post(...Array.from({ length: 200 }, () => change({})));
  const { pages } = (
    await ask(
      `${server.url}${apiPaths.changesOf([
        [ledgerId, 0],
        [other, 0],
      ])}`,
    )
  ).body;
  expect(Object.keys(pages)).toEqual([other]);
  const rest = (
    await ask(
      `${server.url}${apiPaths.changesOf([
        [ledgerId, 301],
        [other, 0],
      ])}`,
    )
  ).body.pages;
  expect([rest[ledgerId]?.records.length, rest[other]?.records.length]).toEqual([300, 1]);
});

test.each([
  ['no house', ''],
  ['no number', v7()],
  ['no id', '12:3'],
  ['a negative number', `${v7()}:-1`],
  ['a number that is none', `${v7()}:many`],
  ['a third member', `${v7()}:1:2`],
  ['more houses than one may ask about', Array.from({ length: 51 }, () => `${v7()}:0`).join(',')],
])('a list with %s is refused', async (_what, list) => {
  const { status, body } = await ask(`${server.url}/api/v1/changes?since=${list}`);
  expect([status, body.code, body.field]).toEqual([400, 'malformed-list', 'since']);
});
