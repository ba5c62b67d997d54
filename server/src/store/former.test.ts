import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { AirtightnessTest, Area, KindedRecord } from '@calvet/contract';
import { gradedLayerOf } from '@calvet/contract';
import { createConnection } from 'mysql2/promise';
import { v7 } from 'uuid';
import { change } from '../../test/records';
import { ask, startServer, type RunningServer } from '../../test/running-server';

const admin = process.env.CALVET_TEST_DATABASE_URL ?? '';
const name = `calvet_former_${randomBytes(6).toString('hex')}`;
let server: RunningServer;

async function run(url: string, sql: string): Promise<void> {
  const connection = await createConnection({ uri: url, multipleStatements: true });
  await connection.query(sql);
  await connection.end();
}

beforeAll(async () => {
  const databaseUrl = admin.replace(/\/[^/]*$/, `/${name}`);
  await run(admin, `create database ${name}`);
  await run(databaseUrl, readFileSync(join(__dirname, '../../test/former/database.sql'), 'utf8'));
  server = await startServer({ databaseUrl });
});
afterAll(async () => {
  await server.close();
  await run(admin, `drop database ${name}`);
});

async function everything(): Promise<readonly KindedRecord[]> {
  const { body } = await ask(`${server.url}/api/v1/houses`);
  const pages = await Promise.all(
    body.houses.map(({ id }) => ask(`${server.url}/api/v1/ledgers/${id}/changes?since=0`)),
  );
  return pages.flatMap((page) => page.body.records as unknown as readonly KindedRecord[]);
}
const testsIn = (records: readonly KindedRecord[]) =>
  records.flatMap(({ kind, record }) => (kind === 'airtightnessTest' ? [record as AirtightnessTest] : []));
const areasIn = (records: readonly KindedRecord[]) =>
  records.flatMap(({ kind, record }) => (kind === 'area' ? [record as Area] : []));

test('a database of the former version opens with everything in it, entries with ids of their own', async () => {
  const records = await everything();
  expect(new Set(records.map(({ kind }) => kind))).toEqual(
    new Set(['house', 'area', 'airtightnessTest', 'photo']),
  );
  const runs = testsIn(records).flatMap(({ depressurise, pressurise }) =>
    [depressurise, pressurise].flatMap((each) => each ?? []),
  );
  const baselines = runs.flatMap(({ baselineBeforePa, baselineAfterPa }) => [
    ...baselineBeforePa,
    ...baselineAfterPa,
  ]);
  expect(baselines.length).toBeGreaterThan(20);
  expect(new Set(baselines.map(({ id }) => id)).size).toBe(baselines.length);
  expect(baselines.every(({ pressurePa }) => Number.isFinite(pressurePa))).toBe(true);
  const graded = areasIn(records).filter(({ grade }) => grade !== null);
  expect(graded.length).toBeGreaterThan(3);
  expect(graded.every(({ buildUp }) => gradedLayerOf(buildUp) !== null)).toBe(true);
  // Whoever reads it again finds the same ids.
  expect(await everything()).toEqual(records);
});

test('an entry of a record of the former version can be changed by itself, and the rest stays', async () => {
  const before = testsIn(await everything()).find(
    ({ depressurise }) => (depressurise?.baselineBeforePa.length ?? 0) > 1,
  );
  const [first, second] = before?.depressurise?.baselineBeforePa ?? [];
  if (before === undefined || first === undefined) throw new Error('The fixture is not whole.');
  const { status } = await ask(`${server.url}/api/v1/ledgers/${before.ledgerId}/changes`, {
    json: {
      changes: [
        change({
          changeId: v7(),
          kind: 'airtightnessTest',
          id: before.id,
          op: 'update',
          baseRevision: before.revision,
          parts: [
            { path: 'depressurise.baselineBeforePa', id: first.id, entry: { ...first, pressurePa: -9 } },
          ],
        }),
      ],
    },
  });
  expect(status).toBe(200);
  const after = testsIn(await everything()).find(({ id }) => id === before.id)?.depressurise;
  expect(after?.baselineBeforePa.slice(0, 2)).toEqual([{ ...first, pressurePa: -9 }, second]);
  expect(after?.readings).toEqual(before.depressurise?.readings);
});
