import { apiPaths } from '@calvet/contract';
import { Upload } from 'tus-js-client';
import type { DrawnPhoto } from './photos/draw-photo';

type Sendable = Pick<DrawnPhoto, 'sha256' | 'jpeg'>;

async function sendPicture(server: string, houseId: string, { sha256, jpeg }: Sendable): Promise<void> {
  const { ok } = await fetch(server + apiPaths.picture(houseId, sha256), { method: 'HEAD' });
  if (ok) return;
  await new Promise<void>((resolve, reject) => {
    new Upload(jpeg, {
      endpoint: server + apiPaths.uploads(houseId),
      metadata: { sha256 },
      storeFingerprintForResuming: false,
      onSuccess: () => resolve(),
      onError: reject,
    }).start();
  });
}

/** Sends pictures of a house to a server; those that it has are left. */
export async function sendPictures(
  server: string,
  houseId: string,
  pictures: readonly Sendable[],
): Promise<void> {
  for (const picture of pictures) await sendPicture(server, houseId, picture);
}
