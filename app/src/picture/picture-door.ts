import type { PictureAnswer, ReadyPicture } from './messages';
import { spawnPictureWorker } from './spawn-picture-worker';

/** A file that is no picture, or one of a kind that this browser cannot read. */
export class UnreadablePicture extends Error {
  constructor(fileName: string) {
    super(`“${fileName}” is no picture that can be read here. Choose a JPEG, PNG or WebP file.`);
  }
}

let worker: Worker | null = null;
/** Pictures are made ready one after the other: each takes some tens of megabytes while it is. */
let last: Promise<unknown> = Promise.resolve();

function asked(file: File): Promise<PictureAnswer> {
  const running = (worker ??= spawnPictureWorker());
  return new Promise((resolve) => {
    running.onmessage = ({ data }: MessageEvent<PictureAnswer>) => resolve(data);
    running.onerror = ({ message }) => {
      running.terminate();
      worker = null;
      resolve({ kind: 'failed', message: message === '' ? 'The picture could not be worked on.' : message });
    };
    running.postMessage(file);
  });
}

/**
 * Makes a picture ready to be kept and sent, in a worker: at most 2048 px a side, upright, without where it was taken.
 * @throws {UnreadablePicture}
 */
export async function readyPicture(file: File): Promise<ReadyPicture> {
  const answering = last.then(() => asked(file));
  last = answering;
  const answer = await answering;
  switch (answer.kind) {
    case 'ready':
      return answer.picture;
    case 'unreadable':
      throw new UnreadablePicture(file.name);
    case 'failed':
      throw new Error(answer.message);
  }
}
