import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { root, workFolder } from './machine/checkout.mjs';
import { startDatabase } from './machine/database.mjs';
import { ensureProgram } from './machine/debian.mjs';
import { ensurePackages } from './machine/packages.mjs';
import { holdFolder } from './machine/folder-lock.mjs';
import { freePort } from './machine/free-port.mjs';
import { exitWith, mustRun } from './machine/processes.mjs';
import { startServer } from './machine/server.mjs';
import { ensureWebApp } from './machine/web-app.mjs';

const folder = join(workFolder, 'screenshots');

async function main() {
  await ensurePackages();
  const chromium = await ensureProgram('chromium', 'chromium', 'the browser that takes the pictures');
  const webFolder = await ensureWebApp();
  await holdFolder(join(workFolder, 'screenshots-lock'), 'npm run screenshots');
  rmSync(folder, { recursive: true, force: true });
  const database = await startDatabase({ folder, port: await freePort() });
  try {
    const server = await startServer({
      port: await freePort(),
      databaseUrl: database.url,
      webFolder,
      folder,
    });
    try {
      await mustRun(process.execPath, ['--import', 'tsx', 'demo/src/seed.ts', server.url]);
      await mustRun(process.execPath, ['--import', 'tsx', 'e2e/screenshots.ts', server.url], {
        env: { CALVET_CHROMIUM: chromium },
      });
    } finally {
      await server.stop();
    }
  } finally {
    await database.stop();
  }
}

process.chdir(root);
main().catch(exitWith);
