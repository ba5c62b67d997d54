import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { root, workFolder } from './machine/checkout.mjs';
import { startDatabase } from './machine/database.mjs';
import { holdFolder } from './machine/folder-lock.mjs';
import { freePort } from './machine/free-port.mjs';
import { ensurePackages } from './machine/packages.mjs';
import { exitWith, run, startedParts } from './machine/processes.mjs';
import { startServer } from './machine/server.mjs';

const folder = join(workFolder, 'attack');

/** Sends a server of its own everything that is known to do harm, and tells what it answered and how long it took. */
async function main() {
  await ensurePackages();
  await holdFolder(join(workFolder, 'attack-lock'), 'npm run attack');
  rmSync(folder, { recursive: true, force: true });
  const started = startedParts();
  try {
    const database = started.add(await startDatabase({ folder, port: await freePort() }));
    const port = await freePort();
    const server = started.add(await startServer({ port, databaseUrl: database.url, folder }));
    const script = ['--import', 'tsx', 'server/attack/main.ts', server.url, String(server.child.pid)];
    process.exitCode = (await run(process.execPath, script)) ?? 1;
  } finally {
    await started.stop();
  }
  process.exit();
}

process.chdir(root);
main().catch(exitWith);
