import { isServerHeard, subscribeToHearing } from './following';
import type { HouseCopy } from './house-copy';
import { Listeners } from './listeners';
import type { PicturesHeld } from './local-database';
import { waitingIn } from './outbox';
import { pictureBytes, uploads } from './pictures';
import { askToPersist } from './space';
import {
  forgetHouse,
  heldCopies,
  keptAtStart,
  localDatabase,
  outbox,
  refreshHouse,
  subscribeToCopies,
} from './store';

/** How far a house that is taken along is here. */
export interface TakenHouse {
  readonly photos: number;
  /** Of these, how many small pictures are on the device. */
  readonly here: number;
}

const AT_ONCE = 4;
const GATHER_MS = 300;

let taken: ReadonlyMap<string, TakenHouse> = new Map();
let timer: ReturnType<typeof setTimeout> | null = null;
let isFetching = false;
const listeners = new Listeners();

export const subscribeToTaken = listeners.subscribe;

/** Houses that are taken along, by id. */
export function takenHouses(): ReadonlyMap<string, TakenHouse> {
  return taken;
}

function set(houseId: string, next: TakenHouse): void {
  const before = taken.get(houseId);
  if (before?.photos === next.photos && before.here === next.here) return;
  taken = new Map(taken).set(houseId, next);
  listeners.tell();
}

function picturesOf(copy: HouseCopy | undefined): readonly string[] {
  const found = new Set<string>();
  for (const { kind, record } of copy?.records.values() ?? []) {
    if (kind === 'photo' && record.deletedAt === null) found.add(record.sha256);
  }
  return [...found];
}

async function fetchThumbnails(houseId: string): Promise<void> {
  const all = picturesOf(heldCopies().get(houseId));
  const missing = (await localDatabase()?.withoutThumbnail(all)) ?? [];
  let here = all.length - missing.length;
  set(houseId, { photos: all.length, here });
  const queue = [...missing];
  const fetchInTurn = async (): Promise<void> => {
    for (let next = queue.shift(); next !== undefined; next = queue.shift()) {
      const isHere = (await pictureBytes(houseId, next, 'thumbnail')) !== null;
      if (!taken.has(houseId)) return;
      if (isHere) set(houseId, { photos: all.length, here: ++here });
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, fetchInTurn));
}

async function fetchAll(): Promise<void> {
  if (isFetching) return;
  isFetching = true;
  try {
    for (const houseId of taken.keys()) await fetchThumbnails(houseId);
  } catch {
    // Without a signal: it goes on when there is one.
  } finally {
    isFetching = false;
  }
}

function schedule(): void {
  if (taken.size === 0) return;
  if (timer !== null) clearTimeout(timer);
  timer = setTimeout(() => void fetchAll(), GATHER_MS);
}

subscribeToCopies(schedule);
subscribeToHearing(() => {
  if (isServerHeard()) schedule();
});
void keptAtStart.then((kept) => {
  taken = new Map(kept?.taken.map((houseId) => [houseId, { photos: 0, here: 0 }]));
  listeners.tell();
  schedule();
});

/** Brings a house's records and small pictures to this device, and keeps them up to date. */
export function takeAlong(houseId: string): void {
  askToPersist();
  localDatabase()?.keepTaken(houseId, true);
  taken = new Map(taken).set(houseId, { photos: picturesOf(heldCopies().get(houseId)).length, here: 0 });
  listeners.tell();
  void refreshHouse(houseId).catch(() => undefined);
  schedule();
}

/** Takes a house along no longer. What is here stays until the room is wanted. */
export function leaveBehind(houseId: string): void {
  localDatabase()?.keepTaken(houseId, false);
  taken = new Map([...taken].filter(([id]) => id !== houseId));
  listeners.tell();
}

/** True where something of a house is on this device alone. */
export function holdsUnsent(houseId: string): boolean {
  const { waiting, refused } = uploads.getState();
  const sending = [...waiting, ...refused.map(({ upload }) => upload)];
  return (
    waitingIn(outbox.getState(), houseId).length > 0 || sending.some((upload) => upload.houseId === houseId)
  );
}

/** Lets go of everything of a house that the server has too. What was not sent stays. */
export async function freeHouse(houseId: string): Promise<void> {
  leaveBehind(houseId);
  await localDatabase()?.dropPictures({ houseId });
  if (!holdsUnsent(houseId)) forgetHouse(houseId);
}

/** What pictures take up on this device, house by house. */
export async function picturesOnDevice(): Promise<ReadonlyMap<string, PicturesHeld>> {
  return (await localDatabase()?.picturesHeld()) ?? new Map<string, PicturesHeld>();
}
