import type { KindedRecord } from '@calvet/contract/kinds';
import { openDB, unwrap, type IDBPTransaction } from 'idb';
import { v7 } from 'uuid';
import type { ToldHouses } from './house-summaries';
import {
  entriesIn,
  inSendingOrder,
  unsentIn,
  presentRecord,
  STORES,
  UPGRADES,
  type Database,
  type Kept,
  type KeptChange,
  type KeptCopy,
  type KeptEntry,
  type KeptPicture,
  type KeptUpload,
  type KeptWaiting,
  type LocalSchema,
  type PictureOfHouse,
  type PicturesHeld,
  type Store,
} from './local-schema';
import type { Entry } from './outbox-rules';

const LOCAL_DATABASE = 'calvet';

/** How far a ledger's records go, and from where on they are told. */
interface CopyWritten extends KeptCopy {
  readonly since?: number;
}

type Transaction = IDBPTransaction<LocalSchema, Store[], 'readwrite'>;
interface Writing {
  readonly write: (tx: Transaction) => void | Promise<void>;
  /** Nothing but what the server told and tells again: it need not be on the disk before the next is written. */
  readonly isTold: boolean;
}

/** Why nothing is kept, if nothing is. */
export type KeepingTrouble = 'closed' | 'newer version' | 'failed';

interface LocalDatabaseOptions {
  /** Writes down again all that the page knows, after the database was closed or deleted under it. */
  readonly rewrite: (local: LocalDatabase) => void;
  /** Whether what is asked for is kept. It is tried again by itself, but where a newer version has taken over. */
  readonly onTrouble: (trouble: KeepingTrouble | null, error?: unknown) => void;
  /** The device has run out of room, or has it again. What could not be kept is tried again meanwhile. */
  readonly onRoom?: (hasRoom: boolean) => void;
  readonly name?: string;
}

const AGAIN_MS = 10_000;
const REOPEN_MS = 1000;

const isNamed = (error: unknown, name: string): boolean =>
  (error as { readonly name?: unknown } | null)?.name === name;

/** True where a browser says that it gives no more room. */
export function isOutOfRoom(error: unknown): boolean {
  return error instanceof DOMException && error.name === 'QuotaExceededError';
}

/** True where a connection is of no use any more: the database was closed or deleted under it. */
const isClosedConnection = (error: unknown): boolean =>
  isNamed(error, 'InvalidStateError') || isNamed(error, 'AbortError') || isNamed(error, 'NotFoundError');

/**
 * The device's own database. Writes that are asked for in one go are made in one transaction, so that a record and what
 * waits for it are never kept by halves. Where the database is closed or deleted under it, it is opened again and all that
 * the page knows is written anew.
 */
export class LocalDatabase {
  private gathered: Writing[] = [];
  /** Asked for, and not written for want of room. */
  private unwritten: readonly Writing[] = [];
  /** Asked for while the connection was gone. */
  private readonly missed: Writing[] = [];
  private last: Promise<void> = Promise.resolve();
  private again: ReturnType<typeof setTimeout> | null = null;
  private isEnded = false;
  /** By ledger, who this tab knows to have written its copy last. */
  private readonly lastWriters = new Map<string, string | undefined>();
  /** Ledgers of which other tabs may have written records that this one does not know. */
  private readonly shared = new Set<string>();
  /** Pending while the connection is gone; null while there is one. */
  private reopening: Promise<void> | null = null;

  private constructor(
    private db: Database,
    private readonly options: LocalDatabaseOptions,
  ) {}

  /** @throws where the browser offers no database, as in some private windows */
  static async open(options: LocalDatabaseOptions): Promise<LocalDatabase> {
    const local = new LocalDatabase(null as unknown as Database, options);
    local.db = await local.connect();
    return local;
  }

  private connect(): Promise<Database> {
    return openDB<LocalSchema>(this.options.name ?? LOCAL_DATABASE, UPGRADES.length, {
      upgrade: (database, from, _to, tx) => UPGRADES.slice(from).forEach((step) => step(database, tx)),
      // Another tab wants to delete the database, or to bring it to a newer version: what was asked for is written first.
      blocking: (_from, _to, event) => {
        void this.settled().then(() => {
          (event.target as IDBDatabase).close();
          this.lost();
        });
      },
      terminated: () => this.lost(),
    });
  }

