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

interface KeptList {
  readonly name: 'houses';
  readonly houses: readonly House[];
}

interface LocalSchema extends DBSchema {
  copies: { key: string; value: KeptCopy };
  records: { key: [string, string]; value: KeptRecord };
  outbox: { key: string; value: KeptChange };
  lists: { key: string; value: KeptList };
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
];

const STORES: Store[] = ['copies', 'records', 'outbox', 'lists'];
const LOCAL_DATABASE = 'calvet';

/** Everything that a device kept. */
export interface Kept {
  readonly copies: readonly KeptCopy[];
  readonly records: readonly KeptRecord[];
  readonly outbox: readonly KeptChange[];
  readonly houses: readonly House[] | null;
}

type Writing = (tx: IDBPTransaction<LocalSchema, Store[], 'readwrite'>) => void;

/**
 * The device's own database. Writes that are asked for in one go are made in one transaction, so that a record and what
 * waits for it are never kept by halves.
 */
export class LocalDatabase {
  private gathered: Writing[] = [];
  private last: Promise<void> = Promise.resolve();

  private constructor(
    private readonly db: IDBPDatabase<LocalSchema>,
    private readonly onFailure: (error: unknown) => void,
  ) {}

  /** @throws where the browser offers no database, as in some private windows */
  static async open(onFailure: (error: unknown) => void, name = LOCAL_DATABASE): Promise<LocalDatabase> {
    const db = await openDB<LocalSchema>(name, UPGRADES.length, {
      upgrade: (database, from, _to, tx) => UPGRADES.slice(from).forEach((step) => step(database, tx)),
      // Another tab wants to bring the database to a newer version.
      blocking: () => db.close(),
    });
    return new LocalDatabase(db, onFailure);
  }

  async load(): Promise<Kept> {
    const tx = this.db.transaction(STORES);
    const [copies, records, outbox, list] = await Promise.all([
      tx.objectStore('copies').getAll(),
      tx.objectStore('records').getAll(),
      tx.objectStore('outbox').getAll(),
      tx.objectStore('lists').get('houses'),
    ]);
    return {
      copies,
      records,
      outbox: outbox.sort((a, b) => a.order - b.order),
      houses: list?.houses ?? null,
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
    const work = async (): Promise<void> => {
      try {
        const tx = this.db.transaction(STORES, 'readwrite', { durability: 'strict' });
        for (const writing of writings) writing(tx);
        await tx.done;
      } catch (error) {
        this.onFailure(error);
      }
    };
    this.last = this.last.then(work);
  }
}
