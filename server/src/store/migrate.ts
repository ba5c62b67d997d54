import { randomUUID } from 'node:crypto';
import { readMigrationFiles, type MigrationMeta } from 'drizzle-orm/migrator';
import { createConnection, type Connection, type ResultSetHeader, type RowDataPacket } from 'mysql2/promise';
import { PATIENCE } from './answering-pool';
import { databaseErrorCode, databaseUrls, pause } from './database';

/** A process that was killed keeps the right for so long at most. */
const HELD_SECONDS = 15;
const RENEW_MS = 4000;
const LOOK_MS = 200;

async function connect(setting: string): Promise<Connection> {
  const [first, ...others] = databaseUrls(setting);
  try {
    return await createConnection({ uri: first, timezone: 'Z', connectTimeout: PATIENCE.answerMs });
  } catch (error) {
    if (others.length === 0) throw error;
    return connect(others.join(' '));
  }
}

/**
 * Takes the right to migrate, which is a row rather than a lock of the server: nodes of a cluster know nothing of each
 * other's locks, and one row only one of them can take.
 */
async function take(connection: Connection, holder: string): Promise<boolean> {
  try {
    const [{ affectedRows }] = await connection.query<ResultSetHeader>(
      'update migration_right set holder = ?, held_until = date_add(now(), interval ? second) where id = 1 and held_until < now()',
      [holder, HELD_SECONDS],
    );
    return affectedRows === 1;
  } catch (error) {
    // Another node was quicker.
    if (databaseErrorCode(error) === 'ER_LOCK_DEADLOCK') return false;
    throw error;
  }
}

/** Where statements go; a connection is one. */
export type Statements = Pick<Connection, 'query' | 'beginTransaction' | 'commit'>;

/** What a statement answers that was carried out before, where there was no time to write that down. */
const DONE_BEFORE = new Set([
  'ER_TABLE_EXISTS_ERROR',
  'ER_NO_SUCH_TABLE',
  'ER_BAD_TABLE_ERROR',
  'ER_DUP_FIELDNAME',
  'ER_BAD_FIELD_ERROR',
  'ER_DUP_KEYNAME',
  'ER_CANT_DROP_FIELD_OR_KEY',
  'ER_MULTIPLE_PRI_KEY',
  'ER_FK_DUP_NAME',
]);

/** True for what a transaction undoes; all else is committed at once. */
const isOfRows = (statement: string): boolean =>
  /^\s*(insert|update|delete|replace)\b/i.test(statement.replaceAll(/^\s*--.*$/gm, ''));

/** Writes down which statement of a migration is under way. */
const SAY_STEP = 'replace into migration_step values (?, ?)';

async function carryOut(
  on: Statements,
  { folderMillis, sql }: MigrationMeta,
  step: number,
  wasUnderWay: boolean,
): Promise<void> {
  const statement = sql[step] ?? '';
  if (isOfRows(statement)) {
    await on.beginTransaction();
    await on.query(statement);
    await on.query(SAY_STEP, [folderMillis, step + 1]);
    await on.commit();
    return;
  }
  try {
    await on.query(statement);
  } catch (error) {
    if (!wasUnderWay || !DONE_BEFORE.has(databaseErrorCode(error) ?? '')) throw error;
  }
}

async function migrateOnce(on: Statements, migration: MigrationMeta, underWay: number | null): Promise<void> {
  const { folderMillis, hash, sql } = migration;
  for (let step = underWay ?? 0; step < sql.length; step++) {
    await on.query(SAY_STEP, [folderMillis, step]);
    await carryOut(on, migration, step, step === underWay);
  }
  await on.beginTransaction();
  await on.query('insert into __drizzle_migrations (hash, created_at) values (?, ?)', [hash, folderMillis]);
  await on.query('delete from migration_step where migration = ?', [folderMillis]);
  await on.commit();
}

/**
 * Carries out the migrations that a database has not had. The database commits each statement that changes a table by
 * itself: which one is under way is written down before it, so that a process that is killed at any of them is followed by
 * one that goes on there.
 */
export async function carryOutMigrations(on: Statements, migrationsFolder: string): Promise<void> {
  await on.query(
    'create table if not exists __drizzle_migrations (id serial primary key, hash text not null, created_at bigint)',
  );
  await on.query(
    'create table if not exists migration_step (migration bigint primary key, step int not null)',
  );
  const [[last]] = await on.query<RowDataPacket[]>(
    'select max(created_at) as last_migration from __drizzle_migrations',
  );
  const [steps] = await on.query<RowDataPacket[]>('select migration, step from migration_step');
  const underWay = new Map(steps.map(({ migration, step }) => [Number(migration), Number(step)]));
  for (const migration of readMigrationFiles({ migrationsFolder })) {
    if (migration.folderMillis <= Number(last?.last_migration ?? 0)) continue;
    await migrateOnce(on, migration, underWay.get(migration.folderMillis) ?? null);
  }
}

/** Brings the tables up to date; of several processes that start at once, one does it and the others wait. */
export async function migrateDatabase(setting: string, migrationsFolder: string): Promise<void> {
  const connection = await connect(setting);
  // The first may be busy with one statement for minutes.
  const keeping = await connect(setting);
  const holder = randomUUID();
  const holdUntil = (until: string) =>
    keeping.query(`update migration_right set held_until = ${until} where id = 1 and holder = ?`, [holder]);
  let renewing: ReturnType<typeof setInterval> | undefined;
  try {
    await connection.query(
      'create table if not exists migration_right (id int primary key, holder char(36) not null, held_until datetime not null)',
    );
    await connection.query("insert ignore into migration_right values (1, '', '2000-01-01')");
    while (!(await take(connection, holder))) await pause(LOOK_MS);
    renewing = setInterval(() => {
      holdUntil(`date_add(now(), interval ${HELD_SECONDS} second)`).catch(() => undefined);
    }, RENEW_MS);
    await carryOutMigrations(connection, migrationsFolder);
  } finally {
    clearInterval(renewing);
    await holdUntil("'2000-01-01'").catch(() => undefined);
    await Promise.all([connection.end(), keeping.end()]);
  }
}
