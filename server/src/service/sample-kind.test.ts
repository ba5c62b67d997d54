import type { Kind } from '@calvet/contract';
import { getTableColumns } from 'drizzle-orm';
import { createConnection } from 'mysql2/promise';
import { v7 } from 'uuid';
import type * as SampleKind from '../../../contract/test/sample-kind';
import { sampleBody } from '../../../contract/test/sample-kind';
import { areaBody, change, createHouse, photoOf } from '../../test/records';
import { ask, startServer, type RunningServer } from '../../test/running-server';
import { recordTables } from '../store/tables';

jest.mock('@calvet/contract/kinds', () => {
  const { kindsWithSample } = jest.requireActual<typeof SampleKind>('../../../contract/test/sample-kind');
  return kindsWithSample(jest.requireActual('@calvet/contract/kinds'));
});

const KIND = 'sample' as Kind;
const houseId = v7();
let server: RunningServer;

/** What a migration would bring. */
async function makeTable(databaseUrl: string): Promise<void> {
  const columns = Object.values(getTableColumns(recordTables[KIND])).map(
    (column) =>
      `\`${column.name}\` ${column.getSQLType()}${column.notNull ? ' not null' : ''}${column.primary ? ' primary key' : ''}`,
  );
  const connection = await createConnection(databaseUrl);
  await connection.query(`create table sample (${columns.join(', ')})`);
  await connection.end();
}

const changesUrl = () => `${server.url}/api/v1/ledgers/${houseId}/changes`;
/** Ids of devices, by what they are called here. */
const devices: Readonly<Record<string, string>> = { one: v7(), two: v7(), three: v7(), old: v7() };
const postFrom = (device: string, ...changes: unknown[]) =>
  ask(changesUrl(), { json: { changes }, headers: { 'x-calvet-device': devices[device] ?? '' } });
const made = (body: object) => change({ kind: KIND, body: body as never });

beforeAll(async () => {
  server = await startServer();
  await makeTable(server.databaseUrl);
  await postFrom('one', createHouse(houseId));
});
afterAll(() => server.close());

test('it is taken, read again, and checked like any other', async () => {
  const created = made(sampleBody);
  expect((await postFrom('one', created)).status).toBe(200);
  const { body } = await ask(`${changesUrl()}?since=1`);
  expect(body.records).toMatchObject([
    { kind: 'sample', record: { ...sampleBody, id: created.id, revision: 1 } },
  ]);
  expect((await postFrom('one', made({ ...sampleBody, depthM: 9 }))).body).toMatchObject({
    code: 'out-of-range',
    field: 'changes[0].body.depthM',
  });
  expect((await postFrom('one', made({ ...sampleBody, areaId: v7() }))).body).toMatchObject({
    code: 'unknown-reference',
    field: 'changes[0].body.areaId',
  });
});

test('an older app that does not know a field of it is taken at its word', async () => {
  const { areaId: _unsaid, ...older } = sampleBody;
  const created = made(older);
  expect((await postFrom('old', created)).status).toBe(200);
});

test('two devices: entries merge, what both gave a value asks', async () => {
  const created = made(sampleBody);
  await postFrom('one', created);
  const update = (body: object, parts: readonly object[] = []) => ({
    ...change({ kind: KIND, id: created.id, op: 'update', baseRevision: 1, body: body as never }),
    parts,
  });
  const entry = (note: string) => {
    const id = v7();
    return { path: 'entries', id, entry: { id, note } };
  };
  expect((await postFrom('one', update({ state: 'shut' }, [entry('a')]))).status).toBe(200);
  expect((await postFrom('two', update({ name: 'Core A' }, [entry('b')]))).status).toBe(200);
  const asked = await postFrom('three', update({ state: 'open', depthM: 1 }));
  expect(asked.status).toBe(409);
  expect(asked.body.results).toMatchObject([{ outcome: 'conflict', fields: [{ field: 'state' }] }]);
});

test('a photo shows it, and it may belong to an area', async () => {
  const area = change({ body: areaBody });
  const created = made({ ...sampleBody, areaId: area.id });
  const photo = change({
    kind: 'photo',
    body: photoOf('sample', created.id),
  });
  expect((await postFrom('one', area, created, photo)).status).toBe(200);
});
