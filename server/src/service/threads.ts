import { Piscina } from 'piscina';
import { TooBusy, TooMuch, type Threads } from './computing';
import type { LongAnswer } from './long-computation';

const MOST_THREADS = 2;
const MOST_WAITING = 32;
/** What no longer computation than that is worth; whoever wants it computes on the device. */
const LONGEST_MS = 30_000;
/** Of the memory that a thread may take up with what lives long and what does not. */
const MOST_MEMORY = { maxOldGenerationSizeMb: 256, maxYoungGenerationSizeMb: 64 };

/** True where it was the time, or the room, that a computation has. */
const isTooMuch = (error: unknown): boolean => {
  const { name, code } = (error ?? {}) as { readonly name?: unknown; readonly code?: unknown };
  return name === 'TimeoutError' || code === 'ERR_WORKER_OUT_OF_MEMORY';
};

/**
 * A few threads that run the module of a file, started when they are first needed. They stay: each start of one costs file
 * descriptors that the process does not get back.
 * @param onError told of what befalls a thread beside its work
 */
export function openThreads(
  file: string,
  onError: (error: unknown) => void,
  longestMs = LONGEST_MS,
): Threads & { readonly close: () => Promise<void> } {
  const pool = new Piscina({
    filename: file,
    minThreads: 0,
    maxThreads: MOST_THREADS,
    maxQueue: MOST_WAITING,
    idleTimeout: Infinity,
    resourceLimits: MOST_MEMORY,
  });
  pool.on('error', onError);
  return {
    run: async (computation, signal) => {
      if (pool.queueSize >= MOST_WAITING) throw new TooBusy();
      const limit = AbortSignal.timeout(longestMs);
      try {
        return (await pool.run(computation, { signal: AbortSignal.any([signal, limit]) })) as LongAnswer;
      } catch (error) {
        if (limit.aborted || isTooMuch(error)) throw new TooMuch();
        throw error;
      }
    },
    close: () => pool.destroy(),
  };
}
