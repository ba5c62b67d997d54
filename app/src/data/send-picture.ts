import { apiPaths, type Problem } from '@calvet/contract';
import type { DetailedError } from 'tus-js-client';
import { isOnServer, senderHeaders, Unreachable } from './api';
import { PictureNotTaken, ServerFull } from './upload-queue';

/** Small enough to arrive whole where the signal comes and goes. */
const PIECE_BYTES = 256 * 1024;
const STALLED_MS = 30_000;

interface Sending {
  readonly sha256: string;
  readonly bytes: Blob;
  /** Where pieces have arrived before; null where none has. */
  readonly url: string | null;
  readonly onUrl: (url: string) => void;
  readonly onShare: (share: number) => void;
}

function problemIn(error: Partial<DetailedError>): Problem | null {
  try {
    return JSON.parse(error.originalResponse?.getBody() ?? '') as Problem;
  } catch {
    return null;
  }
}

/** What a failed upload means to whoever waits for it. */
export function failureOf(error: Error): Error {
  const detailed = error as Partial<DetailedError>;
  const status = detailed.originalResponse?.getStatus() ?? 0;
  const problem = problemIn(detailed);
  if (status === 507) return new ServerFull(problem?.detail ?? 'The server is full.');
  const isForGood = problem !== null && [400, 413, 422].includes(status) && problem.code !== 'other-bytes';
  return isForGood ? new PictureNotTaken(problem.detail) : new Unreachable(error.message);
}

async function sendPieces({ sha256, bytes, url, onUrl, onShare }: Sending): Promise<void> {
  const { Upload } = await import('tus-js-client');
  await new Promise<void>((resolve, reject) => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const upload = new Upload(bytes, {
      endpoint: apiPaths.uploads,
      uploadUrl: url,
      metadata: { sha256 },
      headers: { ...senderHeaders() },
      chunkSize: PIECE_BYTES,
      retryDelays: null,
      storeFingerprintForResuming: false,
      onUploadUrlAvailable: () => {
        if (upload.url !== null) onUrl(upload.url);
      },
      onProgress: (sent, total) => {
        goesOn();
        onShare(total === 0 ? 0 : sent / total);
      },
      onSuccess: () => {
        clearTimeout(timer);
        resolve();
      },
      onError: (error) => {
        clearTimeout(timer);
        reject(failureOf(error));
      },
    });
    const goesOn = (): void => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        void upload.abort();
        reject(new Unreachable('The upload has come to a halt.'));
      }, STALLED_MS);
    };
    goesOn();
    upload.start();
  });
}

/**
 * Sends a picture, from where it was cut off before.
 * @throws {Unreachable} {ServerFull} {PictureNotTaken}
 */
export async function sendPicture(sending: Sending): Promise<void> {
  const path = apiPaths.picture(sending.sha256);
  if (await isOnServer(path)) return;
  await sendPieces(sending);
  if (await isOnServer(path)) return;
  // All of it arrived, and the server went down before it took it in.
  await sendPieces({ ...sending, url: null });
  if (!(await isOnServer(path))) throw new Unreachable('The picture did not arrive whole.');
}
