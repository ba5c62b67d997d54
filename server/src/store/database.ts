import { sql } from 'drizzle-orm';
import { drizzle, type MySql2Database } from 'drizzle-orm/mysql2';
import { createPool, createPoolCluster, format, type Pool, type PoolOptions } from 'mysql2/promise';
import { answeringPool, PATIENCE, within, type Patience } from './answering-pool';

export type Database = MySql2Database<Record<string, never>>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

export interface OpenDatabase {
  readonly db: Database;
  readonly close: () => Promise<void>;
}

/** How long a node that does not answer is left alone. */
const NODE_REST_MS = 2000;

/** The addresses of a database: one, or those of the nodes of a cluster, the one to be asked first before the others. */
export function databaseUrls(setting: string): readonly [string, ...string[]] {
  const [first = '', ...others] = setting.split(/[\s,]+/).filter((url) => url !== '');
  return [first, ...others];
}

function openCluster(nodes: readonly PoolOptions[], patience: Patience): OpenDatabase {
  const cluster = createPoolCluster({
    canRetry: true,
    removeNodeErrorCount: 1,
    restoreNodeTimeout: NODE_REST_MS,
  });
  nodes.forEach((node, i) => cluster.add(`node${i}`, node));
  // The first node that answers: two that are written to at once give way to each other more often than one.
  const pool = answeringPool(cluster.of('node*', 'ORDER') as unknown as Pool, patience);
  return { db: drizzle(pool), close: () => cluster.end() };
}

/** A statement with its values in it. One without values may be long: nobody looks for places in it. */
const withValues = (statement: string, values: Parameters<typeof format>[1]): string =>
  Array.isArray(values) && values.length === 0 ? statement : format(statement, values, false, 'Z');

/**
 * Opens a pool of connections; none is made before the first query.
 * @param setting one address, or several of one cluster with blanks or commas between
 */
export function openDatabase(
  setting: string,
  connectionLimit = 12,
  patience: Patience = PATIENCE,
): OpenDatabase {
  const optionsOf = (uri: string): PoolOptions => ({
    uri,
    timezone: 'Z',
    queryFormat: withValues,
    connectionLimit,
    enableKeepAlive: true,
    connectTimeout: patience.answerMs,
  });
  const [first, ...others] = databaseUrls(setting);
  if (others.length > 0) return openCluster([first, ...others].map(optionsOf), patience);
  const pool = createPool(optionsOf(first));
  return { db: drizzle(answeringPool(pool, patience)), close: () => pool.end() };
}

/** A statement took longer than it may. */
const STATEMENT_TIMEOUT = 'MARIADB_1969';

/** The database's own code of an error, wherever it was wrapped. */
export function databaseErrorCode(error: unknown): string | null {
  if (typeof error !== 'object' || error === null) return null;
  const { code, errno, cause } = error as {
    readonly code?: unknown;
    readonly errno?: unknown;
    readonly cause?: unknown;
  };
  if (typeof code === 'string') return code;
  // The driver has no name for what only MariaDB says.
  return typeof errno === 'number' ? `MARIADB_${errno}` : databaseErrorCode(cause);
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
  STATEMENT_TIMEOUT,
  'DATABASE_SILENT',
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

/**
 * Runs work in a transaction, and again where the database gave way to another writer, who may have made the same, or where
 * what it took for new was there: the second time the work may look more closely.
 */
export async function inTransaction<T>(
  db: Database,
  work: (tx: Transaction, attempt: number) => Promise<T>,
): Promise<T> {
  const until = Date.now() + PATIENCE.answerMs;
  for (let attempt = 1; ; attempt++) {
    try {
      return await db.transaction((tx) => work(tx, attempt));
    } catch (error) {
      const isLast = attempt === ATTEMPTS || Date.now() > until;
      if (isLast || !isWorthAnotherLook(databaseErrorCode(error))) throw error;
      await pause(5 * 2 ** attempt * (0.5 + Math.random()));
    }
  }
}

/** Whoever asks whether a server is ready is told soon. */
const PING_MS = 1500;

/** @throws where the database does not answer within 1.5 s */
export async function ping(db: Database): Promise<void> {
  await within(PING_MS, db.execute(sql`select 1`));
}

/** What a database answers to a start that cannot be, and what to do about it. */
const START_WORDS: Readonly<Record<string, string>> = {
  ER_ACCESS_DENIED_ERROR: 'does not let this user in: check the name and the password',
  ER_DBACCESS_DENIED_ERROR: 'does not let this user into this schema: grant it all rights there',
  ER_TABLEACCESS_DENIED_ERROR: 'does not let this user make tables: grant it all rights on its schema',
  ER_BAD_DB_ERROR: 'has no schema of this name: create it first',
  ENOTFOUND: 'is at a name that nobody knows: check the address',
};

/** Why a server cannot start on a database, in one sentence; null where it is no matter of that. */
export function whyNotStarted(error: unknown, setting: string): string | null {
  const code = databaseErrorCode(error) ?? '';
  const words = START_WORDS[code] ?? (isUnreachable(error) ? 'does not answer: start it first' : null);
  if (words === null) return null;
  const hosts = databaseUrls(setting).map((url) => (URL.canParse(url) ? new URL(url).host : url));
  return `The database of CALVET_DATABASE_URL (${hosts.join(', ')}) ${words} (${code}).`;
}
