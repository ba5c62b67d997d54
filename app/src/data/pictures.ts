import { apiPaths, type Bodies, type PhotoSubject } from '@calvet/contract';
import { readyPicture } from '../picture/picture-door';
import type { ReadyPicture } from '../picture/messages';
import { getBlob } from './api';
import { isOutOfRoom, type KeptPicture, type KeptUpload } from './local-database';
import { sendPicture } from './send-picture';
import { askToPersist } from './space';
import { createRecord, keptAtStart, localDatabase, onToldAgain } from './store';
import { PictureNotTaken, UploadQueue } from './upload-queue';

/** The device has no room for another picture; nothing of it was kept. */
export class NoRoomOnDevice extends Error {
  constructor() {
    super('This device has no room for another picture. Free some under “This device”, then take it again.');
  }
}

/** Pictures that this page alone holds, where the browser keeps nothing. */
const onPage = new Map<string, KeptPicture>();

async function held(sha256: string): Promise<KeptPicture | undefined> {
  return (await localDatabase()?.picture(sha256)) ?? onPage.get(sha256);
}

/** Pictures on their way to the server. */
export const uploads = new UploadQueue({
  send: async ({ sha256, url }, onUrl, onShare) => {
    const bytes = (await held(sha256))?.full ?? null;
    if (bytes === null) throw new PictureNotTaken('This device holds the picture no longer.');
    await sendPicture({ sha256, bytes, url, onUrl, onShare });
  },
  onChange: (upload) => localDatabase()?.keepUploads([upload]),
  onSent: ({ sha256 }) => localDatabase()?.dropUpload(sha256),
});

void keptAtStart.then((kept) => {
  if (kept !== null) uploads.add(kept.uploads);
});
// A server that lost a photo may have lost its picture too; where it has not, it says so before anything is sent.
onToldAgain((wishes) => {
  const again = wishes.flatMap(({ kind, op, houseId, body }) =>
    kind === 'photo' && op === 'create' && body !== undefined && 'sha256' in body && body.sha256 !== undefined
      ? [{ sha256: body.sha256, houseId, url: null }]
      : [],
  );
  void takeUpHeld(again);
});

if (typeof window !== 'undefined') {
  window.addEventListener('online', () => uploads.retryNow());
}

/** Sends again those pictures that are whole on this device. */
async function takeUpHeld(wanted: readonly KeptUpload[]): Promise<void> {
  for (const upload of wanted) {
    if ((await held(upload.sha256))?.full == null) continue;
    localDatabase()?.keepUploads([upload]);
    uploads.add([upload]);
  }
}

async function keepReady(houseId: string, { sha256, full, thumbnail }: ReadyPicture): Promise<void> {
  const picture: KeptPicture = { sha256, houseId, full, thumbnail };
  const local = localDatabase();
  if (local === null) {
    onPage.set(sha256, picture);
    return;
  }
  try {
    await local.keepPicture(picture);
  } catch (error) {
    if (!isOutOfRoom(error)) throw error;
    await local.dropPictures('whole ones');
    await local.keepPicture(picture).catch((again: unknown) => {
      throw isOutOfRoom(again) ? new NoRoomOnDevice() : again;
    });
  }
}

interface NewPhoto {
  readonly houseId: string;
  readonly file: File;
  readonly subject: PhotoSubject;
  /** Photo of the same place before the work that this one shows. */
  readonly beforeId?: string | null;
}

/**
 * Takes a picture in: scaled, kept on the device, tied to its record, and sent when there is a signal.
 * @returns the id of the photo
 * @throws {NoRoomOnDevice} {UnreadablePicture}
 */
export async function addPhoto({ houseId, file, subject, beforeId = null }: NewPhoto): Promise<string> {
  const picture = await readyPicture(file);
  // The picture first: a record of a picture that was not kept would promise what nobody has.
  await keepReady(houseId, picture);
  const { sha256, widthPx, heightPx, takenAt } = picture;
  const upload = { sha256, houseId, url: null };
  const body: Bodies['photo'] = {
    sha256,
    widthPx,
    heightPx,
    bytes: picture.full.size,
    takenAt,
    subject,
    caption: '',
    marks: [],
    beforeId,
  };
  const id = createRecord(houseId, 'photo', body);
  localDatabase()?.keepUploads([upload]);
  uploads.add([upload]);
  askToPersist();
  // Whoever is told that it was added may close the app.
  await localDatabase()?.settled();
  return id;
}

export type PictureSize = 'full' | 'thumbnail';

/** Fetches a picture that is not here, and keeps it where there is room. */
async function fetched(houseId: string, sha256: string, size: PictureSize): Promise<Blob | null> {
  const blob = await getBlob(size === 'full' ? apiPaths.picture(sha256) : apiPaths.thumbnail(sha256));
  if (blob === null) return null;
  const picture = { sha256, houseId, full: null, thumbnail: null, [size]: blob };
  await localDatabase()
    ?.keepPicture(picture)
    .catch(() => undefined);
  return blob;
}

/**
 * A picture's bytes, from this device where they are here; null where no device has sent them yet.
 * @throws {Unreachable}
 */
export async function pictureBytes(houseId: string, sha256: string, size: PictureSize): Promise<Blob | null> {
  return (await held(sha256))?.[size] ?? fetched(houseId, sha256, size);
}
