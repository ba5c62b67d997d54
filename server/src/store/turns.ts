import { E_TIMEOUT, Mutex, withTimeout, type MutexInterface } from 'async-mutex';

/** Somebody waited longer than one does for those who came before. */
export class LongQueue extends Error {}

/**
 * Lets those go one after another who want the same: what would wait in the database, each with a connection of its own,
 * waits here, so that one house that is locked takes one connection and not all.
 */
export class Turns {
  private readonly queues = new Map<string, MutexInterface>();

  constructor(private readonly waitMs: number) {}

  /** @throws {LongQueue} */
  async take<T>(key: string, work: () => Promise<T>): Promise<T> {
    const queue = this.queues.get(key) ?? withTimeout(new Mutex(), this.waitMs);
    this.queues.set(key, queue);
    const leave = await queue.acquire().catch((error: unknown) => {
      throw error === E_TIMEOUT ? new LongQueue() : error;
    });
    try {
      return await work();
    } finally {
      leave();
      if (!queue.isLocked()) this.queues.delete(key);
    }
  }
}
