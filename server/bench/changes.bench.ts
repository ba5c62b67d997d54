import { tmpdir } from 'node:os';
import { randomBytes } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import compression from 'compression';
import { drizzle } from 'drizzle-orm/mysql2';
import express from 'express';
import helmet from 'helmet';
import { createConnection, createPool } from 'mysql2/promise';
import pino from 'pino';
import { pinoHttp } from 'pino-http';
import { v7 } from 'uuid';
import { API, PRACTICE_ID } from '@calvet/contract';
import { NO_LIMITS, type AddressLimits } from '../src/http/address-limits';
import { apiRouter } from '../src/http/api';
import { createApp } from '../src/http/create-app';
import type { Recognise } from '../src/http/principal';
import { answerWithProblem } from '../src/http/problems';
import { ChangeWatch } from '../src/service/change-watch';
import { computing } from '../src/service/computing';
import longComputation from '../src/service/long-computation';
import { openDirectoryStore } from '../src/photo-store/directory-store';
import type { Principal } from '../src/service/rights';
import { openDatabase } from '../src/store/database';
import { migrateDatabase } from '../src/store/migrate';
import { allLedgers } from '../src/store/records';
import { change, createHouse, type areaBody } from '../test/records';

const REQUESTS = 400;
const BATCH = 50;
const ROUNDS = 13;

const adminUrl = process.env.CALVET_TEST_DATABASE_URL;
if (adminUrl === undefined) throw new Error('Run this through "npm run bench".');

async function listen(app: Parameters<typeof createServer>[1]): Promise<{ server: Server; url: string }> {
  const server = createServer(app);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return { server, url: `http://127.0.0.1:${(server.address() as AddressInfo).port}` };
}

async function timed(request: () => Promise<Response>): Promise<number> {
  const start = performance.now();
  const response = await request();
  await response.arrayBuffer();
  if (!response.ok) throw new Error(`It answered ${response.status}.`);
  return performance.now() - start;
}

interface Spread {
  readonly p50: number;
  readonly p95: number;
}

/** Times two requests turn by turn, so that whatever disturbs the machine disturbs both. */
async function inTurns(
  ours: () => Promise<Response>,
  bare: () => Promise<Response>,
): Promise<readonly [Spread, Spread]> {
  const times: [number[], number[]] = [[], []];
  for (let i = 0; i < REQUESTS + 50; i++) {
    const [a, b] = [await timed(ours), await timed(bare)];
    if (i >= 50) {
      times[0].push(a);
      times[1].push(b);
    }
  }
  const spread = (list: number[]): Spread => {
    const sorted = [...list].sort((a, b) => a - b);
    const at = (share: number) => sorted[Math.floor(share * sorted.length)] ?? NaN;
    return { p50: at(0.5), p95: at(0.95) };
  };
  return [spread(times[0]), spread(times[1])];
}

const post = (url: string, body: unknown) =>
  fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

const name = `calvet_bench_${randomBytes(4).toString('hex')}`;
const admin = await createConnection(adminUrl);
await admin.query(`create database ${name}`);
const databaseUrl = adminUrl.replace(/\/[^/]*$/, `/${name}`);
await migrateDatabase(databaseUrl, join(import.meta.dirname, '../src/store/migrations'));

const database = openDatabase(databaseUrl);
const photos = await openDirectoryStore({ folder: join(tmpdir(), name), leaveFreeBytes: 0 });
const appThat = (
  recognisedBy?: Recognise,
  limits: AddressLimits = NO_LIMITS,
  addresses: readonly URL[] = [],
) =>
  createApp({
    db: database.db,
    log: pino({ level: 'silent' }),
    compute: computing({ run: async (computation) => longComputation(computation) }),
    watch: new ChangeWatch(() => allLedgers(database.db)),
    photos,
    webFolder: null,
    addresses,
    trustedProxies: '',
    limits,
    recognisedBy,
  });
const calvet = await listen(appThat());

const houseId = v7();
const changesUrl = `${calvet.url}/api/v1/ledgers/${houseId}/changes`;
await post(changesUrl, { changes: [createHouse(houseId), ...Array.from({ length: 100 }, () => change({}))] });

const pool = createPool({ uri: databaseUrl, timezone: 'Z', connectionLimit: 12 });
await pool.query('create table bare_area like area');
await pool.query('create table bare_change like ledger_change');
await pool.query('create table bare_counter like ledger');
await pool.query('insert into bare_counter values (?, ?, 0)', [houseId, 'house']);
const AREA_COLUMNS =
  'id, ledger_id, revision, change_number, updated_at, updated_by, deleted_at, name, kind, area_m2, build_up, grade';
const JOURNAL_COLUMNS =
  'ledger_id, change_id, change_number, kind, record_id, op, revision, body, changed_at, changed_by, device';
