import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { crowd, type CrowdResult } from '../../test/phones';
import { startPrivateDatabase, type PrivateDatabase } from '../../test/private-database';
import { startServerProcess, type ServerProcess } from '../../test/server-process';

jest.setTimeout(120_000);

let database: PrivateDatabase;
let folder: string;
let servers: ServerProcess[] = [];
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'calvet-cuts-'));
  database = await startPrivateDatabase();
  servers = await Promise.all([1, 2].map(() => startServerProcess(database.url, folder)));
});
afterAll(async () => {
  await Promise.all(servers.map((server) => server.close()));
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

function expectOneState({ phones, fresh }: CrowdResult): void {
  expect(fresh.copy.size).toBeGreaterThan(phones.length);
  for (const phone of phones) {
    expect(Object.fromEntries(phone.copy)).toEqual(Object.fromEntries(fresh.copy));
  }
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

test('two server processes under load, the database killed in the middle: everyone ends with the same house', async () => {
  let killed = false;
  const result = await crowd({
    servers: servers.map(({ url }) => url),
    phones: 6,
    changesEach: 200,
    seed: 31,
    onShare: onceAt(0.4, async () => {
      await database.kill();
      killed = true;
      await database.start();
    }),
  });
  expect(killed).toBe(true);
  expectOneState(result);
});

test('one of two server processes is killed in the middle and another takes its place', async () => {
  const [first, second] = servers;
  if (first === undefined || second === undefined) throw new Error('Two servers are needed.');
  let killed = false;
  const result = await crowd({
    servers: [first.url, second.url],
    phones: 6,
    changesEach: 150,
    seed: 57,
    onShare: onceAt(0.4, async () => {
      await first.kill();
      killed = true;
    }),
  });
  expect(killed).toBe(true);
  expectOneState(result);
});
