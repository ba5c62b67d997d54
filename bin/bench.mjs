import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { extname, join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { hashOf, root, workFolder } from './machine/checkout.mjs';
import { startDatabase } from './machine/database.mjs';
import { ensureProgram } from './machine/debian.mjs';
import { ensurePackages } from './machine/packages.mjs';
import { holdFolder } from './machine/folder-lock.mjs';
import { freePort } from './machine/free-port.mjs';
import { exitWith, mustRun, run, Trouble } from './machine/processes.mjs';
import { startServer } from './machine/server.mjs';
import { ensureWebApp, exportWebApp } from './machine/web-app.mjs';

const folder = join(workFolder, 'bench');
const bareFolder = join(folder, 'bare-app');

/** Measures something of a package as plain JavaScript, as a release would run it. */
async function measureIn(workspace, name) {
  const bundle = join(folder, `${name}.mjs`);
  await mustRun('npx', [
    'esbuild',
    `${workspace}/bench/${name}.bench.ts`,
    '--bundle',
    '--platform=node',
    '--format=esm',
    '--log-level=error',
    `--outfile=${bundle}`,
  ]);
  await mustRun(process.execPath, ['--expose-gc', bundle]);
}

const BATCH_LINES = 60_000;

/** Times the command line on many tests in one batch, from its start to its last line. */
async function measureBatch() {
  const input = join(folder, 'batch.jsonl');
  const example = JSON.parse(
    readFileSync(join(root, 'core', 'vectors', 'airtightness.multiPoint.json'), 'utf8'),
  );
  const line = { operation: 'airtightness.multiPoint', input: example.cases[0].input };
  const lines = Array.from({ length: BATCH_LINES }, (_, id) => JSON.stringify({ id, ...line }));
  writeFileSync(input, lines.join('\n'));
  const start = performance.now();
  const code = await run('sh', [
    '-c',
    `"${process.execPath}" bin/compute.mjs --batch < "${input}" > "${input}.out"`,
  ]);
  const seconds = (performance.now() - start) / 1000;
  if (code !== 0) throw new Trouble('The batch failed.');
  const answered = readFileSync(`${input}.out`, 'utf8').trim().split('\n').length;
  if (answered !== BATCH_LINES) throw new Trouble(`Of ${BATCH_LINES} lines ${answered} were answered.`);
  console.log(
    `--batch, ${BATCH_LINES} multi-point tests, start to end: ${(BATCH_LINES / seconds).toFixed(0)} a second`,
  );
}

async function ensureBareApp() {
  const mark = join(bareFolder, '.sources');
  const wanted = hashOf(['app/bench/bare-app', 'package-lock.json']);
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return;
  console.log('Building the bare app to compare with …');
  await exportWebApp(join(root, 'app', 'bench', 'bare-app'), bareFolder);
  writeFileSync(mark, wanted);
}

const TYPES = { '.html': 'text/html', '.js': 'text/javascript', '.css': 'text/css', '.ttf': 'font/ttf' };

const packedFiles = new Map();

/** A file's bytes, packed as any server does it. */
function packed(file) {
  const known = packedFiles.get(file) ?? gzipSync(readFileSync(file));
  packedFiles.set(file, known);
  return known;
}

/** Serves the bare app as plainly as can be. */
function serveBareApp(port) {
  const server = createServer((request, response) => {
    const path = decodeURIComponent(new URL(request.url, 'http://localhost').pathname);
    const file = join(bareFolder, path);
    const found = path !== '/' && existsSync(file) ? file : join(bareFolder, 'index.html');
    response.setHeader('content-type', TYPES[extname(found)] ?? 'application/octet-stream');
    response.setHeader('content-encoding', 'gzip');
    response.end(packed(found));
  });
  return new Promise((resolve) => server.listen(port, '127.0.0.1', () => resolve(server)));
}

/** Times one server process against two, over one database. */
async function measureProcesses(database) {
  // In a database of its own: the houses that it makes are nobody's first screen.
  await database.sql('create database processes');
  const databaseUrl = database.url.replace(/\/[^/]*$/, '/processes');
  const servers = [];
  try {
    for (const name of ['one', 'other']) {
      servers.push(await startServer({ port: await freePort(), databaseUrl, folder: join(folder, name) }));
    }
    await mustRun(process.execPath, [
      '--import',
      'tsx',
      'server/bench/processes.bench.ts',
      ...servers.map(({ url }) => url),
    ]);
  } finally {
    for (const server of servers) await server.stop();
    await database.sql('drop database processes');
  }
}

/** Times the list of houses while long computations are asked for. */
async function measureBesideComputations(database) {
  await database.sql('create database beside');
  const databaseUrl = database.url.replace(/\/[^/]*$/, '/beside');
  // Nobody is refused for asking often.
  const env = { CALVET_LIMIT_REQUESTS: '0' };
  const server = await startServer({
    port: await freePort(),
    databaseUrl,
    folder: join(folder, 'beside'),
    env,
  });
  try {
    await mustRun(process.execPath, ['--import', 'tsx', 'demo/src/seed.ts', server.url]);
    await mustRun(process.execPath, [
      '--import',
      'tsx',
      'server/bench/beside-computations.bench.ts',
      server.url,
    ]);
  } finally {
    await server.stop();
    await database.sql('drop database beside');
  }
}

/** The app's own store as one script, for a page that does nothing else. */
async function bundleStorePage() {
  const bundle = join(folder, 'store-page.js');
  await mustRun('npx', [
    'esbuild',
    'app/bench/store-page.ts',
    '--bundle',
    '--minify',
    '--format=iife',
    '--define:process.env.NODE_ENV="production"',
    '--log-level=error',
    `--outfile=${bundle}`,
  ]);
  return bundle;
}

async function main() {
  await ensurePackages();
  const chromium = await ensureProgram('chromium', 'chromium', 'the browser that is measured');
  await holdFolder(folder, 'npm run bench');
  rmSync(join(folder, 'database'), { recursive: true, force: true });
  console.log('Core');
  await measureIn('core', 'core');
  await measureIn('core', 'coverage');
  await measureIn('contract', 'walk');
  await measureIn('contract', 'build-up');
  await measureBatch();

  const database = await startDatabase({ folder, port: await freePort(), mayMakeSchemas: true });
  try {
    console.log('Server');
    await mustRun(process.execPath, ['--import', 'tsx', 'server/bench/changes.bench.ts'], {
      env: { CALVET_TEST_DATABASE_URL: database.url, NODE_ENV: 'production' },
    });
    await measureProcesses(database);
    await measureBesideComputations(database);
    console.log('App');
    const webFolder = await ensureWebApp();
    await ensureBareApp();
    const server = await startServer({
      port: await freePort(),
      databaseUrl: database.url,
      webFolder,
      folder,
    });
    const barePort = await freePort();
    const bare = await serveBareApp(barePort);
    const measure = (name, ...given) =>
      mustRun(process.execPath, ['--import', 'tsx', `e2e/bench/${name}.bench.ts`, server.url, ...given], {
        env: { CALVET_CHROMIUM: chromium },
      });
    try {
      await mustRun(process.execPath, ['--import', 'tsx', 'demo/src/seed.ts', server.url]);
      // Another version of the app that is served somewhere can be measured in the same run.
      const former = process.env.CALVET_FORMER_URL;
      await measure(
        'first-screen',
        `http://127.0.0.1:${barePort}/`,
        ...(former === undefined ? [] : [former]),
      );
      await measure('large-house', `http://127.0.0.1:${barePort}/`);
      await measure('store', await bundleStorePage());
      await measure('entries');
      await measure('drawing');
      await measure('walk');
      await measure('build-up');
    } finally {
      bare.close();
      await server.stop();
    }
  } finally {
    await database.stop();
  }
}

process.chdir(root);
main().catch(exitWith);