const bareApp = express();
bareApp.use(express.json());
bareApp.get('/records', async (_request, response) => {
  const [rows] = await pool.query('select * from area where ledger_id = ? order by change_number', [houseId]);
  response.json(rows);
});
bareApp.post('/records', async (request, response) => {
  const connection = await pool.getConnection();
  await connection.beginTransaction();
  const { changes } = request.body as { changes: { id: string; changeId: string; body: typeof areaBody }[] };
  const now = new Date();
  const areas = changes.map(({ id, body: { name: title, kind, areaM2, buildUp, grade } }, i) => [
    ...[id, houseId, 1, i, now, 'Bare', null],
    ...[title, kind, areaM2, JSON.stringify(buildUp), grade],
  ]);
  const journal = changes.map(({ id, changeId, body }, i) => [
    ...[houseId, changeId, i, 'area', id, 'create', 1, JSON.stringify(body), now, 'Bare', ''],
  ]);
  await connection.query(`insert into bare_area (${AREA_COLUMNS}) values ?`, [areas]);
  await connection.query(`insert into bare_change (${JOURNAL_COLUMNS}) values ?`, [journal]);
  await connection.query('update bare_counter set last_change = last_change + ? where id = ?', [
    changes.length,
    houseId,
  ]);
  await connection.commit();
  connection.release();
  response.json({ ok: true });
});
const bare = await listen(bareApp);

const ratio = (ours: Spread, theirs: Spread) =>
  `p50 ${(ours.p50 / theirs.p50).toFixed(2)} ×, p95 ${(ours.p95 / theirs.p95).toFixed(2)} ×` +
  `  (${ours.p50.toFixed(1)} / ${ours.p95.toFixed(1)} ms against ${theirs.p50.toFixed(1)} / ${theirs.p95.toFixed(1)} ms)`;

const [getOurs, getBare] = await inTurns(
  () => fetch(changesUrl),
  () => fetch(`${bare.url}/records`),
);
console.log(
  `GET changes, 101 records, against a bare handler with the same query: ${ratio(getOurs, getBare)}`,
);

for (const size of [1, BATCH]) {
  const batch = () => ({ changes: Array.from({ length: size }, () => change({})) });
  // To another house, so that reading stays as it was.
  const otherId = v7();
  const otherUrl = `${calvet.url}/api/v1/ledgers/${otherId}/changes`;
  await post(otherUrl, { changes: [createHouse(otherId)] });
  const [ours, theirs] = await inTurns(
    () => post(otherUrl, batch()),
    () => post(`${bare.url}/records`, batch()),
  );
  console.log(
    `POST changes, ${size} at once, against a bare handler with the same inserts: ${ratio(ours, theirs)}`,
  );
}

/** Processor time of many requests of two kinds, turn by turn; milliseconds for each request. */
async function processorTime(urls: readonly [string, string]): Promise<readonly [number, number]> {
  const spent: [number, number] = [0, 0];
  for (let round = 0; round < ROUNDS; round++) {
    const order = [...urls.entries()];
    for (const [i, url] of round % 2 === 0 ? order : order.reverse()) {
      const before = process.cpuUsage();
      for (let n = 0; n < REQUESTS; n++) await (await fetch(url)).arrayBuffer();
      const { user, system } = process.cpuUsage(before);
      if (round > 0) spent[i === 0 ? 0 : 1] += user + system;
    }
  }
  const each = (microseconds: number) => microseconds / 1000 / ((ROUNDS - 1) * REQUESTS);
  return [each(spent[0]), each(spent[1])];
}

const known: Principal = {
  who: { name: 'Bare', device: '', now: new Date(), clock: null },
  practice: PRACTICE_ID,
  role: 'all',
};
// Both as fresh as each other.
const made = await listen(appThat());
const given = await listen(appThat(() => known));
const nothingNew = (url: string) => `${url}/api/v1/ledgers/${houseId}/changes?since=1000000`;
const [withMade, withGiven] = await processorTime([nothingNew(made.url), nothingNew(given.url)]);
console.log(
  `Processor time of a request whose principal is made from it, against one that is known: ` +
    `${(withMade / withGiven).toFixed(3)} × (${withMade.toFixed(3)} ms)`,
);

/** The same app without what stands at its doors, over a pool that waits for as long as it takes. */
const unguarded = express();
unguarded.use(pinoHttp({ logger: pino({ level: 'silent' }) }), helmet(), compression());
unguarded.use(
  API,
  apiRouter({
    db: drizzle(pool),
    compute: computing({ run: async (computation) => longComputation(computation) }),
    watch: new ChangeWatch(() => allLedgers(database.db)),
    photos,
    limits: NO_LIMITS,
  }),
);
unguarded.use(answerWithProblem);
const open = await listen(unguarded);
const PLENTY = 1_000_000_000_000;
const limits: AddressLimits = {
  requestsAMinute: PLENTY,
  bytesAMinute: PLENTY,
  uploadsAMinute: PLENTY,
  listeners: PLENTY,
  computations: PLENTY,
};
const guarded = await listen(appThat(undefined, limits, [new URL('https://calvet.example')]));
const [withChecks, without] = await processorTime([nothingNew(guarded.url), nothingNew(open.url)]);
console.log(
  `Processor time of a request with the checks at the door and a database that may not be silent, against one without: ` +
    `${(withChecks / without).toFixed(3)} × (${withChecks.toFixed(3)} ms)`,
);

for (const { server } of [made, given, calvet, bare, open, guarded]) {
  server.closeAllConnections();
  server.close();
}
await database.close();
await pool.end();
await admin.query(`drop database ${name}`);
await admin.end();
