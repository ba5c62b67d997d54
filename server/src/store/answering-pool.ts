import type { Pool, PoolConnection } from 'mysql2/promise';

/** How long a database has to answer. */
export interface Patience {
  /** For a connection, and for each statement. */
  readonly answerMs: number;
  /** For a lock that another holds: shorter, so that the statement ends with a reason. */
  readonly lockS: number;
}

export const PATIENCE: Patience = { answerMs: 5000, lockS: 4 };

/** What has come in is read within that. */
const GRACE_MS = 50;

/** The database has not answered in time. */
export class DatabaseSilent extends Error {
  readonly code = 'DATABASE_SILENT';
}

/** Waits for work until a time; `onLate` ends what can be ended of it. */
export async function within<T>(
  milliseconds: number,
  work: Promise<T>,
  onLate: () => void = () => undefined,
): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_resolve, reject) => {
    timer = setTimeout(() => {
      // Where it was this process that had no time, the answer has come meanwhile and waits to be read.
      timer = setTimeout(() => {
        onLate();
        reject(new DatabaseSilent('The database does not answer.'));
      }, GRACE_MS);
    }, milliseconds - GRACE_MS);
  });
  try {
    return await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}

type Ask = (...args: readonly unknown[]) => Promise<unknown>;

/** Where a statement is asked: what a transaction needs of a connection. */
function answering(connection: PoolConnection, { answerMs }: Patience) {
  const limited =
    (ask: Ask): Ask =>
    (...args) =>
      // A connection that owes an answer is of no use to anybody else.
      within(answerMs, ask(...args), () => connection.destroy());
  return {
    query: limited(connection.query.bind(connection) as unknown as Ask),
    execute: limited(connection.execute.bind(connection) as unknown as Ask),
    release: () => connection.release(),
  };
}

/** Gives a connection back also where it comes after nobody waits for it any more. */
function giveBack(coming: Promise<PoolConnection>): void {
  coming.then(
    (connection) => connection.release(),
    () => undefined,
  );
}

/**
 * A pool that waits for nothing longer than it has patience, neither for a connection nor for an answer: a database that is
 * frozen, or that makes a statement wait for a lock, holds nobody up for longer. The database itself ends what it was asked
 * at that time too.
 * @throws {DatabaseSilent} from each of its functions
 */
export function answeringPool(pool: Pool, patience: Patience): Pool {
  const { answerMs, lockS } = patience;
  const prepared = new WeakSet<object>();
  const prepare = `set session max_statement_time = ${answerMs / 1000}, innodb_lock_wait_timeout = ${lockS}`;
  const getConnection = async () => {
    const coming = pool.getConnection();
    const connection = await within(answerMs, coming, () => giveBack(coming));
    const asked = answering(connection, patience);
    const { connection: underneath } = connection;
    if (!prepared.has(underneath)) {
      await asked.query(prepare).catch((error: unknown) => {
        asked.release();
        throw error;
      });
      prepared.add(underneath);
    }
    return asked;
  };
  const limited =
    (method: 'query' | 'execute'): Ask =>
    async (...args) => {
      const connection = await getConnection();
      try {
        return await connection[method](...args);
      } finally {
        connection.release();
      }
    };
  return { getConnection, query: limited('query'), execute: limited('execute') } as unknown as Pool;
}
