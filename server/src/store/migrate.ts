import { randomUUID } from 'node:crypto';
import { drizzle } from 'drizzle-orm/mysql2';
import { migrate } from 'drizzle-orm/mysql2/migrator';
import { createConnection, type Connection, type ResultSetHeader } from 'mysql2/promise';
import { databaseErrorCode, databaseUrls, pause } from './database';

const HELD_SECONDS = 120;
const LOOK_MS = 200;

async function connect(setting: string): Promise<Connection> {
  const [first, ...others] = databaseUrls(setting);
  try {
    return await createConnection({ uri: first, timezone: 'Z' });
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

/** Brings the tables up to date; of several processes that start at once, one does it and the others wait. */
export async function migrateDatabase(setting: string, migrationsFolder: string): Promise<void> {
  const connection = await connect(setting);
  const holder = randomUUID();
  try {
    await connection.query(
      'create table if not exists migration_right (id int primary key, holder char(36) not null, held_until datetime not null)',
    );
    await connection.query("insert ignore into migration_right values (1, '', '2000-01-01')");
    while (!(await take(connection, holder))) await pause(LOOK_MS);
    await migrate(drizzle(connection), { migrationsFolder });
    await connection.query(
      "update migration_right set held_until = '2000-01-01' where id = 1 and holder = ?",
      [holder],
    );
  } finally {
    await connection.end();
  }
}
