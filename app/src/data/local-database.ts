import type { House, KindedRecord } from '@calvet/contract';
import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction, type StoreNames } from 'idb';
import type { Pending, Troubled } from './outbox';

/** How far a house's records on this device go. */
interface KeptCopy {
  readonly houseId: string;
  readonly upTo: number;
}

interface KeptRecord {
  readonly houseId: string;
  readonly id: string;
  readonly item: KindedRecord;
}

/** A change that waits, with its place in the order of sending. */
export interface KeptChange {
  readonly changeId: string;
  readonly order: number;
  readonly waiting: Pending | Troubled;
}

/** A picture on this device: whole, small, or both. */
export interface KeptPicture {
  readonly sha256: string;
  readonly houseId: string;
  readonly full: Blob | null;
  readonly thumbnail: Blob | null;
}

/** A picture that the server does not have yet. */
export interface KeptUpload {
  readonly sha256: string;
  readonly houseId: string;
  /** Where the pieces that have arrived are; null where none was sent. */
  readonly url: string | null;
}

interface KeptList {
  readonly name: 'houses';
  readonly houses: readonly House[];
}

interface LocalSchema extends DBSchema {
  copies: { key: string; value: KeptCopy };
  records: { key: [string, string]; value: KeptRecord };
  outbox: { key: string; value: KeptChange };
  lists: { key: string; value: KeptList };
  pictures: { key: string; value: KeptPicture; indexes: { house: string } };
  uploads: { key: string; value: KeptUpload };
  taken: { key: string; value: { readonly houseId: string } };
}

type Store = StoreNames<LocalSchema>;
type Upgrade = (
  db: IDBPDatabase<LocalSchema>,
  tx: IDBPTransaction<LocalSchema, Store[], 'versionchange'>,
) => void;

/** One step a version; a device that comes from an older one takes all that follow, with what it holds. */
const UPGRADES: readonly Upgrade[] = [
  (db) => {
    db.createObjectStore('copies', { keyPath: 'houseId' });
    db.createObjectStore('records', { keyPath: ['houseId', 'id'] });
    db.createObjectStore('outbox', { keyPath: 'changeId' });
    db.createObjectStore('lists', { keyPath: 'name' });
  },
  (db) => {
    db.createObjectStore('pictures', { keyPath: 'sha256' }).createIndex('house', 'houseId');
    db.createObjectStore('uploads', { keyPath: 'sha256' });
    db.createObjectStore('taken', { keyPath: 'houseId' });
  },
];

const STORES: Store[] = ['copies', 'records', 'outbox', 'lists', 'pictures', 'uploads', 'taken'];
const LOCAL_DATABASE = 'calvet';

/** Everything that a device kept. */
export interface Kept {
  readonly copies: readonly KeptCopy[];
  readonly records: readonly KeptRecord[];
  readonly outbox: readonly KeptChange[];
  readonly houses: readonly House[] | null;
  readonly uploads: readonly KeptUpload[];
  /** Ids of the houses that are taken along. */
  readonly taken: readonly string[];
}

/** What pictures of a house take up here. */
export interface PicturesHeld {
  readonly pictures: number;
  readonly bytes: number;
}

type DroppedPictures = { readonly houseId: string } | 'whole ones';
type Writing = (tx: IDBPTransaction<LocalSchema, Store[], 'readwrite'>) => void;

interface LocalDatabaseOptions {
  /** Something asked for was not kept, and never will be. */
  readonly onFailure: (error: unknown) => void;
  /** The device has run out of room, or has it again. What could not be kept is tried again meanwhile. */
  readonly onRoom?: (hasRoom: boolean) => void;
  readonly name?: string;
}

const AGAIN_MS = 10_000;

/** True where a browser says that it gives no more room. */
export function isOutOfRoom(error: unknown): boolean {
  return error instanceof DOMException && error.name === 'QuotaExceededError';
}

/**
 * The device's own database. Writes that are asked for in one go are made in one transaction, so that a record and what
 * waits for it are never kept by halves.
 */
export class LocalDatabase {
  private gathered: Writing[] = [];
  /** Asked for, and not written for want of room. */
  private unwritten: readonly Writing[] = [];
  private last: Promise<void> = Promise.resolve();

  private constructor(
    private readonly db: IDBPDatabase<LocalSchema>,
    private readonly options: LocalDatabaseOptions,
  ) {}

  /** @throws where the browser offers no database, as in some private windows */
  static async open(options: LocalDatabaseOptions): Promise<LocalDatabase> {
    const db = await openDB<LocalSchema>(options.name ?? LOCAL_DATABASE, UPGRADES.length, {
      upgrade: (database, from, _to, tx) => UPGRADES.slice(from).forEach((step) => step(database, tx)),
      // Another tab wants to bring the database to a newer version.
      blocking: () => db.close(),
    });
    return new LocalDatabase(db, options);
  }

  async load(): Promise<Kept> {
    const tx = this.db.transaction(STORES);
    const [copies, records, outbox, list, uploads, taken] = await Promise.all([
      tx.objectStore('copies').getAll(),
      tx.objectStore('records').getAll(),
      tx.objectStore('outbox').getAll(),
      tx.objectStore('lists').get('houses'),
      tx.objectStore('uploads').getAll(),
      tx.objectStore('taken').getAllKeys(),
    ]);
    return {
      copies,
      records,
      outbox: outbox.sort((a, b) => a.order - b.order),
      houses: list?.houses ?? null,
      uploads,
      taken,
    };
  }

  keepCopy(copy: KeptCopy, items: readonly KindedRecord[]): void {
    this.gather((tx) => {
      void tx.objectStore('copies').put(copy);
      for (const item of items) {
        void tx.objectStore('records').put({ houseId: copy.houseId, id: item.record.id, item });
      }
    });
  }

