import { sql } from 'drizzle-orm';
import { drizzle, type MySql2Database } from 'drizzle-orm/mysql2';
import { createPool, createPoolCluster, type Pool, type PoolOptions } from 'mysql2/promise';

export type Database = MySql2Database<Record<string, never>>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

export interface OpenDatabase {
  readonly db: Database;
  readonly pool: Pool;
  readonly close: () => Promise<void>;
}

/** How long a node that does not answer is left alone. */
const NODE_REST_MS = 2000;

/** The addresses of a database: one, or those of the nodes of a cluster, the one to be asked first before the others. */
export function databaseUrls(setting: string): readonly [string, ...string[]] {
  const [first = '', ...others] = setting.split(/[\s,]+/).filter((url) => url !== '');
  return [first, ...others];
}

function openCluster(nodes: readonly PoolOptions[]): OpenDatabase {
  const cluster = createPoolCluster({
    canRetry: true,
    removeNodeErrorCount: 1,
    restoreNodeTimeout: NODE_REST_MS,
  });
  nodes.forEach((node, i) => cluster.add(`node${i}`, node));
  // The first node that answers: two that are written to at once give way to each other more often than one.
  const pool = cluster.of('node*', 'ORDER') as unknown as Pool;
  return { db: drizzle(pool), pool, close: () => cluster.end() };
}

/**
 * Opens a pool of connections; none is made before the first query.
 * @param setting one address, or several of one cluster with blanks or commas between
 */
export function openDatabase(setting: string, connectionLimit = 12): OpenDatabase {
  const optionsOf = (uri: string): PoolOptions => ({
    uri,
    timezone: 'Z',
    connectionLimit,
    enableKeepAlive: true,
    connectTimeout: 5000,
  });
  const [first, ...others] = databaseUrls(setting);
  if (others.length > 0) return openCluster([first, ...others].map(optionsOf));
  const pool = createPool(optionsOf(first));
  return { db: drizzle(pool), pool, close: () => pool.end() };
}

/** The database's own code of an error, wherever it was wrapped. */
export function databaseErrorCode(error: unknown): string | null {
  if (typeof error !== 'object' || error === null) return null;
  const { code, cause } = error as { readonly code?: unknown; readonly cause?: unknown };
  return typeof code === 'string' ? code : databaseErrorCode(cause);
}

const WORTH_RETRYING = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT', 'ER_CHECKREAD']);
/** A node of a cluster that is there, and not ready to be asked. */
const NODE_NOT_READY = 'ER_UNKNOWN_COM_ERROR';
const UNREACHABLE = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ENOENT',
  'ETIMEDOUT',
  'PROTOCOL_CONNECTION_LOST',
  'ER_SERVER_SHUTDOWN',
  'ER_CONNECTION_KILLED',
  'ER_CON_COUNT_ERROR',
  'POOL_CLOSED',
  'POOL_NONEONLINE',
  NODE_NOT_READY,
  // Tried as often as is sensible: whoever asked may try again.
  ...WORTH_RETRYING,
]);
const ATTEMPTS = 9;

/** True where the database could not be reached, rather than having refused. */
export function isUnreachable(error: unknown): boolean {
  const code = databaseErrorCode(error);
  return (code !== null && UNREACHABLE.has(code)) || isFatalToConnection(error);
}

/** The driver marks errors after which a connection is of no use any more. */
function isFatalToConnection(error: unknown): boolean {
  if (typeof error !== 'object' || error === null) return false;
  const { fatal, cause } = error as { readonly fatal?: unknown; readonly cause?: unknown };
  return fatal === true || isFatalToConnection(cause);
}

/** Resolves after a while. */
export const pause = (milliseconds: number): Promise<void> =>
  new Promise((resolve) => setTimeout(resolve, milliseconds));

/** Another made the same at the same moment: whoever looks again finds it. */
const MADE_MEANWHILE = 'ER_DUP_ENTRY';
const isWorthAnotherLook = (code: string | null): boolean =>
  code !== null && (WORTH_RETRYING.has(code) || code === MADE_MEANWHILE);

/** Runs work in a transaction, and again where the database gave way to another writer, who may have made the same. */
export async function inTransaction<T>(db: Database, work: (tx: Transaction) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await db.transaction(work);
    } catch (error) {
      if (!isWorthAnotherLook(databaseErrorCode(error)) || attempt === ATTEMPTS) throw error;
      await pause(5 * 2 ** attempt * (0.5 + Math.random()));
    }
  }
}

/** Throws where the database does not answer. */
export async function ping(db: Database): Promise<void> {
  await db.execute(sql`select 1`);
}
