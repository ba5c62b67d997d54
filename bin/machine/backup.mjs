import { spawn } from 'node:child_process';
import { createReadStream, createWriteStream, existsSync } from 'node:fs';
import { copyFile, mkdir, readdir, rename } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { ensureProgram } from './debian.mjs';
import { Trouble } from './processes.mjs';

const DUMP = 'database.sql.gz';
const PHOTOS = 'photos';
/** Pictures that are still arriving, and those half written: neither belongs in a backup. */
const isPassing = (name) => name === 'arriving' || name.endsWith('.part');

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

/**
 * Writes the database and the pictures into a folder, while the server runs. The records come first: a picture that
 * arrives meanwhile is in the backup without its record rather than the other way round. Into the same folder again only
 * new pictures are copied.
 */
export async function backUp({ databaseUrl, photoFolder, to }) {
  const dump = await ensureProgram('mariadb-dump', 'mariadb-client', 'writes the database down');
  const { args, env, database } = connectionOf(databaseUrl);
  await mkdir(to, { recursive: true });
  const child = spawn(
    dump,
    [
      ...args,
      '--single-transaction',
      '--quick',
      '--skip-lock-tables',
      '--hex-blob',
      '--default-character-set=utf8mb4',
      database,
    ],
    { env, stdio: ['ignore', 'pipe', 'inherit'] },
  );
  await Promise.all([
    ended(child, 'Writing the database down'),
    pipeline(child.stdout, createGzip(), createWriteStream(join(to, `${DUMP}.part`))),
  ]);
  await rename(join(to, `${DUMP}.part`), join(to, DUMP));
  const pictures =
    photoFolder !== undefined && existsSync(photoFolder)
      ? await copyMissing(photoFolder, join(to, PHOTOS))
      : 0;
  return { pictures };
}

/** How many tables a database has; a restore begins with none. */
async function tablesIn({ args, env, database }) {
  const client = await ensureProgram('mariadb', 'mariadb-client', 'speaks to the database');
  const child = spawn(client, [...args, '--skip-column-names', '-e', 'show tables', database], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let text = '';
  child.stdout.on('data', (piece) => (text += piece));
  await ended(child, 'Looking into the database');
  return text.split('\n').filter((line) => line !== '').length;
}

/** Brings a backup back, into a database that is empty. */
export async function restore({ databaseUrl, photoFolder, from }) {
  if (!existsSync(join(from, DUMP))) throw new Trouble(`There is no backup in ${from}.`);
  const connection = connectionOf(databaseUrl);
  const tables = await tablesIn(connection);
  if (tables > 0) {
    throw new Trouble(
      `The database ${connection.database} has ${tables} tables. A backup is brought back into an empty one: ` +
        'make one, and set CALVET_DATABASE_URL to it.',
    );
  }
  const client = await ensureProgram('mariadb', 'mariadb-client', 'speaks to the database');
  const child = spawn(client, [...connection.args, '--default-character-set=utf8mb4', connection.database], {
    env: connection.env,
    stdio: ['pipe', 'inherit', 'inherit'],
  });
  await Promise.all([
    ended(child, 'Bringing the database back'),
    pipeline(createReadStream(join(from, DUMP)), createGunzip(), child.stdin),
  ]);
  const pictures =
    photoFolder !== undefined && existsSync(join(from, PHOTOS))
      ? await copyMissing(join(from, PHOTOS), photoFolder)
      : 0;
  return { pictures };
}
