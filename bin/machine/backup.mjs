import { createHash } from 'node:crypto';
import { spawn } from 'node:child_process';
import { createReadStream, createWriteStream, existsSync, readFileSync } from 'node:fs';
import { copyFile, mkdir, mkdtemp, readdir, rename, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { startDatabase } from './database.mjs';
import { ensureProgram } from './debian.mjs';
import { freePort } from './free-port.mjs';
import { Trouble } from './processes.mjs';
import { tableTally } from './table-tally.mjs';

const DUMP = 'database.sql.gz';
const PHOTOS = 'photos';
/** What the dump and the pictures must come to, written last. */
const CONTENTS = 'contents.json';
/** Pictures that are still arriving, and those half written: neither belongs in a backup. */
const isPassing = (name) => name === 'arriving' || name.endsWith('.part');
/** A picture is named by its hash. */
const PICTURE = /^[0-9a-f]{64}$/;

function connectionOf(databaseUrl) {
  const { hostname, port, username, password, pathname } = new URL(databaseUrl.split(/[\s,]+/)[0]);
  return {
    args: [
      '--no-defaults',
      `--host=${hostname}`,
      `--port=${port || 3306}`,
      `--user=${decodeURIComponent(username)}`,
    ],
    // On the command line everyone could read it.
    env: { ...process.env, MYSQL_PWD: decodeURIComponent(password) },
    database: pathname.slice(1),
  };
}

function ended(child, what) {
  return new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('close', (code) => (code === 0 ? resolve() : reject(new Trouble(`${what} failed (${code}).`))));
  });
}

/** Waits for all, and tells of what a program said rather than of the pipe that broke when it went. */
async function all(program, flow) {
  const [said, broke] = await Promise.allSettled([program, flow]);
  const failed = [said, broke].find(({ status }) => status === 'rejected');
  if (failed !== undefined) throw failed.reason;
}

/** Copies files that are not there yet. Pictures never change: what is there is the same. */
async function copyMissing(from, to) {
  let copied = 0;
  await mkdir(to, { recursive: true });
  for (const entry of await readdir(from, { withFileTypes: true })) {
    if (isPassing(entry.name)) continue;
    const [source, target] = [join(from, entry.name), join(to, entry.name)];
    if (entry.isDirectory()) copied += await copyMissing(source, target);
    else if (!existsSync(target)) {
      await copyFile(source, `${target}.part`);
      await rename(`${target}.part`, target);
      copied++;
    }
  }
  return copied;
}

async function filesUnder(folder) {
  const entries = await readdir(folder, { withFileTypes: true, recursive: true });
  return entries
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath ?? entry.path, entry.name));
}

