import { spawn } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';

export interface PrivateDatabase {
  readonly url: string;
  /** Ends it without warning, as a power cut would. */
  readonly kill: () => Promise<void>;
  readonly start: () => Promise<void>;
  /** Lets it answer nothing until it is thawed. */
  readonly freeze: () => Promise<void>;
  readonly thaw: () => Promise<void>;
  readonly close: () => Promise<void>;
}

/** A database server that a test has for itself, so that it can be killed and started again. */
export async function startPrivateDatabase(): Promise<PrivateDatabase> {
  const folder = await mkdtemp(join(tmpdir(), 'calvet-db-'));
  const child = spawn(process.execPath, [join(__dirname, 'machine-database.mjs'), folder], {
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  const lines = createInterface({ input: child.stdout })[Symbol.asyncIterator]();
  const nextLine = async (holds: (line: string) => boolean): Promise<string> => {
    for (;;) {
      const { value, done } = await lines.next();
      if (done === true) throw new Error('The database’s process ended.');
      if (holds(value)) return value;
    }
  };
  const tell = async (word: string): Promise<void> => {
    child.stdin.write(`${word}\n`);
    await nextLine((line) => line === `done ${word}`);
  };
  const url = await nextLine((line) => line.startsWith('mysql://'));
  return {
    url,
    kill: () => tell('kill'),
    start: () => tell('start'),
    freeze: () => tell('freeze'),
    thaw: () => tell('thaw'),
    close: async () => {
      const ended = new Promise((resolve) => child.once('exit', resolve));
      child.stdin.end();
      await ended;
      await rm(folder, { recursive: true, force: true });
    },
  };
}