  /** The connection is gone: another one is opened, and everything is written into it. */
  private lost(): void {
    if (this.reopening !== null || this.isEnded) return;
    this.options.onTrouble('closed');
    this.reopening = this.reopen();
    this.reopening.catch(() => undefined);
  }

  /** @throws where a newer version of the app has taken the database over */
  private async reopen(): Promise<void> {
    while (!this.isEnded) {
      try {
        this.db = await this.connect();
        this.reopening = null;
        // What was struck out meanwhile, before what the page knows now.
        this.missed.splice(0).forEach(({ write, isTold }) => this.gather(write, isTold));
        this.options.rewrite(this);
        await this.settled();
        if (this.isKeeping()) this.options.onTrouble(null);
        return;
      } catch (error) {
        if (isNamed(error, 'VersionError')) {
          this.options.onTrouble('newer version');
          throw error;
        }
        await new Promise((resolve) => setTimeout(resolve, REOPEN_MS));
      }
    }
  }

  private isKeeping(): boolean {
    return this.reopening === null && !this.isEnded;
  }

  async load(): Promise<Kept> {
    const tx = this.db.transaction(STORES);
    const [copies, records, outbox, entries, list, uploads, taken] = await Promise.all([
      tx.objectStore('copies').getAll(),
      tx.objectStore('records').getAll(),
      tx.objectStore('outbox').getAll(),
      entriesIn(tx.objectStore('entries')),
      tx.objectStore('lists').get('houses'),
      tx.objectStore('uploads').getAll(),
      tx.objectStore('taken').getAllKeys(),
    ]);
    copies.forEach(({ ledgerId, writer }) => this.lastWriters.set(ledgerId, writer));
    return {
      copies,
      records: records.map((record) => ({ ...record, item: presentRecord(record.item) })),
      outbox: inSendingOrder(outbox),
      entries,
      houses: list === undefined ? null : { houses: list.houses, summaries: list.summaries ?? {} },
      uploads,
      taken,
    };
  }

  /** What waits to be sent, as all tabs have written it. */
  async loadWaiting(): Promise<KeptWaiting> {
    const tx = this.db.transaction(['outbox', 'entries']);
    const [outbox, entries] = await Promise.all([
      tx.objectStore('outbox').getAll(),
      entriesIn(tx.objectStore('entries')),
    ]);
    return { outbox: inSendingOrder(outbox), entries };
  }

  async loadEntries(): Promise<readonly KeptEntry[]> {
    return entriesIn(this.db.transaction('entries').store);
  }

  async loadUploads(): Promise<readonly KeptUpload[]> {
    return this.db.getAll('uploads');
  }

  /**
   * Keeps newer records of a ledger: all that changed after `since`, up to `upTo`. What another tab has written meanwhile and
   * is newer still, stays; where what came before `since` is not here, the ledger is told no further than it was.
   */
  keepCopy({ ledgerId, upTo, since = 0 }: CopyWritten, items: readonly KindedRecord[]): void {
    this.gather(async (tx) => {
      const copies = tx.objectStore('copies');
      const records = tx.objectStore('records');
      const known = await copies.get(ledgerId);
      // Once another tab wrote between, this one does not know any more what is there.
      if (
        known !== undefined &&
        (known.writer === undefined || known.writer !== this.lastWriters.get(ledgerId))
      )
        this.shared.add(ledgerId);
      const isAlone = !this.shared.has(ledgerId);
      const before = known?.upTo ?? 0;
      const writer = v7();
      this.lastWriters.set(ledgerId, writer);
      void copies.put({ ledgerId, upTo: before >= since ? Math.max(upTo, before) : before, writer });
      const kept = isAlone
        ? []
        : await Promise.all(items.map(({ record }) => records.get([ledgerId, record.id])));
      const written = unwrap(records);
      items.forEach((item, i) => {
        const before = kept[i];
        if (before !== undefined && before.item.record.revision > item.record.revision) return;
        written.put({ ledgerId, id: item.record.id, item });
      });
    }, true);
  }

