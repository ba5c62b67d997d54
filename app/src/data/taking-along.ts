import type PQueue from 'p-queue';
import type { Copies } from './copies';
import type { LedgerCopy } from './ledger-copy';
import { Listeners } from './listeners';
import type { LocalDatabase } from './local-database';
import type { Pictures } from './pictures';
import type { Tabs } from './tabs';

/** How far a house that is taken along is here. */
export interface TakenHouse {
  readonly photos: number;
  /** Of these, how many small pictures are on the device. */
  readonly here: number;
}

const AT_ONCE = 4;
const GATHER_MS = 300;

interface TakingAlongOptions {
  readonly copies: Pick<Copies, 'all' | 'subscribe'>;
  readonly pictures: Pick<Pictures, 'bytes'>;
  readonly local: () => LocalDatabase | null;
  readonly tabs: Pick<Tabs, 'post'>;
  readonly isLeading: () => boolean;
}

function picturesOf(copy: LedgerCopy | undefined): readonly string[] {
  const found = new Set<string>();
  for (const { kind, record } of copy?.records.values() ?? []) {
    if (kind === 'photo' && record.deletedAt === null) found.add(record.sha256);
  }
  return [...found];
}

/** Houses that are brought to this device whole, before one drives to where there is no signal. */
export class TakingAlong {
  private taken: ReadonlyMap<string, TakenHouse> = new Map();
  private queue: PQueue | null = null;
  /** Small pictures that are asked for, so that none is asked for twice. */
  private readonly asked = new Set<string>();
  private timer: ReturnType<typeof setTimeout> | null = null;
  private readonly listeners = new Listeners();

  constructor(private readonly options: TakingAlongOptions) {
    options.copies.subscribe(() => this.fetchSoon());
  }

  readonly subscribe = this.listeners.subscribe;

  /** Houses that are taken along, by id. */
  readonly houses = (): ReadonlyMap<string, TakenHouse> => this.taken;

  /** Takes up what the device kept, or what another tab told. */
  takeUp(houseIds: readonly string[]): void {
    this.taken = new Map(houseIds.map((id) => [id, this.taken.get(id) ?? this.begin(id)]));
    this.listeners.tell();
    this.fetchSoon();
  }

  take(houseId: string): void {
    this.options.local()?.keepTaken(houseId, true);
    this.taken = new Map(this.taken).set(houseId, this.begin(houseId));
    this.told();
    this.fetchSoon();
  }

  /** Takes a house along no longer. What is here stays until the room is wanted. */
  leave(houseId: string): void {
    this.options.local()?.keepTaken(houseId, false);
    this.taken = new Map([...this.taken].filter(([id]) => id !== houseId));
    this.told();
  }

  /** Writes it down again, after the device's database was lost. */
  rewrite(local: LocalDatabase): void {
    for (const houseId of this.taken.keys()) local.keepTaken(houseId, true);
  }

  /** There may be something new to fetch, or a signal to fetch it with. */
  fetchSoon(): void {
    if (this.taken.size === 0 || this.timer !== null) return;
    this.timer = setTimeout(() => {
      this.timer = null;
      if (this.options.isLeading()) for (const houseId of this.taken.keys()) void this.fetch(houseId);
    }, GATHER_MS);
  }

  close(): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.queue?.clear();
  }

  private begin(houseId: string): TakenHouse {
    return { photos: picturesOf(this.options.copies.all().get(houseId)).length, here: 0 };
  }

  private told(): void {
    this.listeners.tell();
    this.options.tabs.post({ kind: 'taken', houseIds: [...this.taken.keys()] });
  }

  private count(houseId: string, photos: number, here: number): void {
    const before = this.taken.get(houseId);
    if (before === undefined || (before.photos === photos && before.here === here)) return;
    this.taken = new Map(this.taken).set(houseId, { photos, here });
    this.listeners.tell();
  }

  /** What fetches several at once comes with the first house that is taken along. */
  private async queued(): Promise<PQueue> {
    const { default: Queue } = await import('p-queue');
    this.queue ??= new Queue({ concurrency: AT_ONCE });
    return this.queue;
  }

  private async missing(sha256s: readonly string[]): Promise<readonly string[]> {
    return (await this.options.local()?.withoutThumbnail(sha256s)) ?? [];
  }

  private async fetch(houseId: string): Promise<void> {
    const all = picturesOf(this.options.copies.all().get(houseId));
    const missing = await this.missing(all).catch(() => all);
    this.count(houseId, all.length, all.length - missing.length);
    if (missing.length === 0) return;
    // Without a signal it may not be here yet: it goes on when there is one.
    const queue = await this.queued().catch(() => null);
    if (queue === null) return;
    for (const sha256 of missing.filter((each) => !this.asked.has(each))) {
      this.asked.add(sha256);
      void queue.add(() => this.fetchOne(houseId, sha256));
    }
  }

  private async fetchOne(houseId: string, sha256: string): Promise<void> {
    try {
      if (!this.taken.has(houseId)) return;
      const isHere = (await this.options.pictures.bytes(houseId, sha256, 'thumbnail')) !== null;
      const counted = this.taken.get(houseId);
      if (isHere && counted !== undefined) this.count(houseId, counted.photos, counted.here + 1);
    } catch {
      // Without a signal: it goes on when there is one.
    } finally {
      this.asked.delete(sha256);
    }
  }
}
