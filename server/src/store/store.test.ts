import { fieldsOf, KINDS } from '@calvet/contract';
import { getTableColumns } from 'drizzle-orm';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { ask, startServer, type RunningServer } from '../../test/running-server';
import { databaseErrorCode, inTransaction, isUnreachable, openDatabase } from './database';
import { migrateDatabase } from './migrate';
import { recordTables } from './tables';

const migrations = join(__dirname, 'migrations');

let server: RunningServer;

beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

test.each(KINDS)('the table of %s has a column for every field of the record', (kind) => {
  const columns = Object.keys(getTableColumns(recordTables[kind]));
  expect(fieldsOf(kind).filter((field) => !columns.includes(field))).toEqual([]);
});

test('several processes that migrate at once leave one set of tables', async () => {
  await Promise.all(Array.from({ length: 4 }, () => migrateDatabase(server.databaseUrl, migrations)));
  const connection = await createConnection(server.databaseUrl);
  const [rows] = await connection.query<RowDataPacket[]>(
    'select count(*) as applied from __drizzle_migrations',
  );
  await connection.end();
  const files = readdirSync(migrations).filter((name) => name.endsWith('.sql'));
  expect(rows[0]?.applied).toBe(files.length);
});

describe('a transaction', () => {
  test('is run again where the database gave way to another writer', async () => {
    const { db, close } = openDatabase(server.databaseUrl);
    let attempts = 0;
    const answer = await inTransaction(db, () => {
      attempts++;
      if (attempts < 3)
        return Promise.reject(Object.assign(new Error('deadlock'), { cause: { code: 'ER_LOCK_DEADLOCK' } }));
      return Promise.resolve('done');
    });
    await close();
    expect([answer, attempts]).toEqual(['done', 3]);
  });

  test('two that lock in opposite order both end', async () => {
    const { db, close } = openDatabase(server.databaseUrl);
    await db.execute('create table if not exists pair (id int primary key, n int)');
    await db.execute('replace into pair values (1, 0), (2, 0)');
    const add = (first: number, second: number) =>
      inTransaction(db, async (tx) => {
        await tx.execute(`update pair set n = n + 1 where id = ${first}`);
        await new Promise((resolve) => setTimeout(resolve, 100));
        await tx.execute(`update pair set n = n + 1 where id = ${second}`);
      });
    await Promise.all([add(1, 2), add(2, 1)]);
    const [rows] = await db.execute('select n from pair order by id');
    await close();
    expect(rows).toEqual([{ n: 2 }, { n: 2 }]);
  });

  test('is not run again for any other error', async () => {
    const { db, close } = openDatabase(server.databaseUrl);
    let attempts = 0;
    const failing = inTransaction(db, () => {
      attempts++;
      return Promise.reject(new Error('mine'));
    });
    await expect(failing).rejects.toThrow('mine');
    await close();
    expect(attempts).toBe(1);
  });
});

test('errors are told apart by the database’s own code, however deep it is wrapped', () => {
  expect(databaseErrorCode({ cause: { cause: { code: 'ER_DUP_ENTRY' } } })).toBe('ER_DUP_ENTRY');
  expect(databaseErrorCode(new Error('plain'))).toBeNull();
  expect(isUnreachable({ cause: { code: 'ECONNREFUSED' } })).toBe(true);
  expect(isUnreachable({ cause: { fatal: true } })).toBe(true);
  expect(isUnreachable({ code: 'ER_DUP_ENTRY', fatal: false })).toBe(false);
});

test('where no database answers, readiness says so and health goes on', async () => {
  const away = await startServer({ databasePort: 1 });
  const ready = await ask(`${away.url}/api/v1/ready`);
  const health = await ask(`${away.url}/api/v1/health`);
  await away.close();
  expect([ready.status, ready.body.code, health.status]).toEqual([503, 'database-unavailable', 200]);
});
