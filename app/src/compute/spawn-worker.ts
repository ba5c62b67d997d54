/** A new worker that runs operations of core. */
export function spawnWorker(): Worker {
  return new Worker(new URL('./operations.worker', import.meta.url));
}
