import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { apiPaths } from '@calvet/contract';
import { createConnection } from 'mysql2/promise';
import { v7 } from 'uuid';
import { ask } from '../test/asking';
import { startPrivateDatabase, type PrivateDatabase } from '../test/private-database';
import { change, createHouse } from '../test/records';
import { startServerProcess, type ServerProcess } from '../test/server-process';

jest.setTimeout(120_000);

const folder = mkdtempSync(join(tmpdir(), 'calvet-bad-day-'));
let database: PrivateDatabase;
let server: ServerProcess;
beforeAll(async () => {
  database = await startPrivateDatabase();
  server = await startServerProcess(database.url, folder);
});
afterAll(async () => {
  await server.close();
  await database.close();
  rmSync(folder, { recursive: true, force: true });
});

const post = (houseId: string, changes: readonly unknown[]) =>
  ask(server.url + apiPaths.changes(houseId), { json: { changes } });

async function newHouse(): Promise<string> {
  const houseId = v7();
  const { status } = await post(houseId, [createHouse(houseId)]);
  expect(status).toBe(200);
  return houseId;
}

interface Timed {
  readonly told: readonly [status: number, code: string];
  readonly ms: number;
}

async function timed(asked: Promise<{ status: number; body: { code: string } }>): Promise<Timed> {
  const begun = performance.now();
  const { status, body } = await asked;
  return { told: [status, body.code], ms: performance.now() - begun };
}
const ready = () => timed(ask(`${server.url}/api/v1/ready`));
/** Looks until the server is ready, for about as long as a start takes. */
async function untilReady(): Promise<void> {
  for (let look = 0; look < 100 && (await ready()).told[0] !== 200; look++)
    await new Promise((resolve) => setTimeout(resolve, 100));
}

const UNAVAILABLE = [503, 'database-unavailable'];

/** Starts a server that cannot, and tells how it ended. */
function startInVain(databaseUrl: string) {
  const { status, stderr, stdout } = spawnSync(process.execPath, [process.env.CALVET_SERVER ?? ''], {
    encoding: 'utf8',
    timeout: 60_000,
    env: { ...process.env, CALVET_DATABASE_URL: databaseUrl, CALVET_PHOTO_FOLDER: folder },
  });
  return { status, said: (stdout + stderr).trim() };
}

test('a database that is frozen is told of soon, by everything that needs it, and all goes on when it does', async () => {
  const houseId = await newHouse();
  const sent = change({});
  await database.freeze();
  const first = await ready();
  expect(first.told).toEqual(UNAVAILABLE);
  expect(first.ms).toBeLessThan(2500);
  const answers = await Promise.all([
    ...Array.from({ length: 20 }, () => timed(post(houseId, [sent]))),
    ...Array.from({ length: 20 }, () => timed(ask(`${server.url}/api/v1/houses`))),
  ]);
  for (const { told, ms } of answers) {
    expect(told[0]).toBe(503);
    // A connection, a statement, and what comes of them.
    expect(ms).toBeLessThan(16_000);
  }
  expect((await ask(`${server.url}/api/v1/health`)).status).toBe(200);
  await database.thaw();
  await untilReady();
  const again = await post(houseId, [sent]);
  expect(again.status).toBe(200);
  const { body } = await ask(server.url + apiPaths.changes(houseId));
  expect(body.records.map(({ kind }) => kind).sort()).toEqual(['area', 'house']);
});

test('a house that somebody has locked holds up no other', async () => {
  const [locked, other] = [await newHouse(), await newHouse()];
  const holding = await createConnection(database.url);
  await holding.beginTransaction();
  await holding.query('select * from ledger where id = ? for update', [locked]);
  const waiting = Promise.all(Array.from({ length: 30 }, () => timed(post(locked, [change({})]))));
  await new Promise((resolve) => setTimeout(resolve, 500));
  for (const asked of [
    () => post(other, [change({})]),
    () => ask(`${server.url}/api/v1/houses`),
    () => ask(server.url + apiPaths.changes(locked)),
  ]) {
    const { told, ms } = await timed(asked());
    expect(told[0]).toBe(200);
    expect(ms).toBeLessThan(2000);
  }
  for (const { told, ms } of await waiting) {
    expect(told[0]).toBe(503);
    expect(ms).toBeLessThan(12_000);
  }
  await holding.rollback();
  await holding.end();
  expect((await post(locked, [change({})])).status).toBe(200);
});

test('a start without a database is refused in one sentence that says what to do', async () => {
  const oneSentence = (said: string) => expect([said, said.split('\n').length]).toEqual([said, 1]);
  const wrongPassword = startInVain(database.url.replace(/:[^:@]+@/, ':wrong@'));
  expect(wrongPassword).toMatchObject({ status: 1 });
  expect(wrongPassword.said).toMatch(/does not let this user in: check the name and the password/);
  oneSentence(wrongPassword.said);
  const noSchema = startInVain(database.url.replace(/\/calvet$/, '/nowhere'));
  expect(noSchema.said).toMatch(/schema/);
  oneSentence(noSchema.said);
  await database.kill();
  const away = startInVain(database.url);
  expect(away.status).toBe(1);
  expect(away.said).toMatch(
    /^The database of CALVET_DATABASE_URL \(127\.0\.0\.1:\d+\) does not answer: start it first/,
  );
  oneSentence(away.said);
  expect((await ready()).told).toEqual(UNAVAILABLE);
  await database.start();
  await untilReady();
  expect((await ready()).told[0]).toBe(200);
});

test('what was acknowledged is there after everything was killed at once', async () => {
  const houseId = await newHouse();
  const sent = Array.from({ length: 20 }, () => change({}));
  const answers = await Promise.all(sent.map((each) => post(houseId, [each])));
  expect(answers.every(({ status }) => status === 200)).toBe(true);
  await Promise.all([server.kill(), database.kill()]);
  await database.start();
  server = await startServerProcess(database.url, folder);
  const { body } = await ask(server.url + apiPaths.changes(houseId));
  expect(body.records).toHaveLength(21);
});
