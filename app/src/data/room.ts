import { CONFIRM_MAX } from '@calvet/contract/changes/change';
import type { Api } from './api';
import type { Copies } from './copies';
import type { LocalDatabase } from './local-database';
import type { Outbox } from './outbox';
import { waitingIn } from './outbox-rules';
import type { TakingAlong } from './taking-along';
import type { UploadQueue } from './upload-queue';

interface RoomOptions {
  readonly api: Pick<Api, 'confirmPictures'>;
  readonly local: () => LocalDatabase | null;
  readonly copies: Pick<Copies, 'replace'>;
  readonly outbox: Pick<Outbox, 'getState'>;
  readonly uploads: Pick<UploadQueue, 'getState'>;
  readonly taking: Pick<TakingAlong, 'leave'>;
  readonly refreshLedger: (houseId: string) => Promise<void>;
}

/** Room on the device: what is let go of is what the server has just read, hashed and confirmed, and nothing else. */
export class Room {
  constructor(private readonly options: RoomOptions) {}

  /** Lets go of whole pictures, of which small ones stay; gives back how many. */
  make(): Promise<number> {
    return this.freePictures(null, true).catch(() => 0);
  }

  /** True where something of a house is on this device alone. */
  readonly holdsUnsent = (houseId: string): boolean => {
    const { outbox, uploads } = this.options;
    const { waiting, refused } = uploads.getState();
    const sending = [...waiting, ...refused.map(({ upload }) => upload)];
    return (
      waitingIn(outbox.getState(), houseId).length > 0 || sending.some((upload) => upload.houseId === houseId)
    );
  };

  /**
   * Lets go of everything of a house that the server has just confirmed. What was not sent stays.
   * @throws {Unreachable} nothing is let go on anybody else's word
   */
  readonly freeHouse = async (houseId: string): Promise<void> => {
    const { copies, taking, refreshLedger } = this.options;
    taking.leave(houseId);
    await this.freePictures(houseId, false);
    if (this.holdsUnsent(houseId)) return;
    await refreshLedger(houseId);
    copies.replace(houseId, null);
  };

  /** Of a house's pictures, or of all. */
  private async freePictures(houseId: string | null, keepsSmall: boolean): Promise<number> {
    const database = this.options.local();
    if (database === null) return 0;
    const sent = await database.sentPictures(houseId);
    let freed = 0;
    for (const ofHouse of new Set(sent.map((picture) => picture.houseId))) {
      const names = sent.filter((picture) => picture.houseId === ofHouse).map(({ sha256 }) => sha256);
      for (let i = 0; i < names.length; i += CONFIRM_MAX) {
        const asked = names.slice(i, i + CONFIRM_MAX);
        const confirmed = await this.options.api.confirmPictures(ofHouse, asked);
        await database.dropPictures(confirmed, keepsSmall);
        freed += confirmed.length;
      }
    }
    return freed;
  }
}
