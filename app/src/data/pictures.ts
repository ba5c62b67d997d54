import type { Bodies } from '@calvet/contract/kinds';
import type { PhotoSubject } from '@calvet/contract/photos/photo';
import type { ReadyPicture } from '../picture/messages';
import type { Api } from './api';
import { isOutOfRoom, isPicture, type LocalDatabase } from './local-database';
import type { KeptPicture, KeptUpload } from './local-schema';
import { sendPicture } from './send-picture';
import { DeviceSilent, PictureNotTaken, type UploadQueue } from './upload-queue';

/** The device has no room for another picture; nothing of it was kept. */
export class NoRoomOnDevice extends Error {
  constructor() {
    super('This device has no room for another picture. Free some under “This device”, then take it again.');
  }
}

export type PictureSize = 'full' | 'thumbnail';

interface PicturesOptions {
  readonly api: Api;
  readonly local: () => LocalDatabase | null;
  /** Lets go of what the server has too; gives back how many pictures that were. */
  readonly makeRoom: () => Promise<number>;
}

/** SHA-256 of bytes, as pictures are named; null where the browser does not compute any. */
export async function nameOf(blob: Blob): Promise<string | null> {
  const { subtle } = (globalThis.crypto as Crypto | undefined) ?? {};
  if (subtle === undefined) return null;
  const hash = await subtle.digest('SHA-256', await blob.arrayBuffer());
  return [...new Uint8Array(hash)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** The pictures of photos: on this device where they are, else from the server. */
export class Pictures {
  /** Pictures that were added while this page is open, until they are sent; and all where nothing is kept. */
  private readonly onPage = new Map<string, KeptPicture>();

  constructor(private readonly options: PicturesOptions) {}

  /**
   * Keeps a picture on the device, before there is a record of it.
   * @throws {NoRoomOnDevice}
   */
  async keep(picture: KeptPicture): Promise<void> {
    const local = this.options.local();
    if (local !== null) await this.keepIn(local, picture);
    // Also where it is kept: the database may be taken away under the page before the picture is sent.
    this.onPage.set(picture.sha256, picture);
  }

  /** The server has it: the page need not hold it any longer. */
  wasSent(sha256: string): void {
    if (this.options.local() !== null) this.onPage.delete(sha256);
  }

  /** Writes down again what this page holds, after the device's database was lost. */
  rewrite(local: LocalDatabase): void {
    for (const picture of this.onPage.values()) void local.keepPicture(picture).catch(() => undefined);
  }

  /** @throws {Unreachable} {ServerFull} {PictureNotTaken} {DeviceSilent} */
  async send(
    { houseId, sha256, url }: KeptUpload,
    onUrl: (url: string) => void,
    onShare: (share: number) => void,
  ): Promise<void> {
    const bytes = (await this.held(sha256))?.full ?? null;
    if (bytes === null) throw new PictureNotTaken('This device holds the picture no longer.');
    await sendPicture({ api: this.options.api, houseId, sha256, bytes, url, onUrl, onShare });
  }

  /** True where the whole picture is on this device. */
  async isWhole(sha256: string): Promise<boolean> {
    try {
      return (await this.held(sha256))?.full != null;
    } catch {
      return false;
    }
  }

  /**
   * A picture's bytes, from this device where they are here; null where no device has sent them yet.
   * @throws {Unreachable}
   */
  async bytes(houseId: string, sha256: string, size: PictureSize): Promise<Blob | null> {
    const here = await this.held(sha256).catch(() => undefined);
    const blob = here?.[size];
    return isPicture(blob) ? blob : this.fetched(houseId, sha256, size);
  }

  /** @throws {DeviceSilent} */
  private async held(sha256: string): Promise<KeptPicture | undefined> {
    const onPage = this.onPage.get(sha256);
    if (onPage !== undefined) return onPage;
    try {
      return await this.options.local()?.picture(sha256);
    } catch (error) {
      throw new DeviceSilent(error instanceof Error ? error.message : String(error));
    }
  }

  private async keepIn(local: LocalDatabase, picture: KeptPicture): Promise<void> {
    try {
      await local.keepPicture(picture);
    } catch (error) {
      if (!isOutOfRoom(error)) return;
      if ((await this.options.makeRoom()) === 0) throw new NoRoomOnDevice();
      await local.keepPicture(picture).catch((again: unknown) => {
        throw isOutOfRoom(again) ? new NoRoomOnDevice() : again;
      });
    }
  }

  /** Fetches a picture that is not here, and keeps it where there is room. */
  private async fetched(houseId: string, sha256: string, size: PictureSize): Promise<Blob | null> {
    const blob = await this.options.api.picture({ houseId, sha256 }, size);
    if (blob === null) return null;
    if (size === 'full') {
      const name = await nameOf(blob);
      if (name !== null && name !== sha256) return null;
    }
    const picture = { sha256, houseId, full: null, thumbnail: null, [size]: blob };
    await this.options
      .local()
      ?.keepPicture(picture)
      .catch(() => undefined);
    return blob;
  }
}

/** What a photo's record says of its picture. */
export function photoBody(
  picture: ReadyPicture,
  subject: PhotoSubject,
  beforeId: string | null,
): Bodies['photo'] {
  const { sha256, widthPx, heightPx, takenAt, full } = picture;
  return {
    sha256,
    widthPx,
    heightPx,
    bytes: full.size,
    takenAt,
    subject,
    caption: '',
    marks: [],
    beforeId,
  };
}

/** Uploads of pictures that this page or device holds whole. */
export async function takeUpHeld(
  pictures: Pictures,
  uploads: UploadQueue,
  wanted: readonly KeptUpload[],
  keep: (upload: KeptUpload) => void,
): Promise<void> {
  for (const upload of wanted) {
    if (!(await pictures.isWhole(upload.sha256))) continue;
    keep(upload);
    uploads.add([upload]);
  }
}
