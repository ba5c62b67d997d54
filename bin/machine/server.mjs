import { spawn } from 'node:child_process';
import { mkdirSync, openSync, readFileSync } from 'node:fs';
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
  // What it says before it has a log, and after.
  const output = join(folder, 'server-output.log');
  const log = openSync(output, 'w');
  const child = spawn(process.execPath, ['--enable-source-maps', await builtServer()], {
    cwd: join(root, 'server'),
    detached: true,
    stdio: ['ignore', log, log, 'ipc'],
    env: {
      ...process.env,
      CALVET_PORT: String(port),
      CALVET_DATABASE_URL: databaseUrl,
      CALVET_PHOTO_FOLDER: join(folder, 'photos'),
      CALVET_LOG_FILE: logFile,
      // A checkout on a small disk may still be tried out.
      CALVET_PHOTO_LEAVE_FREE_MB: '50',
      ...(webFolder === undefined ? {} : { CALVET_WEB_FOLDER: webFolder }),
      ...env,
    },
  });
  const url = `http://127.0.0.1:${port}`;
  const isOver = () => child.exitCode !== null;
  await waitUntil(async () => isOver() || answers(`${url}/api/v1/ready`), {
    seconds: 60,
    what: `The server (see ${logFile})`,
  });
  if (isOver()) {
    const said = readFileSync(output, 'utf8').trim();
    throw new Trouble(`The server ended at once${said === '' ? `; see ${logFile}.` : `:\n${said}`}`);
  }
  return { url, child, stop: () => stopChild(child) };
}
