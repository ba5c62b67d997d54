import { createHash } from 'node:crypto';
import sharp, { type Metadata } from 'sharp';
import { PICTURE_SIDE_MAX_PX } from '@calvet/contract';
import type { PhotoStore } from '../photo-store/photo-store';

/** A picture that is not taken in, and why. */
export class PictureRefused extends Error {
  constructor(
    readonly code: 'other-bytes' | 'no-picture' | 'picture-too-large' | 'picture-tells-more',
    message: string,
  ) {
    super(message);
  }
}

const THUMBNAIL_PX = 480;
/** Types that are taken in, by the name that the decoder gives them; no browser runs any of these. */
const MEDIA_TYPES: Readonly<Record<string, string>> = {
  jpeg: 'image/jpeg',
  png: 'image/png',
  webp: 'image/webp',
};
const TYPE_UNKNOWN = 'application/octet-stream';
const PIXELS_MAX = PICTURE_SIDE_MAX_PX ** 2;

const thumbnailName = (sha256: string): string => `${sha256}.thumbnail`;

async function looked(bytes: Buffer): Promise<Metadata> {
  try {
    return await sharp(bytes, { limitInputPixels: PIXELS_MAX }).metadata();
  } catch (error) {
    const isTooLarge = error instanceof Error && error.message.includes('exceeds pixel limit');
    throw isTooLarge ? tooLarge() : noPicture();
  }
}

const noPicture = () =>
  new PictureRefused('no-picture', 'This is not a picture that can be read: send JPEG, PNG or WebP.');
const tooLarge = () =>
  new PictureRefused(
    'picture-too-large',
    `The picture is over ${PICTURE_SIDE_MAX_PX} pixels a side: scale it down before it is sent.`,
  );

const hashOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

/** @throws {PictureRefused} where the bytes are not those of the name, or not those of a picture that may be kept */
async function check(sha256: string, bytes: Buffer): Promise<void> {
  if (hashOf(bytes) !== sha256) {
    throw new PictureRefused('other-bytes', 'What arrived is not what was announced: send it again.');
  }
  const { format, width, height, exif, xmp, iptc } = await looked(bytes);
  if (!(format in MEDIA_TYPES)) throw noPicture();
  if (width > PICTURE_SIDE_MAX_PX || height > PICTURE_SIDE_MAX_PX) throw tooLarge();
  if (exif !== undefined || xmp !== undefined || iptc !== undefined) {
    throw new PictureRefused(
      'picture-tells-more',
      'The file says more than the picture shows, such as where it was taken: send it without.',
    );
  }
}

async function thumbnailOf(bytes: Buffer): Promise<Buffer> {
  try {
    return await sharp(bytes, { limitInputPixels: PIXELS_MAX })
      .resize({ width: THUMBNAIL_PX, height: THUMBNAIL_PX, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 78 })
      .toBuffer();
  } catch {
    throw noPicture();
  }
}

/**
 * Takes in a picture under its SHA-256, with a small one beside it. Taken in twice it is there once.
 * @throws {PictureRefused} {NoRoom}
 */
export async function takePicture(store: PhotoStore, sha256: string, bytes: Buffer): Promise<void> {
  await check(sha256, bytes);
  await store.put(thumbnailName(sha256), await thumbnailOf(bytes));
  // The picture comes last: where it is, all of it is.
  await store.put(sha256, bytes);
}

/**
 * Of these pictures, those that are here whole: each is read and hashed anew, since a device lets go of its own on this
 * word.
 */
export async function confirmPictures(
  store: PhotoStore,
  sha256s: readonly string[],
): Promise<readonly string[]> {
  const held: string[] = [];
  for (const sha256 of sha256s) {
    const bytes = await store.get(sha256);
    if (bytes !== null && hashOf(bytes) === sha256) held.push(sha256);
  }
  return held;
}

/** A picture as it is handed out. */
export interface HandedOut {
  readonly bytes: Buffer;
  /** By its content, never by what a sender said it is. */
  readonly mediaType: string;
}

async function handedOut(bytes: Buffer | null): Promise<HandedOut | null> {
  if (bytes === null) return null;
  const { format } = await sharp(bytes).metadata();
  return { bytes, mediaType: MEDIA_TYPES[format] ?? TYPE_UNKNOWN };
}

/** Null where no such picture has arrived. */
export async function readPicture(store: PhotoStore, sha256: string): Promise<HandedOut | null> {
  return handedOut(await store.get(sha256));
}

/** The small picture; null where no such picture has arrived. */
export async function readThumbnail(store: PhotoStore, sha256: string): Promise<HandedOut | null> {
  const bytes = await store.get(thumbnailName(sha256));
  // Made here: it need not be looked at again, and a gallery asks for hundreds.
  return bytes === null ? null : { bytes, mediaType: MEDIA_TYPES.jpeg ?? TYPE_UNKNOWN };
}