  keepChanges(changes: readonly KeptChange[], gone: readonly string[]): void {
    this.gather((tx) => {
      // Many at once, without a promise for each: what fails ends the transaction.
      const outbox = unwrap(tx.objectStore('outbox'));
      for (const change of changes) outbox.put(change);
      for (const changeId of gone) outbox.delete(changeId);
    });
  }

  /** All that waits, in place of whatever was written of it. */
  rewriteChanges(changes: readonly KeptChange[]): void {
    this.gather((tx) => {
      void tx.objectStore('outbox').clear();
      for (const change of changes) void tx.objectStore('outbox').put(change);
    });
  }

  /** Keeps what was entered in a tab that does not send; `onKept` is called once it is kept, however often that is tried. */
  keepEntries(entries: readonly Entry[], onKept: () => void): void {
    this.gather((tx) => {
      for (const entry of entries) void tx.objectStore('entries').add({ entry });
      void tx.done.then(onKept, () => undefined);
    });
  }

  dropEntries(orders: readonly number[]): void {
    this.gather((tx) => {
      for (const order of orders) void tx.objectStore('entries').delete(order);
    });
  }

  keepHouses(told: ToldHouses): void {
    this.gather((tx) => void tx.objectStore('lists').put({ name: 'houses', ...told }), true);
  }

  keepUploads(uploads: readonly KeptUpload[]): void {
    this.gather((tx) => {
      for (const upload of uploads) void tx.objectStore('uploads').put(upload);
    });
  }

  dropUpload({ houseId, sha256 }: PictureOfHouse): void {
    this.gather((tx) => void tx.objectStore('uploads').delete([houseId, sha256]));
  }

  keepTaken(houseId: string, isTaken: boolean): void {
    this.gather((tx) => {
      if (isTaken) void tx.objectStore('taken').put({ houseId });
      else void tx.objectStore('taken').delete(houseId);
    });
  }

  /** Forgets a ledger's records and how far they go. */
  dropCopy(ledgerId: string): void {
    this.gather((tx) => {
      void tx.objectStore('copies').delete(ledgerId);
      void tx.objectStore('records').delete(IDBKeyRange.bound([ledgerId], [ledgerId, []]));
    });
  }

  /**
   * A picture that is kept here; undefined where there is none.
   * @throws where the database does not answer: the picture may be there all the same
   */
  picture(sha256: string): Promise<KeptPicture | undefined> {
    return this.asked((db) => db.get('pictures', sha256));
  }

  /**
   * Keeps a picture, or what is new of one.
   * @throws where there is no room for it
   */
  async keepPicture(picture: KeptPicture): Promise<void> {
    await this.asked(async (db) => {
      const tx = db.transaction('pictures', 'readwrite', { durability: 'strict' });
      const known = await tx.store.get(picture.sha256);
      const { full, thumbnail } = picture;
      await tx.store.put({
        ...picture,
        full: full ?? known?.full ?? null,
        thumbnail: thumbnail ?? known?.thumbnail ?? null,
      });
      await tx.done;
    });
  }

  /** Of these pictures, those whose small ones are not here. */
  withoutThumbnail(sha256s: readonly string[]): Promise<readonly string[]> {
    return this.asked(async (db) => {
      const tx = db.transaction('pictures');
      const found = await Promise.all(sha256s.map((sha256) => tx.store.get(sha256)));
      return sha256s.filter((_, i) => !isPicture(found[i]?.thumbnail));
    });
  }

  /** What pictures take up here, house by house. */
  async picturesHeld(): Promise<ReadonlyMap<string, PicturesHeld>> {
    const held = new Map<string, PicturesHeld>();
    for (const { houseId, full, thumbnail } of await this.asked((db) => db.getAll('pictures'))) {
      const { pictures, bytes } = held.get(houseId) ?? { pictures: 0, bytes: 0 };
      held.set(houseId, {
        pictures: pictures + 1,
        bytes: bytes + (full?.size ?? 0) + (thumbnail?.size ?? 0),
      });
    }
    return held;
  }

