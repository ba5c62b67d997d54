import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { workFolder } from './machine/checkout.mjs';
import { startDatabase } from './machine/database.mjs';
import { ensurePackages } from './machine/packages.mjs';
import { isFree } from './machine/free-port.mjs';
import { exitWith, mustRun, stopOnSignal, Trouble } from './machine/processes.mjs';
import { startServer } from './machine/server.mjs';
import { ensureWebApp } from './machine/web-app.mjs';

const folder = join(workFolder, 'demo');
const port = Number(process.env.CALVET_PORT ?? 4310);
const databasePort = Number(process.env.CALVET_DB_PORT ?? 4311);
const existing = process.env.CALVET_DATABASE_URL;
const reset = process.argv.includes('--reset');

async function openDatabase() {
  if (existing !== undefined && existing !== '') return { url: existing, stop: async () => {} };
  return startDatabase({ folder, port: databasePort, fresh: reset });
}

async function main() {
  if (!(await isFree(port))) {
    throw new Trouble(
      `Port ${port} is in use. Is Calvet running already? Otherwise set CALVET_PORT to a free port.`,
    );
  }
  if (reset && existing) {
    throw new Trouble('--reset clears the demo database only; yours (CALVET_DATABASE_URL) is left alone.');
  }
  const running = [];
  const stop = async () => {
    for (const part of running.splice(0).reverse()) await part.stop();
  };
  stopOnSignal(stop);
  try {
    await ensurePackages();
    const webFolder = await ensureWebApp();
    if (reset) rmSync(join(folder, 'photos'), { recursive: true, force: true });
    const database = await openDatabase();
    running.push(database);
    const server = await startServer({ port, databaseUrl: database.url, webFolder, folder });
    running.push(server);
    await mustRun(process.execPath, ['--import', 'tsx', 'demo/src/seed.ts', server.url]);
    server.child.on('exit', () => {
      if (running.length > 0) void stop().finally(() => exitWith(new Trouble('The server ended.')));
    });
    console.log(`Calvet is ready at ${server.url}`);
  } catch (error) {
    await stop();
    throw error;
  }
}

main().catch(exitWith);
