import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { root, workFolder } from './machine/checkout.mjs';
import { startDatabase } from './machine/database.mjs';
import { holdFolder } from './machine/folder-lock.mjs';
import { ensurePackages } from './machine/packages.mjs';
import { makeFiles } from './machine/web-app.mjs';
import { answers, exitWith, mustRun, startedParts, stopChild, waitUntil } from './machine/processes.mjs';

const folder = join(workFolder, 'demo');
const port = Number(process.env.CALVET_PORT ?? 4310);
const databasePort = Number(process.env.CALVET_DB_PORT ?? 4311);
const appPort = Number(process.env.CALVET_DEV_PORT ?? 4312);

function start(command, args, cwd, env) {
  return spawn(command, args, { cwd, stdio: 'inherit', env: { ...process.env, ...env } });
}

async function main() {
  await holdFolder(folder, 'npm run dev');
  const started = startedParts();
  await ensurePackages();
  await makeFiles();
  const database = started.add(await startDatabase({ folder, port: databasePort }));
  const server = start(
    process.execPath,
    ['--watch', '--import', 'tsx', 'src/index.ts'],
    join(root, 'server'),
    {
      CALVET_PORT: String(port),
      CALVET_DATABASE_URL: database.url,
      CALVET_ADDRESSES: ['localhost', '127.0.0.1'].map((name) => `http://${name}:${appPort}`).join(' '),
      CALVET_LOG_LEVEL: process.env.CALVET_LOG_LEVEL ?? 'warn',
    },
  );
  started.add({ stop: () => stopChild(server) });
  const serverUrl = `http://127.0.0.1:${port}`;
  await waitUntil(() => answers(`${serverUrl}/api/v1/ready`), { what: 'The server' });
  await mustRun(process.execPath, ['--import', 'tsx', 'demo/src/seed.ts', serverUrl]);
  const app = start('npx', ['expo', 'start', '--web', '--port', String(appPort)], join(root, 'app'), {
    BROWSER: 'none',
    EXPO_OFFLINE: '1',
    EXPO_NO_TELEMETRY: '1',
    CALVET_API_ORIGIN: serverUrl,
  });
  started.add({ stop: () => stopChild(app) });
  console.log(`The app with reload will be at http://127.0.0.1:${appPort}`);
}

main().catch(exitWith);
