import { apiPaths } from '@calvet/contract/api-paths';
import { isProblem } from '@calvet/contract/answers';
import type { Problem } from '@calvet/contract/problem';
import type { DetailedError } from 'tus-js-client';
import { Unreachable, type Api } from './api';
import type { PictureOfHouse } from './local-schema';
import { PictureNotTaken, ServerFull } from './upload-queue';

/** Small enough to arrive whole where the signal comes and goes. */
const PIECE_BYTES = 256 * 1024;
const STALLED_MS = 30_000;

interface Sending extends PictureOfHouse {
  readonly api: Pick<Api, 'hasPicture' | 'senderHeaders' | 'url'>;
  readonly bytes: Blob;
  /** Where pieces have arrived before; null where none has. */
  readonly url: string | null;
  readonly onUrl: (url: string) => void;
  readonly onShare: (share: number) => void;
}

function problemIn(error: Partial<DetailedError>): Problem | null {
  try {
    const body: unknown = JSON.parse(error.originalResponse?.getBody() ?? '');
    return isProblem(body) ? body : null;
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
  return isForGood ? new PictureNotTaken(problem.detail) : new Unreachable(error.message, status);
}

async function sendPieces({ api, houseId, sha256, bytes, url, onUrl, onShare }: Sending): Promise<void> {
  const at = apiPaths.uploads(houseId);
  const { Upload } = await import('tus-js-client');
  await new Promise<void>((resolve, reject) => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const upload = new Upload(bytes, {
      endpoint: api.url(at),
      uploadUrl: url === null ? null : api.url(url),
      metadata: { sha256 },
      headers: { ...api.senderHeaders() },
      chunkSize: PIECE_BYTES,
      retryDelays: null,
      storeFingerprintForResuming: false,
      onUploadUrlAvailable: () => {
        const path = upload.url === null ? null : pathOf(upload.url);
        // Anything else is not where our server keeps pieces.
        if (path?.startsWith(`${at}/`) === true) onUrl(path);
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

/** The path of an address, wherever it is. */
function pathOf(url: string): string | null {
  try {
    return new URL(url, 'http://localhost').pathname;
  } catch {
    return null;
  }
}

/**
 * Sends a picture, from where it was cut off before. It is sent once the server itself says by its hash that it has it.
 * @throws {Unreachable} {ServerFull} {PictureNotTaken}
 */
export async function sendPicture(sending: Sending): Promise<void> {
  const { api } = sending;
  if (await api.hasPicture(sending)) return;
  await sendPieces(sending);
  if (await api.hasPicture(sending)) return;
  // All of it arrived, and the server went down before it took it in.
  await sendPieces({ ...sending, url: null });
  if (!(await api.hasPicture(sending))) throw new Unreachable('The picture did not arrive whole.');
}