  /** Names of the whole pictures that are here, of one house or of all, without those that wait to be sent. */
  sentPictures(houseId: string | null): Promise<readonly PictureOfHouse[]> {
    return this.asked(async (db) => {
      const tx = db.transaction(['pictures', 'uploads']);
      const unsent = await unsentIn(tx.objectStore('uploads'));
      const pictures = tx.objectStore('pictures');
      const found = await (houseId === null ? pictures.getAll() : pictures.index('house').getAll(houseId));
      return found.filter(({ sha256 }) => !unsent.has(sha256));
    });
  }

  /**
   * Lets go of pictures that the server has just confirmed: all of each, or the whole ones with the small ones left. What
   * waits to be sent stays in any case.
   */
  async dropPictures(sha256s: readonly string[], keepsSmall: boolean): Promise<void> {
    await this.asked(async (db) => {
      const tx = db.transaction(['pictures', 'uploads'], 'readwrite');
      const unsent = await unsentIn(tx.objectStore('uploads'));
      const pictures = tx.objectStore('pictures');
      for (const sha256 of sha256s) {
        if (unsent.has(sha256)) continue;
        const picture = keepsSmall ? await pictures.get(sha256) : undefined;
        if (picture === undefined || picture.thumbnail === null) void pictures.delete(sha256);
        else void pictures.put({ ...picture, full: null });
      }
      await tx.done;
    });
    this.tryAgain();
  }

  /** Settles once everything asked for so far is kept, or has failed and was reported. */
  async settled(): Promise<void> {
    await Promise.resolve();
    await this.last;
  }

  close(): void {
    this.isEnded = true;
    if (this.again !== null) clearTimeout(this.again);
    this.db.close();
  }

  /** Asks for something, once more where the connection turns out to be gone. */
  private async asked<T>(ask: (db: Database) => Promise<T>): Promise<T> {
    try {
      return await ask(this.db);
    } catch (error) {
      if (!isClosedConnection(error) || this.isEnded) throw error;
      this.lost();
      await this.reopening;
      return ask(this.db);
    }
  }

  private gather(write: Writing['write'], isTold = false): void {
    this.gathered.push({ write, isTold });
    if (this.gathered.length === 1) queueMicrotask(() => this.write());
  }

  private write(): void {
    const writings = this.gathered;
    this.gathered = [];
    this.last = this.last.then(() => this.commit(writings));
  }

  private async commit(writings: readonly Writing[]): Promise<void> {
    if (!this.isKeeping()) {
      this.missed.push(...writings);
      return;
    }
    const before = this.unwritten;
    const all = [...before, ...writings];
    try {
      await this.commitOnce(all);
      this.unwritten = [];
      if (before.length > 0) this.options.onRoom?.(true);
    } catch (error) {
      this.meet(error, all);
    }
  }

  private meet(error: unknown, all: readonly Writing[]): void {
    if (isOutOfRoom(error)) {
      this.unwritten = all;
      this.options.onRoom?.(false);
      this.again ??= setTimeout(() => {
        this.again = null;
        this.tryAgain();
      }, AGAIN_MS);
    } else if (isClosedConnection(error)) this.lost();
    else this.options.onTrouble('failed', error);
  }

  private async commitOnce(writings: readonly Writing[]): Promise<void> {
    const durability = writings.every(({ isTold }) => isTold) ? 'relaxed' : 'strict';
    const tx = this.db.transaction(STORES, 'readwrite', { durability });
    // Asked for in order; where one reads first, those after it wait for that.
    tx.done.catch(() => undefined);
    for (const { write } of writings) {
      const reading = write(tx);
      if (reading !== undefined) await reading;
    }
    // Nothing more is asked for: it need not wait for this page, which may be closed.
    tx.commit();
    await tx.done;
  }

  private tryAgain(): void {
    if (this.unwritten.length > 0) this.gather(() => undefined);
  }
}

/** What a portal once answered in place of a picture is none. */
export const isPicture = (blob: Blob | null | undefined): blob is Blob =>
  blob != null && blob.type.startsWith('image/');
