import { createHash } from 'node:crypto';
import { Semaphore } from 'async-mutex';
import sharp from 'sharp';
import { PICTURE_SIDE_MAX_PX } from '@calvet/contract';
import { pictureName } from '@calvet/contract/schemas';
import type { PhotoStore } from '../photo-store/photo-store';
import type { Database } from '../store/database';
import { housesShowing } from '../store/records';
import { mediaTypeOf, NotOnlyPicture, readPictureFile, type PictureFile } from './picture-file';
import { may, type Principal } from './rights';

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
const TYPE_UNKNOWN = 'application/octet-stream';
const PIXELS_MAX = PICTURE_SIDE_MAX_PX ** 2;

/** No picture of that size takes longer, unless it was made to. */
const DECODE_S = 5;
/** Pictures that are decoded at the same time, each in up to some 50 MB. */
const decoding = new Semaphore(2);
// What was decoded is not asked for again.
sharp.cache(false);

/** Where pictures are, and the photos that show them. */
export interface Pictures {
  readonly db: Database;
  readonly photos: PhotoStore;
}

/** A picture is kept under its house; one of a former version, whose house is not known, beside all houses. */
const nameIn = (houseId: string | null, sha256: string): string =>
  houseId === null ? sha256 : `${houseId}/${sha256}`;
const thumbnailName = (houseId: string | null, sha256: string): string =>
  `${nameIn(houseId, sha256)}.thumbnail`;

/** Brings a picture that a former version put beside all houses under those whose photos show it. */
async function bringHome({ db, photos }: Pictures, sha256: string): Promise<void> {
  const bytes = await photos.get(sha256);
  if (bytes === null) return;
  const houses = await housesShowing(db, sha256);
  // Its photo is still to come.
  if (houses.length === 0) return;
  const small = (await photos.get(thumbnailName(null, sha256))) ?? (await thumbnailOf(bytes));
  for (const houseId of houses) {
    if (await photos.has(nameIn(houseId, sha256))) continue;
    await photos.put(thumbnailName(houseId, sha256), small);
    await photos.put(nameIn(houseId, sha256), bytes);
  }
  await photos.remove(sha256);
  await photos.remove(thumbnailName(null, sha256));
}

/** Brings all that former versions put beside the houses under them; how many could not be. */
export async function bringAllHome(pictures: Pictures): Promise<number> {
  let left = 0;
  for (const name of await pictures.photos.beside()) {
    if (pictureName.validate(name).error !== undefined) continue;
    // One that is damaged is no reason to leave the others.
    await bringHome(pictures, name).catch(() => left++);
  }
  return left;
}

/** What a look for a picture of a house finds, wherever a former version put it; null where it is not here. */
async function foundIn<Found>(
  pictures: Pictures,
  principal: Principal,
  sha256: string,
  look: (photos: PhotoStore) => Promise<Found | null>,
): Promise<Found | null> {
  if (!may(principal, 'see', 'photo')) return null;
  const { photos } = pictures;
  const found = await look(photos);
  if (found !== null || !(await photos.has(sha256))) return found;
  await bringHome(pictures, sha256);
  return look(photos);
}

const wholeIn = (pictures: Pictures, principal: Principal, houseId: string, sha256: string) =>
  foundIn(pictures, principal, sha256, (photos) => photos.get(nameIn(houseId, sha256)));

const noPicture = () =>
  new PictureRefused('no-picture', 'This is not a picture that can be read: send JPEG, PNG or WebP.');
const tooLarge = () =>
  new PictureRefused(
    'picture-too-large',
    `The picture is over ${PICTURE_SIDE_MAX_PX} pixels a side: scale it down before it is sent.`,
  );

const tellsMore = () =>
  new PictureRefused(
    'picture-tells-more',
    'The file says more than the picture shows, such as where it was taken: send it without.',
  );

function walked(bytes: Buffer): PictureFile {
  try {
    return readPictureFile(bytes);
  } catch (error) {
    if (!(error instanceof NotOnlyPicture)) throw error;
    throw error.code === 'no-picture' ? noPicture() : tellsMore();
  }
}

const hashOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

