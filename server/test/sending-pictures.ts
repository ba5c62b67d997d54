import { v7 } from 'uuid';
import { ask } from './asking';
import type { TestPicture } from './pictures';

/** A server that pictures are sent to. */
interface At {
  readonly url: string;
}

/** What every request of an upload says. */
export const TUS = { 'tus-resumable': '1.0.0' };

/** Below a house of their own. */
export const OF_HOUSE = `/api/v1/houses/${v7()}`;
/** Where former versions of the app look, which name no house. */
export const FORMER = '/api/v1';

const metadata = (sha256: string) => ({
  'upload-metadata': `sha256 ${Buffer.from(sha256).toString('base64')}`,
});

/** Announces a picture; where to send it. */
export async function announce(
  { url }: At,
  { sha256, bytes }: TestPicture,
  size = bytes.length,
  under = OF_HOUSE,
) {
  const response = await fetch(`${url}${under}/uploads`, {
    method: 'POST',
    headers: { ...TUS, ...metadata(sha256), 'upload-length': String(size) },
  });
  return { status: response.status, body: await response.text(), at: response.headers.get('location') ?? '' };
}

/** How much of a picture has arrived. */
export async function arrived({ url }: At, at: string): Promise<number> {
  const response = await fetch(url + at, { method: 'HEAD', headers: TUS });
  return Number(response.headers.get('upload-offset'));
}

/** Sends a picture from a byte on. */
export async function send({ url }: At, at: string, bytes: Buffer, offset: number) {
  return ask(url + at, {
    method: 'PATCH',
    headers: { ...TUS, 'upload-offset': String(offset), 'content-type': 'application/offset+octet-stream' },
    body: new Uint8Array(bytes.subarray(offset)),
  });
}

/** Where a picture is. */
export const picturePath = ({ url }: At, { sha256 }: TestPicture, under = OF_HOUSE) =>
  `${url}${under}/pictures/${sha256}`;
