import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { root, workFolder } from './machine/checkout.mjs';
import { builtServer } from './machine/built-server.mjs';
import { startDatabase } from './machine/database.mjs';
import { ensureProgram } from './machine/debian.mjs';
import { ensurePackages } from './machine/packages.mjs';
import { holdFolder } from './machine/folder-lock.mjs';
import { freePort } from './machine/free-port.mjs';
import { exitWith, run, stopOnSignal, Trouble } from './machine/processes.mjs';
import { ensureWebApp } from './machine/web-app.mjs';

const folder = join(workFolder, 'test');
const locks = join(workFolder, 'test-lock');
const reports = join(folder, 'reports');
const tally = { passed: 0, failed: 0 };

function count(name, passed, failed) {
  tally.passed += passed;
  tally.failed += failed;
  console.log(`${name}: ${failed === 0 ? 'passed' : `${failed} failed`}`);
}

/** A command that either holds or does not. */
async function check(name, command, args) {
  const code = await run(command, args);
  count(name, code === 0 ? 1 : 0, code === 0 ? 0 : 1);
}

function readReport(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}

async function jest(name, projects, env = {}) {
  const file = join(reports, `${name}.json`);
  const code = await run(
    'npx',
    [
      'jest',
      '--selectProjects',
      ...projects,
      '--json',
      `--outputFile=${file}`,
      '--silent',
      '--reporters=default',
    ],
    { env },
  );
  const report = readReport(file);
  // A file that does not even load counts as one failure.
  const broken = report === null ? 1 : report.numRuntimeErrorTestSuites;
  const failed = (report?.numFailedTests ?? 0) + broken;
  count(name, report?.numPassedTests ?? 0, failed === 0 && code !== 0 ? 1 : failed);
}

async function journeys(env) {
  const file = join(reports, 'journeys.json');
  const code = await run(
    'npx',
    ['playwright', 'test', '--config', 'e2e/playwright.config.ts', '--reporter=list,json'],
    {
      env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: file },
    },
  );
  const { expected = 0, unexpected = 1, flaky = 0 } = readReport(file)?.stats ?? {};
  const failed = unexpected + flaky;
  count('journeys', expected, failed === 0 && code !== 0 ? 1 : failed);
}

/** What needs neither a database nor a browser. */
async function quickPart() {
  await Promise.all([
    check('lint', 'npm', ['run', '-s', 'lint']),
    check('types', 'npm', ['run', '-s', 'types']),
  ]);
  await jest('unit', ['core', 'contract', 'demo', 'app']);
}

function tell() {
  console.log(`${tally.passed} passed, ${tally.failed} failed`);
  process.exit(tally.failed === 0 && tally.passed > 0 ? 0 : 1);
}

async function main([part]) {
  if (part !== undefined && part !== 'quick')
    throw new Trouble(`There is no part “${part}”: leave it out, or give “quick” for lint, types and units.`);
  await ensurePackages();
  await holdFolder(locks, 'npm test');
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(reports, { recursive: true });
  if (part === 'quick') {
    await quickPart();
    tell();
  }
  // Before anything that is checked starts one and reads what it says.
  await ensureProgram('mariadb-install-db', 'mariadb-server', 'the database server');
  const chromium = await ensureProgram('chromium', 'chromium', 'the browser of the journeys');
  await quickPart();
  await jest('machine', ['bin']);

  const database = await startDatabase({
    folder,
    port: await freePort(),
    settings: ['--innodb-flush-log-at-trx-commit=0'],
    mayMakeSchemas: true,
  });
  stopOnSignal(() => database.stop());
  try {
    const env = { CALVET_TEST_DATABASE_URL: database.url, CALVET_SERVER: await builtServer() };
    // It is built while others wait for the database.
    const built = ensureWebApp();
    built.catch(() => undefined);
    await jest('server', ['server'], env);
    await jest('crowd', ['crowd'], env);
    const webFolder = await built;
    await journeys({
      ...env,
      CALVET_CHROMIUM: chromium,
      CALVET_WEB_FOLDER: webFolder,
    });
  } finally {
    await database.stop();
  }
  tell();
}

process.chdir(root);
main(process.argv.slice(2)).catch(exitWith);
