import { drizzle } from 'drizzle-orm/mysql2';
import { migrate } from 'drizzle-orm/mysql2/migrator';
import { createConnection, type RowDataPacket } from 'mysql2/promise';

const LOCK = 'calvet_migrations';
const LOCK_SECONDS = 60;

/** Brings the tables up to date; of several processes that start at once, one does it and the others wait. */
export async function migrateDatabase(url: string, migrationsFolder: string): Promise<void> {
  const connection = await createConnection({ uri: url, timezone: 'Z' });
  try {
    const [rows] = await connection.query<RowDataPacket[]>('select get_lock(?, ?) as held', [
      LOCK,
      LOCK_SECONDS,
    ]);
    if (rows[0]?.held !== 1) throw new Error('Another process has held the migrations for over a minute.');
    await migrate(drizzle(connection), { migrationsFolder });
    await connection.query('select release_lock(?)', [LOCK]);
  } finally {
    await connection.end();
  }
}
