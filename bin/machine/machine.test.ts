import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const folder = mkdtempSync(join(tmpdir(), 'calvet-machine-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Runs a piece of a command in a process of its own, as the commands themselves run. */
function inNode(script: string) {
  const { stdout, stderr, status } = spawnSync(process.execPath, ['--input-type=module', '-e', script], {
    cwd: __dirname,
    encoding: 'utf8',
  });
  return { stdout: stdout.trim(), stderr, status };
}

test('a hash of sources follows their contents and passes over what was built', () => {
  const { stdout } = inNode(`
    import { hashOf } from './checkout.mjs';
    import { writeFileSync } from 'node:fs';
    const before = hashOf(['bin/machine']);
    console.log(before.length, before === hashOf(['bin/machine']), before === hashOf(['bin']));
  `);
  expect(stdout).toBe('64 true false');
});

test('a port that is taken is told from a free one, and is none that a system lends to connections', () => {
  const { stdout } = inNode(`
    import { createServer } from 'node:net';
    import { freePort, isFree } from './free-port.mjs';
    const port = await freePort();
    const before = await isFree(port);
    const server = createServer().listen(port, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    console.log(before, await isFree(port), port < 32768);
    server.close();
  `);
  expect(stdout).toBe('true false true');
});

test('waiting ends with a plain message when time is up', () => {
  const { stderr, status } = inNode(`
    import { exitWith, waitUntil } from './processes.mjs';
    waitUntil(() => false, { seconds: 0.2, what: 'The server' }).catch(exitWith);
  `);
  expect([stderr.trim(), status]).toEqual(['The server did not come up.', 1]);
});

test('a child that does not listen is still ended', async () => {
  const { stdout } = inNode(`
    import { spawn } from 'node:child_process';
    import { stopChild } from './processes.mjs';
    const child = spawn(process.execPath, ['-e', 'setInterval(() => {}, 1000)']);
    await new Promise((resolve) => child.once('spawn', resolve));
    await stopChild(child);
    console.log(child.signalCode);
  `);
  expect(stdout).toBe('SIGTERM');
});

const startDatabase = (data: string) => `
  import { startDatabase } from './database.mjs';
  import { freePort } from './free-port.mjs';
  const database = await startDatabase({ folder: ${JSON.stringify(data)}, port: await freePort() });
  console.log(database.url);
`;

test('a private database is made, starts, stops, and starts again on its data', () => {
  const data = join(folder, 'one');
  const first = inNode(`${startDatabase(data)}; await database.stop();`);
  expect(first.stdout).toMatch(/^mysql:\/\/calvet:[0-9a-f]{36}@127\.0\.0\.1:\d+\/calvet$/);
  const again = inNode(`${startDatabase(data)}; await database.stop();`);
  expect(again.status).toBe(0);
  expect(existsSync(join(data, 'database', 'mysqld.pid'))).toBe(false);
}, 60_000);

test('a database that a killed command left behind is stopped by the next one', async () => {
  const data = join(folder, 'two');
  const child = spawn(
    process.execPath,
    ['--input-type=module', '-e', `${startDatabase(data)}; setInterval(() => {}, 1000);`],
    {
      cwd: __dirname,
    },
  );
  await new Promise((resolve) => child.stdout.once('data', resolve));
  child.kill('SIGKILL');
  const next = inNode(`${startDatabase(data)}; await database.stop();`);
  expect([next.status, next.stderr]).toEqual([0, '']);
}, 60_000);

test('a folder that a command holds is held against another, which says by whom, until the first has ended', async () => {
  const data = join(folder, 'held');
  const hold = (what: string) => `
    import { holdFolder } from './folder-lock.mjs';
    import { exitWith } from './processes.mjs';
    await holdFolder(${JSON.stringify(data)}, '${what}').catch(exitWith);
    console.log('held');
  `;
  const first = spawn(
    process.execPath,
    ['--input-type=module', '-e', `${hold('npm run first')}; setInterval(() => {}, 1000);`],
    { cwd: __dirname },
  );
  await new Promise((resolve) => first.stdout.once('data', resolve));
  const second = inNode(hold('npm run second'));
  expect([second.status, second.stdout]).toEqual([1, '']);
  expect(second.stderr).toMatch(
    new RegExp(`held is in use by npm run first \\(process ${first.pid}, since .*It goes on undisturbed`),
  );
  expect(first.exitCode).toBeNull();
  const ended = new Promise((resolve) => first.once('exit', resolve));
  first.kill('SIGKILL');
  await ended;
  // One that ends by itself lets go too.
  for (const what of ['npm run third', 'npm run fourth'])
    expect(inNode(hold(what))).toMatchObject({ status: 0, stdout: 'held' });
});

test('whoever uses a private database has rights on its own schema, and on no other', () => {
  const data = join(folder, 'rights');
  const { stdout } = inNode(`
    import { startDatabase } from './database.mjs';
    import { freePort } from './free-port.mjs';
    import { capture } from './processes.mjs';
    const database = await startDatabase({ folder: ${JSON.stringify(data)}, port: await freePort() });
    const { port, password } = new URL(database.url);
    const ask = (statement) => capture('mariadb', ['--no-defaults', '-h127.0.0.1', '-P' + port, '-ucalvet', '-p' + password, '-e', statement]);
    const codes = [];
    for (const statement of ['create table calvet.t (id int)', 'create database other', 'select * from mysql.user', 'drop table calvet.t'])
      codes.push((await ask(statement)).code);
    console.log(codes.join(' '));
    await database.stop();
  `);
  expect(stdout).toBe('0 1 1 0');
}, 60_000);
