import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startPrivateDatabase, type PrivateDatabase } from '../../server/test/private-database';
import { startServerProcess, type ServerProcess } from '../../server/test/server-process';
import { crowd, type CrowdResult } from './crowd';

jest.setTimeout(300_000);

let database: PrivateDatabase;
let folder: string;
let servers: ServerProcess[] = [];
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'calvet-cuts-'));
  database = await startPrivateDatabase();
  // All of them are on one address here, as no crowd is.
  const limits = { CALVET_LIMIT_REQUESTS: '0', CALVET_LIMIT_LISTENERS: '0' };
  servers = await Promise.all([1, 2].map(() => startServerProcess(database.url, folder, limits)));
});
afterAll(async () => {
  await Promise.all(servers.map((server) => server.close()));
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

const oneOf = (urls: readonly string[]) => urls[Math.floor(Math.random() * urls.length)] ?? '';

function expectNothingLost(result: CrowdResult, least: number): void {
  const { lost, doubled, unseen, astray } = result;
  expect({ lost, doubled, unseen, astray }).toEqual({ lost: [], doubled: [], unseen: [], astray: [] });
  expect(result.entered).toBeGreaterThan(least);
}

/** Calls once, at the first look after so much of the work. */
function onceAt(least: number, doIt: () => Promise<void>): (share: number) => Promise<void> {
  let isDone = false;
  return async (share) => {
    if (isDone || share < least) return;
    isDone = true;
    await doIt();
  };
}

/** More of both find rarer faults; they take longer. */
const DEVICES = Number(process.env.CALVET_CROWD_DEVICES ?? 4);
const ACTIONS = Number(process.env.CALVET_CROWD_ACTIONS ?? 120);

test('devices that write in one house over two servers, the database killed in the middle', async () => {
  let killed = false;
  const result = await crowd({
    server: () => oneOf(servers.map(({ url }) => url)),
    databaseUrl: database.url,
    people: DEVICES,
    actionsEach: ACTIONS,
    seed: 31,
    onShare: onceAt(0.4, async () => {
      await database.kill();
      killed = true;
      await database.start();
    }),
  });
  expect(killed).toBe(true);
  expectNothingLost(result, (DEVICES * ACTIONS) / 3);
});

test('one of two servers is killed in the middle', async () => {
  const [first, second] = servers;
  if (first === undefined || second === undefined) throw new Error('Two servers are needed.');
  let living = [first.url, second.url];
  const result = await crowd({
    server: () => oneOf(living),
    databaseUrl: database.url,
    people: 4,
    actionsEach: 120,
    seed: 57,
    onShare: onceAt(0.4, async () => {
      await first.kill();
      setTimeout(() => {
        living = [second.url];
      }, 200);
    }),
  });
  expectNothingLost(result, 150);
});
