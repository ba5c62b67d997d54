import type { OperationName } from '@calvet/core/operations';
import type { Answer, Report, Request } from './messages';
import { spawnWorker } from './spawn-worker';

/** A computation under way in a worker. */
export interface Computation<Name extends OperationName> {
  /** Never settles once the computation was stopped. */
  readonly answer: Promise<Answer<Name>>;
  /** Stops it at once; harmless when it is over. */
  readonly stop: () => void;
}

/** Kept for the next computation, since starting a worker takes longer than most computations. */
let idle: Worker | null = null;

/**
 * Runs an operation of core in a web worker, so that the screen is never held up.
 * @param progress told how much is done, 0…1
 * @throws rejects where the worker itself fails; a refused input is an answer
 */
export function computeInWorker<Name extends OperationName>(
  name: Name,
  input: unknown,
  progress: (share: number) => void = () => undefined,
): Computation<Name> {
  const worker = idle ?? spawnWorker();
  idle = null;
  let isOver = false;
  const answer = new Promise<Answer<Name>>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<Report>) => {
      if (data.kind === 'progress') {
        progress(data.share);
        return;
      }
      isOver = true;
      idle ??= worker;
      if (idle !== worker) worker.terminate();
      // The worker answers the operation that it was given.
      if (data.kind === 'answer') resolve(data.answer as Answer<Name>);
      else reject(new Error(data.message));
    };
    worker.onerror = ({ message }) => {
      isOver = true;
      worker.terminate();
      reject(new Error(message === '' ? 'The computation could not be started.' : message));
    };
  });
  const request: Request = { name, input };
  worker.postMessage(request);
  return {
    answer,
    stop: () => {
      if (isOver) return;
      isOver = true;
      worker.terminate();
    },
  };
}
