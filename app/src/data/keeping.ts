import { Listeners } from './listeners';
import type { LocalDatabase } from './local-database';
import type { Kept } from './local-schema';

type Opening = (options: Parameters<typeof LocalDatabase.open>[0]) => Promise<LocalDatabase>;

/** Where what is entered is kept. */
export type KeptIn =
  /** Not known yet: the device's database is being opened. */
  | 'opening'
  /** On the device. */
  | 'device'
  /** In this page alone, as long as it is open. */
  | 'page'
  /** In this page alone, since a newer version of the app has taken over: it must be opened anew. */
  | 'page of an older version';

interface KeepingOptions {
  /** Null where the browser offers no database. */
  readonly open: Opening | null;
  /** The first screen does not wait longer than this. */
  readonly limitMs?: number;
  readonly rewrite: (local: LocalDatabase) => void;
  /** Called with what the device had kept, whenever that is here. */
  readonly onTakenUp: (kept: Kept) => void;
  /** The device gives no more room. */
  readonly onNoRoom: () => void;
}

const LIMIT_MS = 3000;

/** Whether this device keeps what is entered, and its database where it does. */
export class Keeping {
  /** Settles once what the device kept is here, or is not to be waited for. */
  readonly settled: Promise<void>;
  private settle: () => void = () => undefined;
  private local: LocalDatabase | null = null;
  private keptIn: KeptIn = 'opening';
  private hasMore = true;
  private isEnded = false;
  private readonly listeners = new Listeners();

  constructor(private readonly options: KeepingOptions) {
    this.settled = new Promise((resolve) => {
      this.settle = resolve;
    });
  }

  readonly subscribe = this.listeners.subscribe;

  readonly where = (): KeptIn => this.keptIn;

  /** False while what is entered cannot be kept for want of room, and lives as long as the page. */
  readonly hasRoom = (): boolean => this.hasMore;

  /** True once what this device kept is here: before that nothing is known. */
  readonly isRead = (): boolean => this.keptIn !== 'opening';

  /** The device's own database; null where there is none, or not yet. */
  readonly database = (): LocalDatabase | null => this.local;

  start(): void {
    const { limitMs = LIMIT_MS } = this.options;
    const timer = setTimeout(() => this.set('page'), limitMs);
    void this.open().finally(() => clearTimeout(timer));
  }

  close(): void {
    this.isEnded = true;
    this.local?.close();
    this.settle();
  }

  private async open(): Promise<void> {
    const { open, rewrite, onTakenUp, onNoRoom } = this.options;
    if (open === null) {
      this.set('page');
      return;
    }
    try {
      const local = await open({
        rewrite,
        onTrouble: (trouble, error) => {
          if (error !== undefined) console.error(error);
          if (trouble === null) this.set('device');
          else this.set(trouble === 'newer version' ? 'page of an older version' : 'page');
        },
        onRoom: (hasRoom) => {
          this.hasMore = hasRoom;
          this.listeners.tell();
          if (!hasRoom) onNoRoom();
        },
      });
      if (this.isEnded) {
        local.close();
        return;
      }
      const kept = await local.load();
      const isLate = this.keptIn !== 'opening';
      this.local = local;
      onTakenUp(kept);
      // What was entered before the database answered is written down now.
      if (isLate) rewrite(local);
      this.set('device');
    } catch (error) {
      console.error(error);
      const isOlder = error instanceof Error && error.name === 'VersionError';
      this.set(isOlder ? 'page of an older version' : 'page');
    }
  }

  private set(next: KeptIn): void {
    this.keptIn = next;
    this.settle();
    this.listeners.tell();
  }
}
