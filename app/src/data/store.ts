import {
  apiPaths,
  type Bodies,
  type ChangesPage,
  type House,
  type HousesAnswer,
  type Kind,
  type News,
} from '@calvet/contract';
import { v7 } from 'uuid';
import { mutate } from 'swr';
import { ApiProblem, getJson } from './api';
import { copiesOf, EMPTY_COPY, withPending, withRecords, type HouseCopy } from './house-copy';
import { OutboxKeeper, restoredFrom } from './kept-outbox';
import { followServer } from './following';
import { lostByServer } from './after-restore';
import { Listeners } from './listeners';
import { LocalDatabase, type Kept } from './local-database';
import { askToPersist } from './space';
import { Outbox, waitingIn, type Wish } from './outbox';

/** What this device holds, by house: the one thing that screens read from. */
let held: ReadonlyMap<string, HouseCopy> = new Map();
/** False until what the device kept has been read: before that nothing is known, and nothing may be written upon it. */
let isRead = false;
let local: LocalDatabase | null = null;
/** False while the device gives no more room. */
let isRoom = true;
const holders = new Listeners();
const keeper = new OutboxKeeper();
const resentListeners: ((wishes: readonly Wish[]) => void)[] = [];

/** Calls when a server that lost something was told it again. */
export function onToldAgain(listener: (wishes: readonly Wish[]) => void): void {
  resentListeners.push(listener);
}

export function heldCopies(): ReadonlyMap<string, HouseCopy> {
  return held;
}

/** False where the browser offers no database, or it failed: entries then live as long as the page. */
export function isKeptOnDevice(): boolean {
  return local !== null;
}

/** The device's own database; null where there is none. */
export function localDatabase(): LocalDatabase | null {
  return local;
}

/** False while what is entered cannot be kept for want of room, and lives as long as the page. */
export function hasRoom(): boolean {
  return isRoom;
}

/** True once what this device kept is here. */
export function isKeptRead(): boolean {
  return isRead;
}

export const subscribeToCopies = holders.subscribe;

export const houseKey = (houseId: string) => ['house', houseId] as const;
export const HOUSES_KEY = 'houses';

function copyOf(houseId: string): HouseCopy {
  return held.get(houseId) ?? EMPTY_COPY;
}

function keep(houseId: string, copy: HouseCopy): void {
  const before = copyOf(houseId);
  if (before === copy) return;
  held = new Map(held).set(houseId, copy);
  const newer = [...copy.records.values()].filter((item) => before.records.get(item.record.id) !== item);
  local?.keepCopy({ houseId, upTo: copy.upTo }, newer);
  holders.tell();
}

const isUnknownHouse = (error: unknown): boolean =>
  error instanceof ApiProblem && error.problem.code === 'unknown-house';

/** Everything that the server has of a house; nothing where it does not know it. */
async function toldOf(houseId: string): Promise<HouseCopy> {
  let told = EMPTY_COPY;
  try {
    for (;;) {
      const page = await getJson<ChangesPage>(`${apiPaths.changes(houseId)}?since=${told.upTo}`);
      told = withRecords(told, page.records, page.upTo);
      if (!page.more) return told;
    }
  } catch (error) {
    if (isUnknownHouse(error)) return told;
    throw error;
  }
}

/** The server knows less than it did, as after a backup was brought back: it is told what it lost, and nothing is. */
async function tellWhatWasLost(houseId: string): Promise<void> {
  const told = await toldOf(houseId);
  const wishes = lostByServer(houseId, copyOf(houseId), told);
  held = new Map(held).set(houseId, told);
  local?.dropCopy(houseId);
  local?.keepCopy({ houseId, upTo: told.upTo }, [...told.records.values()]);
  wishes.forEach((wish) => outbox.write(wish));
  resentListeners.forEach((listener) => listener(wishes));
  holders.tell();
}

const telling = new Map<string, Promise<void>>();

/** Several screens may find out at once that a server lost something: it is told once. */
function tellOnce(houseId: string): Promise<void> {
  const underWay = telling.get(houseId);
  if (underWay !== undefined) return underWay;
  const begun = tellWhatWasLost(houseId).finally(() => telling.delete(houseId));
  telling.set(houseId, begun);
  return begun;
}

/** Brings a house's copy up to date, page by page. */
export async function refreshHouse(houseId: string): Promise<void> {
  for (;;) {
    const since = copyOf(houseId).upTo;
    let page: ChangesPage;
    try {
      page = await getJson<ChangesPage>(`${apiPaths.changes(houseId)}?since=${since}`);
    } catch (error) {
      if (!isUnknownHouse(error)) throw error;
      if (waitingIn(outbox.getState(), houseId).length > 0) return;
      if (since === 0) throw error;
      await tellOnce(houseId);
      return;
    }
    if (page.upTo < since && since === copyOf(houseId).upTo) {
      await tellOnce(houseId);
      return;
    }
    keep(houseId, withRecords(copyOf(houseId), page.records, page.upTo));
    if (!page.more) return;
  }
}

/** A house that is held and that the server does not list. */
async function refreshUnlisted(houseId: string): Promise<void> {
  try {
    await refreshHouse(houseId);
  } catch (error) {
    if (!isUnknownHouse(error)) throw error;
  }
}

