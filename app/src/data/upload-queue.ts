import { Unreachable } from './api';
import { Listeners } from './listeners';
import type { KeptUpload } from './local-database';

/** The server has no room for pictures. */
export class ServerFull extends Error {}

/** The server will not have this picture, however often it is sent. */
export class PictureNotTaken extends Error {}

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

interface UploadQueueOptions {
  /**
   * Sends one picture, and tells where its pieces are and how much has been sent.
   * @throws {Unreachable} {ServerFull} {PictureNotTaken}
   */
  readonly send: (
    upload: KeptUpload,
    onUrl: (url: string) => void,
    onShare: (share: number) => void,
  ) => Promise<void>;
  /** What has to be written down of an upload. */
  readonly onChange: (upload: KeptUpload) => void;
  /** The server has it. */
  readonly onSent: (upload: KeptUpload) => void;
}

const RETRY_MS = [1000, 2000, 5000, 10_000, 30_000] as const;
const FULL_RETRY_MS = 60_000;

/** Pictures on their way to the server, one after the other. Each stays until the server has it. */
export class UploadQueue {
  private state: UploadsState = { waiting: [], refused: [], phase: 'idle', share: 0 };
  private readonly listeners = new Listeners();
  private timer: ReturnType<typeof setTimeout> | null = null;
  private failures = 0;

  constructor(private readonly options: UploadQueueOptions) {}

  readonly subscribe = this.listeners.subscribe;

  readonly getState = (): UploadsState => this.state;

  /** Takes up uploads; one that waits already is not taken twice. */
  add(uploads: readonly KeptUpload[]): void {
    const known = new Set(this.state.waiting.map(({ sha256 }) => sha256));
    const fresh = uploads.filter(({ sha256 }) => !known.has(sha256));
    if (fresh.length === 0) return;
    this.set({ waiting: [...this.state.waiting, ...fresh] });
    this.schedule(0);
  }

  retryNow(): void {
    this.failures = 0;
    const again = this.state.refused.map(({ upload }) => upload);
    this.set({ refused: [] });
    this.add(again);
    if (this.state.waiting.length > 0) this.schedule(0);
  }

  private set(next: Partial<UploadsState>): void {
    this.state = { ...this.state, ...next };
    this.listeners.tell();
  }

  private schedule(milliseconds: number): void {
    if (this.state.phase === 'sending') return;
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.sendFirst(), milliseconds);
  }

  private async sendFirst(): Promise<void> {
    const [upload] = this.state.waiting;
    if (upload === undefined || this.state.phase === 'sending') return;
    this.set({ phase: 'sending', share: 0 });
    try {
      await this.options.send(
        upload,
        (url) => this.change({ ...upload, url }),
        (share) => this.set({ share }),
      );
      this.failures = 0;
      this.leave(upload, 'idle');
      this.options.onSent(upload);
      this.schedule(0);
    } catch (error) {
      this.takeFailure(upload, error);
    }
  }

  private takeFailure(upload: KeptUpload, error: unknown): void {
    if (error instanceof ServerFull) {
      this.set({ phase: 'full' });
      this.schedule(FULL_RETRY_MS);
    } else if (error instanceof PictureNotTaken) {
      this.set({ refused: [...this.state.refused, { upload, message: error.message }] });
      this.leave(upload, 'idle');
      this.schedule(0);
    } else {
      if (!(error instanceof Unreachable)) console.error(error);
      this.set({ phase: 'unreachable' });
      this.schedule(RETRY_MS[Math.min(this.failures++, RETRY_MS.length - 1)] ?? FULL_RETRY_MS);
    }
  }

  private change(next: KeptUpload): void {
    this.set({
      waiting: this.state.waiting.map((each) => (each.sha256 === next.sha256 ? next : each)),
    });
    this.options.onChange(next);
  }

  private leave({ sha256 }: KeptUpload, phase: UploadsState['phase']): void {
    this.set({ phase, waiting: this.state.waiting.filter((each) => each.sha256 !== sha256) });
  }
}
