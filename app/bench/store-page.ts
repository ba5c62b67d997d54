import { apiPaths } from '@calvet/contract/api-paths';
import { createApi } from '../src/data/api';
import { deviceClock } from '../src/data/clock';
import { LocalDatabase } from '../src/data/local-database';
import { createStore, type Store } from '../src/data/store';
import type { Wish } from '../src/data/store-options';

/** What a page that measures may ask of the app's own store; milliseconds. */
export interface StoreMeasures {
  /** How long many creations in one go hold up the page, and how long writing them out as text does. */
  readonly writeMany: (ledgerId: string, count: number, body: object) => Promise<WriteTimes>;
  /** Fetching a house from nothing until it is on the device, and merely fetching and reading the same pages. */
  readonly firstSync: (ledgerId: string) => Promise<SyncTimes>;
}

export interface WriteTimes {
  readonly callMs: number;
  readonly longTasksMs: number;
  readonly textMs: number;
}

export interface SyncTimes {
  readonly syncMs: number;
  readonly pagesMs: number;
  readonly records: number;
}

async function openStore(name: string): Promise<Store> {
  const store = createStore({
    api: createApi({
      fetch: (input, init) => fetch(input, init),
      author: () => 'Measurer',
      device: 'bench',
      now: deviceClock.now,
    }),
    clock: deviceClock,
    openLocal: (options) => LocalDatabase.open({ ...options, name }),
    name,
    locks: navigator.locks,
    channel: null,
    isVisible: () => true,
    openStream: null,
    // Nothing is sent while it is measured.
    gatherMs: 3_600_000,
  });
  await store.start();
  while (!store.outbox.isLeading()) await new Promise((resolve) => setTimeout(resolve, 10));
  return store;
}

async function close(store: Store, name: string): Promise<void> {
  await store.keeping.database()?.settled();
  store.close();
  indexedDB.deleteDatabase(name);
}

async function writeMany(ledgerId: string, count: number, body: object): Promise<WriteTimes> {
  const name = `bench-${crypto.randomUUID()}`;
  const store = await openStore(name);
  const wishes = Array.from({ length: count }, (): Wish => {
    return { ledgerId, kind: 'area', id: crypto.randomUUID(), op: 'create', body };
  });
  const tasks: number[] = [];
  const observer = new PerformanceObserver((list) =>
    list.getEntries().forEach(({ duration }) => tasks.push(duration)),
  );
  observer.observe({ type: 'longtask' });
  await new Promise((resolve) => setTimeout(resolve, 50));
  const start = performance.now();
  store.writeAll(wishes);
  const callMs = performance.now() - start;
  await store.keeping.database()?.settled();
  await new Promise((resolve) => setTimeout(resolve, 200));
  observer.disconnect();
  const textStart = performance.now();
  const { length } = JSON.stringify(wishes);
  const textMs = performance.now() - textStart;
  if (length === 0) throw new Error('Nothing was written.');
  await close(store, name);
  return { callMs, longTasksMs: tasks.reduce((sum, ms) => sum + ms, 0), textMs };
}

async function fetchPages(ledgerId: string): Promise<number> {
  let [since, records] = [0, 0];
  for (;;) {
    const page = (await (await fetch(`${apiPaths.changes(ledgerId)}?since=${since}`)).json()) as {
      readonly records: readonly unknown[];
      readonly upTo: number;
      readonly more: boolean;
    };
    since = page.upTo;
    records += page.records.length;
    if (!page.more) return records;
  }
}

async function firstSync(ledgerId: string): Promise<SyncTimes> {
  const pagesStart = performance.now();
  const records = await fetchPages(ledgerId);
  const pagesMs = performance.now() - pagesStart;
  const name = `bench-${crypto.randomUUID()}`;
  const store = await openStore(name);
  const start = performance.now();
  await store.refreshLedger(ledgerId);
  await store.keeping.database()?.settled();
  const syncMs = performance.now() - start;
  const held = store.copies.of(ledgerId).records.size;
  await close(store, name);
  if (held !== records) throw new Error(`${held} records were held of ${records}.`);
  return { syncMs, pagesMs, records };
}

const measures: StoreMeasures = { writeMany, firstSync };
Object.assign(window, { measures });