/** Every house on the server, and with it the newest state of each house record. */
export async function refreshHouses(): Promise<readonly House[]> {
  const { houses } = await getJson<HousesAnswer>(apiPaths.houses);
  local?.keepHouses(houses);
  // What is held and not in the list was deleted by somebody else: its own changes say so.
  if (!isRead) return houses;
  const listed = new Set(houses.map(({ id }) => id));
  await Promise.all([...held.keys()].filter((id) => !listed.has(id)).map(refreshUnlisted));
  return houses;
}

/** Entries on their way to the server. */
export const outbox: Outbox = new Outbox({
  revisionOf: (houseId, recordId) => copyOf(houseId).records.get(recordId)?.record.revision ?? 0,
  onApplied: ({ houseId, change }, { revision }) => {
    // The taken change becomes part of the copy; its number is not, so that changes of others between are fetched.
    const { records } = withPending(copyOf(houseId), houseId, [change]);
    const item = records.get(change.id);
    if (item === undefined) return;
    // Where others came between, what they did was merged on the server and is not seen here yet: it is fetched, and until
    // then entries are made upon the revision that was seen.
    const isNext = revision === item.record.revision + 1;
    const record = isNext ? { ...item.record, revision } : item.record;
    const taken = new Map(records).set(change.id, { ...item, record } as typeof item);
    keep(houseId, { ...copyOf(houseId), records: taken });
    if (!isNext) void mutate(houseKey(houseId));
    if (change.kind === 'house') void mutate(HOUSES_KEY);
  },
});

outbox.subscribe(() => {
  const { changed, gone } = keeper.differenceTo(outbox.getState());
  if (changed.length + gone.length === 0) return;
  local?.keepChanges(changed, gone);
  if (changed.length > 0) askToPersist();
});

/** Opens what the device kept and takes it up. Where it keeps nothing, entries live as long as the tab. */
async function readKept(): Promise<Kept | null> {
  let kept: Kept | null = null;
  try {
    local = await LocalDatabase.open({
      onFailure: (error) => {
        console.error(error);
        local = null;
        holders.tell();
      },
      onRoom: (next) => {
        isRoom = next;
        holders.tell();
      },
    });
    kept = await local.load();
    held = copiesOf(kept);
    keeper.start(kept.outbox);
    outbox.restore(restoredFrom(kept.outbox));
    const { houses } = kept;
    if (houses !== null) {
      // What the server said meanwhile is newer.
      // It is asked again, and nobody waits for that: without a signal the answer may never come.
      void mutate(HOUSES_KEY, (told?: readonly House[]) => told ?? houses, { revalidate: true });
    }
  } catch (error) {
    console.error(error);
  }
  isRead = true;
  holders.tell();
  return kept;
}

/** Fetches what a piece of news is about, where it is not here yet. */
async function catchUp({ houseId, upTo }: News): Promise<void> {
  if (!held.has(houseId)) {
    // A screen may stand open on a house that was not there yet.
    await Promise.all([mutate(HOUSES_KEY), mutate(houseKey(houseId))]);
    return;
  }
  if (copyOf(houseId).upTo >= upTo) return;
  // Where that fails it is asked for again in a while.
  await refreshHouse(houseId).catch(() => undefined);
}

/** What the device kept when the app was opened; null where it keeps nothing. */
export const keptAtStart: Promise<Kept | null> =
  typeof window === 'undefined' ? Promise.resolve(null) : readKept();

if (typeof window !== 'undefined') {
  if (typeof EventSource !== 'undefined') {
    followServer({
      onNews: (news) => void catchUp(news),
      onOpen: () => {
        outbox.retryNow();
        void mutate(() => true);
      },
    });
  }
  window.addEventListener('online', () => outbox.retryNow());
  window.addEventListener('beforeunload', (event) => {
    const { pending, troubled } = outbox.getState();
    if ((local === null || !isRoom) && pending.length + troubled.length > 0) event.preventDefault();
  });
}

/** Forgets what is held of a house, which the server has; it is fetched again when it is wanted. */
export function forgetHouse(houseId: string): void {
  held = new Map([...held].filter(([id]) => id !== houseId));
  local?.dropCopy(houseId);
  holders.tell();
}

/** Makes a record and gives back its id. */
export function createRecord<K extends Kind>(
  houseId: string,
  kind: K,
  body: Bodies[K],
  id: string = v7(),
): string {
  outbox.write({ houseId, kind, id, op: 'create', body });
  return id;
}

/** Makes a house and gives back its id. */
export function createHouse(body: Bodies['house']): string {
  const id = v7();
  return createRecord(id, 'house', body, id);
}

/** Changes some fields of a record. */
export function updateRecord<K extends Kind>(
  houseId: string,
  kind: K,
  id: string,
  body: Partial<Bodies[K]>,
): void {
  outbox.write({ houseId, kind, id, op: 'update', body });
}

export function deleteRecord(houseId: string, kind: Kind, id: string): void {
  outbox.write({ houseId, kind, id, op: 'delete' });
}

export function restoreRecord(houseId: string, kind: Kind, id: string): void {
  outbox.write({ houseId, kind, id, op: 'restore' });
}
