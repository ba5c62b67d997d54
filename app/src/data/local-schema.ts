import { broughtInPresentForm, wholeInPresentForm } from '@calvet/contract/former-form';
import type { House } from '@calvet/contract/house/house';
import type { KindedRecord } from '@calvet/contract/kinds';
import type { DBSchema, IDBPDatabase, IDBPTransaction, StoreNames } from 'idb';
import type { ToldHouses } from './house-summaries';
import type { Entry, Pending, Troubled } from './outbox-rules';

/** How far a ledger's records on this device go, and by which writing. */
export interface KeptCopy {
  readonly ledgerId: string;
  readonly upTo: number;
  readonly writer?: string;
}

interface KeptRecord {
  readonly ledgerId: string;
  readonly id: string;
  readonly item: KindedRecord;
}

/** A change that waits, with its place in the order of sending. */
export interface KeptChange {
  readonly changeId: string;
  readonly order: number;
  readonly waiting: Pending | Troubled;
}

/** Something entered in a tab that does not send, until the one that does takes it. */
export interface KeptEntry {
  /** Its place in the device's database; null where it came another way. */
  readonly order: number | null;
  readonly entry: Entry;
}

/** A picture on this device: whole, small, or both. */
export interface KeptPicture {
  readonly sha256: string;
  readonly houseId: string;
  readonly full: Blob | null;
  readonly thumbnail: Blob | null;
}

/** A picture of a house. */
export interface PictureOfHouse {
  readonly houseId: string;
  readonly sha256: string;
}

/** A picture that the server does not have yet under its house. */
export interface KeptUpload extends PictureOfHouse {
  /** Where the pieces that have arrived are; null where none was sent. */
  readonly url: string | null;
}

interface KeptList {
  readonly name: 'houses';
  readonly houses: readonly House[];
  /** What was kept by former versions has none. */
  readonly summaries?: ToldHouses['summaries'];
}

export interface LocalSchema extends DBSchema {
  copies: { key: string; value: KeptCopy };
  records: { key: [string, string]; value: KeptRecord };
  outbox: { key: string; value: KeptChange };
  entries: { key: number; value: { readonly entry: Entry } };
  lists: { key: string; value: KeptList };
  pictures: { key: string; value: KeptPicture; indexes: { house: string } };
  uploads: { key: [string, string]; value: KeptUpload };
  taken: { key: string; value: { readonly houseId: string } };
}

export type Store = StoreNames<LocalSchema>;
export type Database = IDBPDatabase<LocalSchema>;
type Upgrade = (db: Database, tx: IDBPTransaction<LocalSchema, Store[], 'versionchange'>) => void;

/** One step a version; a device that comes from an older one takes all that follow, with what it holds. */
export const UPGRADES: readonly Upgrade[] = [
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
  (db) => {
    db.createObjectStore('entries', { autoIncrement: true });
  },
  // One picture may be on its way to two houses.
  (db, tx) => {
    void tx
      .objectStore('uploads')
      .getAll()
      .then((uploads) => {
        db.deleteObjectStore('uploads');
        const store = db.createObjectStore('uploads', { keyPath: ['houseId', 'sha256'] });
        uploads.forEach((upload) => void store.put(upload));
      });
  },
  // A record is of a house or of a practice: what was called `houseId` is its ledger's id.
  (db, tx) => {
    const formerly = ['copies', 'records', 'outbox', 'entries'] as const;
    void Promise.all([
      ...formerly.map((name) => tx.objectStore(name).getAll() as Promise<Former[]>),
      tx.objectStore('entries').getAllKeys(),
    ]).then(([copies = [], records = [], outbox = [], entries = [], keys = []]) => {
      db.deleteObjectStore('copies');
      db.deleteObjectStore('records');
      const copyStore = db.createObjectStore('copies', { keyPath: 'ledgerId' });
      const recordStore = db.createObjectStore('records', { keyPath: ['ledgerId', 'id'] });
      copies.forEach((copy) => void copyStore.put(inLedger(copy as Former)));
      records.forEach((record) => void recordStore.put(inLedger(record as Former)));
      outbox.forEach((change) => void tx.objectStore('outbox').put(inLedger(change as Former)));
      entries.forEach(
        (entry, i) => void tx.objectStore('entries').put(inLedger(entry as Former), keys[i] as number),
      );
    });
  },
];

type Former = object;

/** What was kept in a house, with all that lies in it, as it is kept in a ledger. */
function inLedger<T>(kept: Former): T {
  const members = Object.entries(kept).map(([name, value]: [string, unknown]): [string, unknown] => [
    name === 'houseId' ? 'ledgerId' : name,
    HOLDS.has(name) && typeof value === 'object' && value !== null ? inLedger(value) : value,
  ]);
  return Object.fromEntries(members) as T;
}

/** Members in which a former `houseId` may lie: of a record that is kept, of what waits, and of what it met. */
const HOLDS = new Set(['item', 'record', 'waiting', 'trouble', 'current', 'entry']);

export const STORES: Store[] = [
  'copies',
  'records',
  'outbox',
  'entries',
  'lists',
  'pictures',
  'uploads',
  'taken',
];

/** What waits on a device to be sent. */
export interface KeptWaiting {
  readonly outbox: readonly KeptChange[];
  readonly entries: readonly KeptEntry[];
}

/** Everything that a device kept. */
export interface Kept extends KeptWaiting {
  readonly copies: readonly KeptCopy[];
  readonly records: readonly KeptRecord[];
  readonly houses: ToldHouses | null;
  readonly uploads: readonly KeptUpload[];
  /** Ids of the houses that are taken along. */
  readonly taken: readonly string[];
}

/** What pictures of a house take up here. */
export interface PicturesHeld {
  readonly pictures: number;
  readonly bytes: number;
}

export function presentRecord(item: KindedRecord): KindedRecord {
  return { ...item, record: wholeInPresentForm(item.kind, item.record.id, item.record) } as KindedRecord;
}

/** What waits, in the form that records have now. */
function presentWaiting<W extends Pending | Troubled>(waiting: W): W {
  const change = broughtInPresentForm(waiting.change);
  if (!('trouble' in waiting) || waiting.trouble.kind !== 'conflict') return { ...waiting, change };
  return {
    ...waiting,
    change,
    trouble: { ...waiting.trouble, current: presentRecord(waiting.trouble.current) },
  };
}

/** What waits, in the order of sending and in the form that records have now. */
export function inSendingOrder(outbox: readonly KeptChange[]): readonly KeptChange[] {
  return [...outbox]
    .sort((a, b) => a.order - b.order)
    .map((kept) => ({ ...kept, waiting: presentWaiting(kept.waiting) }));
}

interface EntriesStore {
  getAll(): Promise<{ readonly entry: Entry }[]>;
  getAllKeys(): Promise<number[]>;
}

export async function entriesIn(store: EntriesStore): Promise<readonly KeptEntry[]> {
  const [values, orders] = await Promise.all([store.getAll(), store.getAllKeys()]);
  return values.map(({ entry }, i) => ({ entry, order: orders[i] ?? 0 }));
}

/** Names of pictures that wait to be sent, to whichever house. */
export async function unsentIn(uploads: {
  getAllKeys(): Promise<[string, string][]>;
}): Promise<ReadonlySet<string>> {
  return new Set((await uploads.getAllKeys()).map(([, sha256]) => sha256));
}
