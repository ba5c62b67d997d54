import { Piscina } from 'piscina';
import { TooBusy, type Threads } from './computing';
import type { LongAnswer } from './long-computation';

const MOST_THREADS = 2;
const MOST_WAITING = 32;
const IDLE_MS = 60_000;

/** A few threads that run the module of a file; started when they are first needed. */
export function openThreads(file: string): Threads & { readonly close: () => Promise<void> } {
  const pool = new Piscina({
    filename: file,
    minThreads: 0,
    maxThreads: MOST_THREADS,
    maxQueue: MOST_WAITING,
    idleTimeout: IDLE_MS,
  });
  return {
    run: async (computation, signal) => {
      if (pool.queueSize >= MOST_WAITING) throw new TooBusy();
      return (await pool.run(computation, { signal })) as LongAnswer;
    },
    close: () => pool.destroy(),
  };
}
