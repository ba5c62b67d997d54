import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { freePort } from '../../bin/machine/free-port.mjs';

export interface ServerProcess {
  readonly url: string;
  readonly pid: number;
  readonly kill: () => Promise<void>;
  readonly close: () => Promise<void>;
}

/** A server in a process of its own, as it runs in earnest. */
export async function startServerProcess(
  databaseUrl: string,
  photoFolder: string,
  settings: Readonly<Record<string, string>> = {},
): Promise<ServerProcess> {
  const port = await freePort();
  const script = process.env.CALVET_SERVER;
  if (script === undefined) throw new Error('Run this through "npm test", which builds the server.');
  const child = spawn(process.execPath, [script], {
    cwd: join(__dirname, '..'),
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: {
      ...process.env,
      CALVET_PORT: String(port),
      CALVET_DATABASE_URL: databaseUrl,
      CALVET_PHOTO_FOLDER: photoFolder,
      CALVET_LOG_LEVEL: 'fatal',
      ...settings,
    },
  });
  const url = `http://127.0.0.1:${port}`;
  const isReady = () =>
    fetch(`${url}/api/v1/ready`).then(
      ({ ok }) => ok,
      () => false,
    );
  for (let look = 0; !(await isReady()); look++) {
    if (child.exitCode !== null || look > 300) throw new Error('The server did not start.');
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const end = async (signal: 'SIGTERM' | 'SIGKILL'): Promise<void> => {
    if (child.exitCode !== null || child.signalCode !== null) return;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await ended;
  };
  return { url, pid: child.pid ?? 0, kill: () => end('SIGKILL'), close: () => end('SIGTERM') };
}
