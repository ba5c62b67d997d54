import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { workFolder } from './machine/checkout.mjs';
import { startDatabase } from './machine/database.mjs';
import { ensurePackages } from './machine/packages.mjs';
import { holdFolder } from './machine/folder-lock.mjs';
import { isFree } from './machine/free-port.mjs';
import { exitWith, mustRun, startedParts, Trouble } from './machine/processes.mjs';
import { startServer } from './machine/server.mjs';
import { ensureWebApp } from './machine/web-app.mjs';

const folder = join(workFolder, 'demo');
const port = Number(process.env.CALVET_PORT ?? 4310);
const databasePort = Number(process.env.CALVET_DB_PORT ?? 4311);
const existing = process.env.CALVET_DATABASE_URL;
const reset = process.argv.includes('--reset');

/** What to do when a part of the demo ends by itself. */
const ended = (part) =>
  new Trouble(
    `The ${part} ended; see ${join(folder, `${part}.log`)}. ` +
      'What was entered is kept: start again with “npm run demo”.',
  );

async function openDatabase() {
  if (existing !== undefined && existing !== '') return { url: existing, stop: async () => {} };
  return startDatabase({ folder, port: databasePort, fresh: reset });
}

async function main() {
  await holdFolder(folder, 'npm run demo');
  if (!(await isFree(port))) {
    throw new Trouble(
      `Port ${port} is in use. Is Calvet running already? Otherwise set CALVET_PORT to a free port.`,
    );
  }
  if (reset && existing) {
    throw new Trouble('--reset clears the demo database only; yours (CALVET_DATABASE_URL) is left alone.');
  }
  const started = startedParts();
  const watch = (part, child) =>
    child?.on('exit', () => {
      if (!started.isEmpty()) void started.stop().finally(() => exitWith(ended(part)));
    });
  try {
    await ensurePackages();
    const webFolder = await ensureWebApp();
    if (reset) rmSync(join(folder, 'photos'), { recursive: true, force: true });
    const database = started.add(await openDatabase());
    watch('database', database.child);
    const server = started.add(await startServer({ port, databaseUrl: database.url, webFolder, folder }));
    watch('server', server.child);
    await mustRun(process.execPath, ['--import', 'tsx', 'demo/src/seed.ts', server.url]);
    console.log(`Calvet is ready at ${server.url}`);
  } catch (error) {
    await started.stop();
    throw error;
  }
}

main().catch(exitWith);
