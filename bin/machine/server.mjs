import { spawn } from 'node:child_process';
import { mkdirSync, openSync } from 'node:fs';
import { join } from 'node:path';
import { builtServer } from './built-server.mjs';
import { root } from './checkout.mjs';
import { answers, stopChild, Trouble, waitUntil } from './processes.mjs';

/**
 * Starts the server of app and API on a port and waits until it is ready.
 * It ends with this process, however this process ends.
 */
export async function startServer({ port, databaseUrl, webFolder, folder, env = {} }) {
  mkdirSync(folder, { recursive: true });
  const logFile = join(folder, 'server.log');
  const log = openSync(logFile, 'a');
  const child = spawn(process.execPath, ['--enable-source-maps', await builtServer()], {
    cwd: join(root, 'server'),
    detached: true,
    stdio: ['ignore', log, log, 'ipc'],
    env: {
      ...process.env,
      CALVET_PORT: String(port),
      CALVET_DATABASE_URL: databaseUrl,
      CALVET_PHOTO_FOLDER: join(folder, 'photos'),
      // A checkout on a small disk may still be tried out.
      CALVET_PHOTO_LEAVE_FREE_MB: '50',
      ...(webFolder === undefined ? {} : { CALVET_WEB_FOLDER: webFolder }),
      ...env,
    },
  });
  const url = `http://127.0.0.1:${port}`;
  await waitUntil(() => answers(`${url}/api/v1/ready`), {
    seconds: 60,
    what: `The server (see ${logFile})`,
    gaveUp: () => child.exitCode !== null,
  });
  if (child.exitCode !== null) throw new Trouble(`The server ended at once; see ${logFile}.`);
  return { url, child, stop: () => stopChild(child) };
}
