/** A new worker that finds what has to be looked at in houses. */
export function spawnWalkWorker(): Worker {
  return new Worker(new URL('./walk.worker', import.meta.url));
}
