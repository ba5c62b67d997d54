import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { apiPaths } from '@calvet/contract';
import { createConnection } from 'mysql2/promise';
import { v7 } from 'uuid';
import { areaBody, change, createHouse } from '../../test/records';
import { ask, startServer } from '../../test/running-server';
import { openLog } from './log';

const folder = mkdtempSync(join(tmpdir(), 'calvet-log-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const linesOf = (file: string) =>
  readFileSync(file, 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Readonly<Record<string, unknown>>);

test('a fault of ours is told without its inside, undone whole, and logged without what was sent', async () => {
  const file = join(folder, 'fault.log');
  const server = await startServer({ log: openLog({ level: 'debug', file, fileMb: 1 }) });
  const houseId = v7();
  const url = server.url + apiPaths.changes(houseId);
  await ask(url, { json: { changes: [createHouse(houseId)] } });
  // A table that cannot take what the others took: the last of what a batch writes.
  const connection = await createConnection(server.databaseUrl);
  await connection.query("alter table ledger_change add check (kind <> 'area')");
  const secret = 'Behind the blue door';
  const answer = await ask(`${url}?why=${encodeURIComponent(secret)}`, {
    json: { changes: [change({ body: { ...areaBody, name: secret } })] },
    headers: { 'x-calvet-author': encodeURIComponent(secret) },
  });
  const [rows] = await connection.query('select * from area');
  await connection.end();
  await server.close();
  await pause(100);

  expect([answer.status, answer.body.code]).toEqual([500, 'internal']);
  expect(answer.text).not.toMatch(/constraint|insert|ledger_change|node_modules/i);
  expect(rows).toEqual([]);
  const text = readFileSync(file, 'utf8');
  expect(text).not.toMatch(/Behind|blue door/);
  const { requestId } = answer.body as unknown as { readonly requestId: string };
  const fault = linesOf(file).find(({ level }) => level === 50);
  expect(fault).toMatchObject({ req: { id: requestId }, err: { cause: { errno: 4025 } } });
  expect(text).toMatch(/insertRows/);
});

test('a line a request is for whoever looks closely', async () => {
  const file = join(folder, 'quiet.log');
  const server = await startServer({ log: openLog({ level: 'info', file, fileMb: 1 }) });
  await ask(`${server.url}/api/v1/houses`);
  await ask(`${server.url}/api/v1/nothing`);
  await server.close();
  await pause(100);
  expect(readFileSync(file, 'utf8')).toBe('');
});

test('a file that is full is put aside, and the oldest goes', async () => {
  const file = join(folder, 'long.log');
  const log = openLog({ level: 'info', file, fileMb: 0.01 });
  for (let i = 0; i < 1200; i++) {
    log.info({ i }, 'A line of a usual length that says something');
    if (i % 100 === 0) await pause(20);
  }
  await pause(200);
  const files = readdirSync(folder).filter((name) => name.includes('long'));
  const bytes = files.reduce((sum, name) => sum + statSync(join(folder, name)).size, 0);
  expect(files.length).toBeLessThanOrEqual(5);
  expect(files.length).toBeGreaterThan(2);
  expect(bytes).toBeLessThan(80_000);
  expect(linesOf(file).at(-1)).toMatchObject({ i: 1199 });
});
