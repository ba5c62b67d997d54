import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { kinds } from '@calvet/contract';
import { createConnection, type Connection, type RowDataPacket } from 'mysql2/promise';
import { databaseErrorCode } from './database';
import { carryOutMigrations, migrateDatabase, type Statements } from './migrate';

const admin = process.env.CALVET_TEST_DATABASE_URL ?? '';
const migrations = join(__dirname, 'migrations');
const former = readFileSync(join(__dirname, '../../test/former/database.sql'), 'utf8');
const names: string[] = [];

async function on<T>(url: string, work: (connection: Connection) => Promise<T>): Promise<T> {
  const connection = await createConnection({ uri: url, multipleStatements: true, timezone: 'Z' });
  try {
    return await work(connection);
  } finally {
    await connection.end();
  }
}

async function newDatabase(begin = ''): Promise<string> {
  const name = `calvet_migrate_${randomBytes(6).toString('hex')}`;
  names.push(name);
  await on(admin, (connection) => connection.query(`create database ${name}`));
  const url = admin.replace(/\/[^/]*$/, `/${name}`);
  if (begin !== '') await on(url, (connection) => connection.query(begin));
  return url;
}
afterAll(() =>
  on(admin, async (connection) => {
    for (const name of names) await connection.query(`drop database ${name}`);
  }),
);

/** Everything that a database holds, and in which tables; when each migration was made, and not when it was carried out. */
const stateOf = (url: string) =>
  on(url, async (connection) => {
    const [tables] = await connection.query<RowDataPacket[]>('show tables');
    const state: unknown[] = [];
    for (const name of tables.flatMap((row) => Object.values(row) as string[])) {
      if (name === 'migration_right') continue;
      const [[made]] = await connection.query<RowDataPacket[]>(`show create table ${name}`);
      // Numbers that were given to a row that did not come to be are not given again.
      const columns = name === '__drizzle_migrations' ? 'hash, created_at' : '*';
      const [rows] = await connection.query<RowDataPacket[]>(`select ${columns} from ${name} order by 1, 2`);
      state.push(name, String(made?.['Create Table']).replace(/ AUTO_INCREMENT=\d+/, ''), rows);
    }
    return state;
  });

class Killed extends Error {}

/** Lets a process live for so many statements; the last is carried out, or is not, and nobody is told of it. */
function livingFor(connection: Connection, statements: number, isLastDone: boolean): Statements {
  let left = statements;
  const alive =
    (act: (...args: readonly unknown[]) => Promise<unknown>) =>
    async (...args: readonly unknown[]) => {
      if (left === 0) throw new Killed();
      left--;
      if (left === 0 && !isLastDone) throw new Killed();
      const answer = await act(...args);
      if (left === 0) throw new Killed();
      return answer;
    };
  return {
    query: alive(connection.query.bind(connection) as never),
    beginTransaction: alive(connection.beginTransaction.bind(connection)),
    commit: alive(connection.commit.bind(connection)),
  } as unknown as Statements;
}

/** Four statements are what each start begins with. */
const BEGINNING = 4;

/** Starts over and over, each killed a little later than where the one before was. */
async function startUntilDone(url: string, isLastDone: boolean): Promise<number> {
  for (let starts = 1; starts < 1000; starts++) {
    const isDone = await on(url, async (connection) => {
      // Far enough to get something done, cut at another place each time.
      const lives = BEGINNING + 2 + (starts % 8);
      return carryOutMigrations(livingFor(connection, lives, isLastDone), migrations).then(
        () => true,
        (error: unknown) => {
          if (error instanceof Killed) return false;
          throw error;
        },
      );
    });
    if (isDone) return starts;
  }
  throw new Error('It never ends.');
}

test.each([
  ['a database of a former version, with what is in it', former],
  ['an empty one', ''],
])('%s: starts that are cut off at any statement come to what one does that is not', async (_name, begin) => {
  const straight = await newDatabase(begin);
  await migrateDatabase(straight, migrations);
  const expected = await stateOf(straight);
  for (const isLastDone of [true, false]) {
    const cut = await newDatabase(begin);
    expect(await startUntilDone(cut, isLastDone)).toBeGreaterThan(10);
    expect(await stateOf(cut)).toEqual(expected);
  }
});

test('what fails of itself is not taken for what was done before', async () => {
  const url = await newDatabase('create table area (id int)');
  const failed = await migrateDatabase(url, migrations).catch((error: unknown) => databaseErrorCode(error));
  expect(failed).toBe('ER_TABLE_EXISTS_ERROR');
});

test('one that was killed while it had the right holds up the next for no longer than it could renew it', async () => {
  const url = await newDatabase();
  await on(url, async (connection) => {
    await connection.query(
      'create table migration_right (id int primary key, holder char(36) not null, held_until datetime not null)',
    );
    await connection.query(
      "insert into migration_right values (1, 'gone', date_add(now(), interval 2 second))",
    );
  });
  const begun = Date.now();
  await migrateDatabase(url, migrations);
  expect(Date.now() - begun).toBeGreaterThan(1000);
});

test('a plan from before there were ways to build says nothing of them, and is kept', async () => {
  const journal = JSON.parse(readFileSync(join(migrations, 'meta/_journal.json'), 'utf8')) as {
    readonly entries: readonly { readonly tag: string }[];
  };
  const sqlOf = (tag: string) =>
    readFileSync(join(migrations, `${tag}.sql`), 'utf8').replaceAll('--> statement-breakpoint', '');
  const tags = journal.entries.map(({ tag }) => tag);
  const at = tags.indexOf('0011_features');
  const url = await newDatabase(tags.slice(0, at).map(sqlOf).join('\n'));
  await on(url, async (connection) => {
    await connection.query(
      "insert into plan set face = 'inside', drawn_at = 'outside', build_ups = '[]', id = 'p', ledger_id = 'h', revision = 1, change_number = 1, updated_at = now(), updated_by = ''",
    );
    await connection.query(sqlOf('0011_features'));
    const [[row]] = await connection.query<RowDataPacket[]>('select * from plan');
    const json = (name: string): unknown =>
      typeof row?.[name] === 'string' ? JSON.parse(row[name]) : row?.[name];
    const { fields } = kinds.plan;
    expect(json('schools')).toEqual(fields.schools.unsaid);
    expect(json('walking')).toEqual(fields.walking.unsaid);
    expect([json('schools_at'), json('checkpoints_added'), json('checkpoints_off')]).toEqual([[], [], []]);
    expect([row?.insulation_above, row?.insulation_below]).toEqual([null, null]);
  });
});
