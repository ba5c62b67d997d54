import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { randomBytes } from 'node:crypto';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import pino, { type Logger } from 'pino';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { NO_LIMITS, type AddressLimits } from '../src/http/address-limits';
import { createApp } from '../src/http/create-app';
import { httpServer } from '../src/http/http-server';
import { recogniseAnybody } from '../src/http/principal';
import { openDirectoryStore } from '../src/photo-store/directory-store';
import type { PhotoStore } from '../src/photo-store/photo-store';
import { ChangeWatch } from '../src/service/change-watch';
import { computing, type Threads } from '../src/service/computing';
import type { Role } from '../src/service/rights';
import longComputation from '../src/service/long-computation';
import { openDatabase } from '../src/store/database';
import { migrateDatabase } from '../src/store/migrate';
import { allLedgers } from '../src/store/records';

export { ask } from './asking';

export interface RunningServer {
  readonly url: string;
  readonly databaseUrl: string;
  readonly close: () => Promise<void>;
}

/** The database server that the tests were given: `npm test` starts one of its own. */
function adminUrl(): string {
  const url = process.env.CALVET_TEST_DATABASE_URL;
  if (url === undefined) throw new Error('Run these through "npm test", which starts a database for them.');
  return url;
}

async function asAdmin(statement: string): Promise<void> {
  const admin = await createConnection(adminUrl());
  await admin.query(statement);
  await admin.end();
}

/** An empty database of a test's own. */
export async function newDatabase(): Promise<{ readonly url: string; readonly drop: () => Promise<void> }> {
  const name = `calvet_${randomBytes(6).toString('hex')}`;
  await asAdmin(`create database ${name}`);
  return {
    url: adminUrl().replace(/\/[^/]*$/, `/${name}`),
    drop: () => asAdmin(`drop database ${name}`),
  };
}

/** Ends every connection that others have to a database, as a restart of it would. */
export async function cutConnections(databaseUrl: string): Promise<void> {
  const connection = await createConnection(databaseUrl);
  const [rows] = await connection.query<RowDataPacket[]>(
    'select id from information_schema.processlist where db = database() and id <> connection_id()',
  );
  for (const { id } of rows) await connection.query(`kill ${String(id)}`).catch(() => undefined);
  await connection.end();
}

/** Computes on this thread: Jest's modules cannot be loaded by another. */
const noThreads: Threads = { run: async (computation) => longComputation(computation) };

interface ServerOptions {
  readonly threads?: Threads;
  readonly webFolder?: string;
  /** A directory of its own where left out, which is removed at the end. */
  readonly photos?: PhotoStore;
  /** Looks for the database here instead, as if it were away. */
  readonly databasePort?: number;
  /** Stands on the database of another server, which drops it. */
  readonly databaseUrl?: string;
  readonly log?: Logger;
  readonly limits?: AddressLimits;
  readonly addresses?: readonly URL[];
  /** What whoever asks may do. */
  readonly role?: Role;
}

/** A server on a free port over a database of its own, which is dropped at the end. */
export async function startServer({
  webFolder,
  databasePort,
  databaseUrl: shared,
  threads = noThreads,
  photos,
  role = 'all',
  limits = NO_LIMITS,
  log = pino({ level: 'silent' }),
  addresses = [],
}: ServerOptions = {}): Promise<RunningServer> {
  const own = shared === undefined ? await newDatabase() : null;
  const databaseUrl = own?.url ?? shared ?? '';
  await migrateDatabase(databaseUrl, join(__dirname, '../src/store/migrations'));
  const url = new URL(databaseUrl);
  if (databasePort !== undefined) url.port = String(databasePort);
  const database = openDatabase(url.href);
  const folder = await mkdtemp(join(tmpdir(), 'calvet-photos-'));
  const watch = new ChangeWatch(() => allLedgers(database.db), 200);
  const server = httpServer(
    createApp({
      db: database.db,
      log,
      compute: computing(threads),
      watch,
      photos: photos ?? (await openDirectoryStore({ folder, leaveFreeBytes: 0 })),
      webFolder: webFolder ?? null,
      addresses,
      trustedProxies: '',
      limits,
      recognisedBy: (request) => ({ ...recogniseAnybody(request), role }),
    }),
  );
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  return {
    url: `http://127.0.0.1:${port}`,
    databaseUrl,
    close: async () => {
      watch.close();
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await database.close();
      await rm(folder, { recursive: true, force: true });
      await own?.drop();
    },
  };
}
