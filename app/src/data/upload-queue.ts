import { Unreachable } from './api';
import { NextCall, type Clock } from './clock';
import { Listeners } from './listeners';
import type { KeptUpload, PictureOfHouse } from './local-schema';
import type { Reachability } from './reachability';

/** The server has no room for pictures. */
export class ServerFull extends Error {}

/** The server will not have this picture, however often it is sent. */
export class PictureNotTaken extends Error {}

/** The device's own database does not answer: the picture may be in it all the same. */
export class DeviceSilent extends Error {}

export interface RefusedUpload {
  readonly upload: KeptUpload;
  readonly message: string;
}

export interface UploadsState {
  /** In the order of sending; the first is on its way while the phase says so. */
  readonly waiting: readonly KeptUpload[];
  readonly refused: readonly RefusedUpload[];
  readonly phase: 'idle' | 'sending' | 'unreachable' | 'full';
  /** How much of the first has been sent, 0…1. */
  readonly share: number;
}

export const NO_UPLOADS: UploadsState = { waiting: [], refused: [], phase: 'idle', share: 0 };

interface UploadQueueOptions {
  /**
   * Sends one picture, and tells where its pieces are and how much has been sent.
   * @throws {Unreachable} {ServerFull} {PictureNotTaken} {DeviceSilent}
   */
  readonly send: (
    upload: KeptUpload,
    onUrl: (url: string) => void,
    onShare: (share: number) => void,
  ) => Promise<void>;
  readonly clock: Clock;
  readonly reachability: Reachability;
  /** False while another tab sends. */
  readonly isLeading: () => boolean;
  /** What has to be written down of an upload. */
  readonly onChange: (upload: KeptUpload) => void;
  /** The server has it, or it is wanted no longer. */
  readonly onGone: (upload: KeptUpload) => void;
  /** What the other tabs are told. */
  readonly onState: (state: UploadsState) => void;
}

const FULL_RETRY_MS = 60_000;
const SILENT_RETRY_MS = 2000;

/** True for the same picture of the same house. */
const isOf =
  ({ houseId, sha256 }: PictureOfHouse) =>
  (other: PictureOfHouse): boolean =>
    other.houseId === houseId && other.sha256 === sha256;

/** Pictures on their way to the server, one after the other. Each stays until the server has it. */
export class UploadQueue {
  private state: UploadsState = NO_UPLOADS;
  private isSending = false;
  private turn = 0;
  private readonly next: NextCall;
  private readonly listeners = new Listeners();

  constructor(private readonly options: UploadQueueOptions) {
    this.next = new NextCall(options.clock, () => void this.sendFirst());
    options.reachability.subscribe(() => {
      if (!options.reachability.isDown() && this.state.waiting.length > 0) this.next.within(0);
    });
  }

  readonly subscribe = this.listeners.subscribe;

  readonly getState = (): UploadsState => this.state;

  /** True while a picture is on its way, to whichever house. */
  holds(sha256: string): boolean {
    return this.state.waiting.some((upload) => upload.sha256 === sha256);
  }

  /** Takes up uploads; one that waits already is not taken twice. */
  add(uploads: readonly KeptUpload[]): void {
    const { waiting } = this.state;
    const fresh = uploads.filter((upload) => !waiting.some(isOf(upload)));
    if (fresh.length > 0) this.set({ waiting: [...waiting, ...fresh] });
    if (this.state.waiting.length > 0) this.next.within(0);
  }

  /** Sends again what was refused, and goes on with the rest. */
  retryNow(): void {
    const again = this.state.refused.map(({ upload }) => upload);
    this.set({ refused: [] });
    this.add(again);
  }

  /** A picture that was refused, or that nobody wants, is let go. */
  letGo(picture: PictureOfHouse): void {
    const isIt = isOf(picture);
    const { waiting, refused } = this.state;
    const found = [...waiting, ...refused.map(({ upload }) => upload)].find(isIt);
    this.set({
      waiting: waiting.filter((each) => !isIt(each)),
      refused: refused.filter(({ upload }) => !isIt(upload)),
    });
    if (found !== undefined) this.options.onGone(found);
  }

  /** Another tab sends, and told how far it is. */
  hear(state: UploadsState): void {
    if (this.options.isLeading()) return;
    this.state = state;
    this.listeners.tell();
  }

  /** Another tab sends from now on. */
  rest(): void {
    this.turn++;
    this.isSending = false;
    this.next.cancel();
  }

  private set(next: Partial<UploadsState>): void {
    this.state = { ...this.state, ...next };
    this.listeners.tell();
    if (this.options.isLeading()) this.options.onState(this.state);
  }

  private async sendFirst(): Promise<void> {
    const { reachability, isLeading, send, onGone } = this.options;
    const [upload] = this.state.waiting;
    if (upload === undefined || this.isSending || !isLeading()) return;
    const wait = reachability.waitMs();
    if (wait > 0) {
      this.next.within(wait);
      return;
    }
    const turn = ++this.turn;
    const isMine = () => this.turn === turn && isLeading();
    this.isSending = true;
    this.set({ phase: 'sending', share: 0 });
    try {
      await send(
        upload,
        (url) => {
          if (isMine()) this.change({ ...upload, url });
        },
        (share) => {
          if (isMine()) this.set({ share });
        },
      );
      if (!isMine()) return;
      reachability.worked();
      this.leave(upload, 'idle');
      onGone(upload);
    } catch (error) {
      if (!isMine()) return;
      this.isSending = false;
      this.takeFailure(upload, error);
      return;
    }
    this.isSending = false;
    this.next.within(0);
  }

  private takeFailure(upload: KeptUpload, error: unknown): void {
    if (error instanceof ServerFull) {
      this.set({ phase: 'full' });
      this.next.within(FULL_RETRY_MS);
    } else if (error instanceof PictureNotTaken) {
      this.set({ refused: [...this.state.refused, { upload, message: error.message }] });
      this.leave(upload, 'idle');
      this.next.within(0);
    } else if (error instanceof DeviceSilent) {
      this.set({ phase: 'idle' });
      this.next.within(SILENT_RETRY_MS);
    } else {
      if (!(error instanceof Unreachable)) console.error(error);
      this.options.reachability.failed(error instanceof Unreachable ? error.retryAfterMs : null);
      this.set({ phase: 'unreachable' });
      this.next.within(this.options.reachability.waitMs());
    }
  }

  private change(next: KeptUpload): void {
    this.set({
      waiting: this.state.waiting.map((each) => (isOf(next)(each) ? next : each)),
    });
    this.options.onChange(next);
  }

  private leave(upload: KeptUpload, phase: UploadsState['phase']): void {
    const isIt = isOf(upload);
    this.set({ phase, waiting: this.state.waiting.filter((each) => !isIt(each)) });
  }
}