  keepChanges(changes: readonly KeptChange[], gone: readonly string[]): void {
    this.gather((tx) => {
      for (const change of changes) void tx.objectStore('outbox').put(change);
      for (const changeId of gone) void tx.objectStore('outbox').delete(changeId);
    });
  }

  keepHouses(houses: readonly House[]): void {
    this.gather((tx) => void tx.objectStore('lists').put({ name: 'houses', houses }));
  }

  keepUploads(uploads: readonly KeptUpload[]): void {
    this.gather((tx) => {
      for (const upload of uploads) void tx.objectStore('uploads').put(upload);
    });
  }

  dropUpload(sha256: string): void {
    this.gather((tx) => void tx.objectStore('uploads').delete(sha256));
  }

  keepTaken(houseId: string, isTaken: boolean): void {
    this.gather((tx) => {
      if (isTaken) void tx.objectStore('taken').put({ houseId });
      else void tx.objectStore('taken').delete(houseId);
    });
  }

  /** Forgets a house's records and how far they go. */
  dropCopy(houseId: string): void {
    this.gather((tx) => {
      void tx.objectStore('copies').delete(houseId);
      void tx.objectStore('records').delete(IDBKeyRange.bound([houseId], [houseId, []]));
    });
  }

  picture(sha256: string): Promise<KeptPicture | undefined> {
    return this.db.get('pictures', sha256);
  }

  /**
   * Keeps a picture, or what is new of one.
   * @throws where there is no room for it
   */
  async keepPicture(picture: KeptPicture): Promise<void> {
    const tx = this.db.transaction('pictures', 'readwrite', { durability: 'strict' });
    const known = await tx.store.get(picture.sha256);
    const { full, thumbnail } = picture;
    await tx.store.put({
      ...picture,
      full: full ?? known?.full ?? null,
      thumbnail: thumbnail ?? known?.thumbnail ?? null,
    });
    await tx.done;
  }

  /** Of these pictures, those whose small ones are not here. */
  async withoutThumbnail(sha256s: readonly string[]): Promise<readonly string[]> {
    const tx = this.db.transaction('pictures');
    const found = await Promise.all(sha256s.map((sha256) => tx.store.get(sha256)));
    return sha256s.filter((_, i) => found[i]?.thumbnail == null);
  }

  /** What pictures take up here, house by house. */
  async picturesHeld(): Promise<ReadonlyMap<string, PicturesHeld>> {
    const held = new Map<string, PicturesHeld>();
    for (const { houseId, full, thumbnail } of await this.db.getAll('pictures')) {
      const { pictures, bytes } = held.get(houseId) ?? { pictures: 0, bytes: 0 };
      held.set(houseId, {
        pictures: pictures + 1,
        bytes: bytes + (full?.size ?? 0) + (thumbnail?.size ?? 0),
      });
    }
    return held;
  }

  /**
   * Lets go of pictures that the server has: all of a house's, or of every house's the whole ones, with the small ones
   * left. What was not sent yet stays in any case.
   */
  async dropPictures(of: DroppedPictures): Promise<void> {
    await this.letGo(of);
    this.tryAgain();
  }

  private async letGo(of: DroppedPictures): Promise<void> {
    const tx = this.db.transaction(['pictures', 'uploads'], 'readwrite');
    const unsent = new Set(await tx.objectStore('uploads').getAllKeys());
    const pictures = tx.objectStore('pictures');
    const found =
      of === 'whole ones' ? await pictures.getAll() : await pictures.index('house').getAll(of.houseId);
    for (const picture of found.filter(({ sha256 }) => !unsent.has(sha256))) {
      if (of !== 'whole ones' || picture.thumbnail === null) void pictures.delete(picture.sha256);
      else void pictures.put({ ...picture, full: null });
    }
    await tx.done;
  }

  /** Settles once everything asked for so far is kept, or has failed and was reported. */
  async settled(): Promise<void> {
    await Promise.resolve();
    await this.last;
  }

  close(): void {
    this.db.close();
  }

  private gather(writing: Writing): void {
    this.gathered.push(writing);
    if (this.gathered.length === 1) queueMicrotask(() => this.write());
  }

  private write(): void {
    const writings = this.gathered;
    this.gathered = [];
    this.last = this.last.then(() => this.commit(writings));
  }

  private async commit(writings: readonly Writing[]): Promise<void> {
    const before = this.unwritten;
    const all = [...before, ...writings];
    try {
      await this.commitWithRoom(all);
      this.unwritten = [];
      if (before.length > 0) this.options.onRoom?.(true);
    } catch (error) {
      if (!isOutOfRoom(error)) {
        this.options.onFailure(error);
        return;
      }
      this.unwritten = all;
      this.options.onRoom?.(false);
      setTimeout(() => this.tryAgain(), AGAIN_MS);
    }
  }

  private async commitWithRoom(writings: readonly Writing[]): Promise<void> {
    try {
      await this.commitOnce(writings);
    } catch (error) {
      if (!isOutOfRoom(error)) throw error;
      // What the server has too gives way to what it does not.
      await this.letGo('whole ones');
      await this.commitOnce(writings);
    }
  }

  private async commitOnce(writings: readonly Writing[]): Promise<void> {
    const tx = this.db.transaction(STORES, 'readwrite', { durability: 'strict' });
    for (const writing of writings) writing(tx);
    // Nothing more is asked for: it need not wait for this page, which may be closed.
    tx.commit();
    await tx.done;
  }

  private tryAgain(): void {
    if (this.unwritten.length > 0) this.gather(() => undefined);
  }
}
