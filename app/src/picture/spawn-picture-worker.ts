/** A new worker that makes pictures ready. */
export function spawnPictureWorker(): Worker {
  return new Worker(new URL('./picture.worker', import.meta.url));
}