/** Writes a database down, one row a line in the order of keys, and tells what its tables come to. */
async function dumpInto(connection, target) {
  const { args, env, database } = connection;
  const program = await ensureProgram('mariadb-dump', 'mariadb-client', 'writes the database down');
  const options = ['--single-transaction', '--quick', '--skip-lock-tables', '--hex-blob'];
  const form = ['--skip-extended-insert', '--no-autocommit', '--order-by-primary'];
  const child = spawn(program, [...args, ...options, ...form, '--default-character-set=utf8mb4', database], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const tally = tableTally();
  await all(ended(child, 'Writing the database down'), pipeline(child.stdout, tally.stream, ...target));
  const { isWhole, tables } = tally.result();
  if (!isWhole) throw new Trouble('Writing the database down ended too early: nothing was kept of it.');
  return tables;
}

/** The folder of the pictures, which must be there; null where they are in a bucket. */
function photosFrom({ photoFolder, photoBucket }) {
  if (photoBucket) return null;
  if (!photoFolder) {
    throw new Trouble(
      'Set CALVET_PHOTO_FOLDER to the folder of the pictures, as for the server: without them a backup is none.',
    );
  }
  return photoFolder;
}

/**
 * Writes the database and the pictures into a folder, while the server runs. The records come first: a picture that
 * arrives meanwhile is in the backup without its record rather than the other way round. Into the same folder again only
 * new pictures are copied.
 */
export async function backUp({ databaseUrl, photoFolder, photoBucket, to }) {
  const photos = photosFrom({ photoFolder, photoBucket });
  if (photos !== null && !existsSync(photos)) {
    throw new Trouble(`There is no folder ${photos}: CALVET_PHOTO_FOLDER must name that of the pictures.`);
  }
  await mkdir(to, { recursive: true });
  const unfinished = join(to, `${DUMP}.part`);
  let tables;
  try {
    tables = await dumpInto(connectionOf(databaseUrl), [createGzip(), createWriteStream(unfinished)]);
  } catch (error) {
    await rm(unfinished, { force: true });
    throw error;
  }
  // Contents that belong to another dump would be worse than none.
  await rm(join(to, CONTENTS), { force: true });
  await rename(unfinished, join(to, DUMP));
  const pictures = photos === null ? 0 : await copyMissing(photos, join(to, PHOTOS));
  const contents = { tables, pictures: photos === null ? null : (await filesUnder(join(to, PHOTOS))).length };
  await writeFile(join(to, `${CONTENTS}.part`), JSON.stringify(contents, null, 2));
  await rename(join(to, `${CONTENTS}.part`), join(to, CONTENTS));
  return { pictures };
}

/** What a backup must come to; null for one of a former version, which does not say. */
function contentsOf(from) {
  if (!existsSync(join(from, DUMP))) throw new Trouble(`There is no backup in ${from}.`);
  const file = join(from, CONTENTS);
  return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
}

const throwAway = () => new Writable({ write: (_chunk, _encoding, done) => done() });

/** Reads a dump through, and refuses one that is not what was written. */
async function checkDump(from, contents) {
  const tally = tableTally();
  const cutShort = new Trouble(
    `The dump in ${from} is cut short or damaged: take another backup. Nothing was brought back.`,
  );
  try {
    await pipeline(createReadStream(join(from, DUMP)), createGunzip(), tally.stream, throwAway());
  } catch {
    throw cutShort;
  }
  const { isWhole, tables } = tally.result();
  if (!isWhole || (contents !== null && JSON.stringify(contents.tables) !== JSON.stringify(tables)))
    throw cutShort;
}

async function checkPictures(from, contents) {
  const folder = join(from, PHOTOS);
  const expected = contents?.pictures ?? null;
  const found = existsSync(folder) ? (await filesUnder(folder)).length : 0;
  if (expected !== null && found < expected) {
    throw new Trouble(
      `Of ${expected} files of pictures ${found} are in ${folder}: take another backup. Nothing was brought back.`,
    );
  }
}

/** Asks a database; the lines of its answer. */
async function askDatabase({ args, env, database }, statement) {
  const client = await ensureProgram('mariadb', 'mariadb-client', 'speaks to the database');
  const child = spawn(client, [...args, '--skip-column-names', '-e', statement, database], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let text = '';
  child.stdout.on('data', (piece) => (text += piece));
  await ended(child, 'Asking the database');
  return text.split('\n').filter((line) => line !== '');
}

async function loadDump(connection, from) {
  const client = await ensureProgram('mariadb', 'mariadb-client', 'speaks to the database');
  const child = spawn(client, [...connection.args, '--default-character-set=utf8mb4', connection.database], {
    env: connection.env,
    stdio: ['pipe', 'inherit', 'inherit'],
  });
  await all(
    ended(child, 'Bringing the database back'),
    pipeline(createReadStream(join(from, DUMP)), createGunzip(), child.stdin),
  );
}

async function loadOrNothing(connection, from) {
  try {
    await loadDump(connection, from);
  } catch (error) {
    // What is half there would be taken for a whole one.
    const tables = await askDatabase(connection, 'show tables');
    if (tables.length > 0)
      await askDatabase(connection, `drop table ${tables.map((name) => `\`${name}\``).join(', ')}`);
    throw error;
  }
}

/** Brings a backup back, into a database that is empty: all of it, or nothing. */
export async function restore({ databaseUrl, photoFolder, photoBucket, from }) {
  const contents = contentsOf(from);
  const photos = photosFrom({ photoFolder, photoBucket });
  const connection = connectionOf(databaseUrl);
  const tables = (await askDatabase(connection, 'show tables')).length;
  if (tables > 0) {
    throw new Trouble(
      `The database ${connection.database} has ${tables} tables. A backup is brought back into an empty one: ` +
        'make one, and set CALVET_DATABASE_URL to it.',
    );
  }
  await checkDump(from, contents);
  if (photos !== null) await checkPictures(from, contents);
  await loadOrNothing(connection, from);
  const hasPictures = photos !== null && existsSync(join(from, PHOTOS));
  return { pictures: hasPictures ? await copyMissing(join(from, PHOTOS), photos) : 0 };
}

/** Names of pictures in a backup whose bytes are not those of their name. */
async function damagedPictures(from) {
  const folder = join(from, PHOTOS);
  const damaged = [];
  for (const path of existsSync(folder) ? await filesUnder(folder) : []) {
    const name = path.split('/').at(-1);
    if (!PICTURE.test(name)) continue;
    const hash = createHash('sha256').update(readFileSync(path)).digest('hex');
    if (hash !== name) damaged.push(path);
  }
  return damaged;
}

/**
 * Proves that a backup can be brought back: into the schema of a database server of its own, which is thrown away, and from
 * there written down once more. Each table must come to the same number of rows and the same hash, each picture to its name.
 */
export async function verify({ from }) {
  const contents = contentsOf(from);
  await checkDump(from, contents);
  await checkPictures(from, contents);
  const damaged = await damagedPictures(from);
  if (damaged.length > 0) {
    throw new Trouble(
      `${damaged.length} pictures are damaged, among them ${damaged[0]}: take another backup.`,
    );
  }
  const folder = await mkdtemp(join(tmpdir(), 'calvet-verify-'));
  try {
    const database = await startDatabase({ folder, port: await freePort() });
    try {
      const connection = connectionOf(database.url);
      await loadDump(connection, from);
      const tables = await dumpInto(connection, [throwAway()]);
      const expected = contents?.tables ?? tables;
      const wrong = Object.keys({ ...expected, ...tables }).filter(
        (name) =>
          expected[name]?.rows !== tables[name]?.rows || expected[name]?.sha256 !== tables[name]?.sha256,
      );
      if (wrong.length > 0) {
        throw new Trouble(`Brought back, these tables are not what they were: ${wrong.join(', ')}.`);
      }
      const rows = Object.values(tables).reduce((sum, table) => sum + table.rows, 0);
      return { rows, tables: Object.keys(tables).length, isCompared: contents !== null };
    } finally {
      await database.stop();
    }
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