/** @throws {PictureRefused} where the bytes are not those of the name, or not those of a picture that may be kept */
function check(sha256: string, bytes: Buffer): void {
  if (hashOf(bytes) !== sha256) {
    throw new PictureRefused('other-bytes', 'What arrived is not what was announced: send it again.');
  }
  const { widthPx, heightPx } = walked(bytes);
  if (widthPx > PICTURE_SIDE_MAX_PX || heightPx > PICTURE_SIDE_MAX_PX) throw tooLarge();
}

async function thumbnailOf(bytes: Buffer): Promise<Buffer> {
  return decoding.runExclusive(async () => {
    try {
      return await sharp(bytes, { limitInputPixels: PIXELS_MAX, failOn: 'warning', sequentialRead: true })
        .timeout({ seconds: DECODE_S })
        .resize({ width: THUMBNAIL_PX, height: THUMBNAIL_PX, fit: 'inside', withoutEnlargement: true })
        .jpeg({ quality: 78 })
        .toBuffer();
    } catch {
      throw noPicture();
    }
  });
}

/** True for whoever may send pictures. */
export const maySend = (principal: Principal): boolean => may(principal, 'create', 'photo');

/**
 * Takes in a picture under its house and its SHA-256, with a small one beside it. Taken in twice it is there once.
 * @param houseId null where a former version of the app sends it, which does not say
 * @throws {PictureRefused} {NoRoom}
 */
export async function takePicture(
  pictures: Pictures,
  houseId: string | null,
  sha256: string,
  bytes: Buffer,
): Promise<void> {
  check(sha256, bytes);
  const { photos } = pictures;
  await photos.put(thumbnailName(houseId, sha256), await thumbnailOf(bytes));
  // The picture comes last: where it is, all of it is.
  await photos.put(nameIn(houseId, sha256), bytes);
  if (houseId === null) await bringHome(pictures, sha256);
}

/**
 * Of these pictures of a house, those that are here whole: each is read and hashed anew, since a device lets go of its own
 * on this word.
 */
export async function confirmPictures(
  pictures: Pictures,
  principal: Principal,
  houseId: string,
  sha256s: readonly string[],
): Promise<readonly string[]> {
  const held: string[] = [];
  for (const sha256 of sha256s) {
    const bytes = await wholeIn(pictures, principal, houseId, sha256);
    if (bytes !== null && hashOf(bytes) === sha256) held.push(sha256);
  }
  return held;
}

/** The house under which a former version of the app, which does not say, finds a picture; null where there is none. */
export async function houseShowing({ db }: Pictures, sha256: string): Promise<string | null> {
  return (await housesShowing(db, sha256))[0] ?? null;
}

/** A picture as it is handed out. */
export interface HandedOut {
  readonly bytes: Buffer;
  /** By its content, never by what a sender said it is. */
  readonly mediaType: string;
}

/** Null where no such picture has arrived. */
export async function readPicture(
  pictures: Pictures,
  principal: Principal,
  houseId: string,
  sha256: string,
): Promise<HandedOut | null> {
  const bytes = await wholeIn(pictures, principal, houseId, sha256);
  return bytes === null ? null : { bytes, mediaType: mediaTypeOf(bytes) ?? TYPE_UNKNOWN };
}

/** The small picture; null where no such picture has arrived. */
export async function readThumbnail(
  pictures: Pictures,
  principal: Principal,
  houseId: string,
  sha256: string,
): Promise<HandedOut | null> {
  const name = thumbnailName(houseId, sha256);
  const bytes = await foundIn(pictures, principal, sha256, (photos) => photos.get(name));
  // Made here.
  return bytes === null ? null : { bytes, mediaType: 'image/jpeg' };
}

/** True where a picture has arrived, or lies where a former version put it. */
export async function hasPicture(
  pictures: Pictures,
  principal: Principal,
  houseId: string,
  sha256: string,
): Promise<boolean> {
  const name = nameIn(houseId, sha256);
  const found = await foundIn(pictures, principal, sha256, async (photos) =>
    (await photos.has(name)) ? name : null,
  );
  return found !== null;
}
