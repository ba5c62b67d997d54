import { NEW_PRACTICE, type Practice } from '@calvet/contract/practice/practice';
import { notStored, type RecordBase, type Stored } from '@calvet/contract/record';
import { PRACTICE_ID } from '@calvet/contract/ledger';
import { RESTORABLE_MS } from '@calvet/contract/limits';
import type { Bodies, Kind, KindedRecord } from '@calvet/contract/kinds';
import type { House } from '@calvet/contract/house/house';
import type { Material } from '@calvet/contract/installation/material';
import type { HouseSummary } from '@calvet/contract/house/house-summary';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import useSWR from 'swr';
import { isDrawn, useMeasuring, viewAsDrawn, type HouseView } from './as-drawn';
import { withPending, type KeptHouseView, type LedgerCopy } from './ledger-copy';
import { summaryOf, type ToldHouses } from './house-summaries';
import type { KeptIn } from './keeping';
import type { OutboxState } from './outbox';
import { waitingIn } from './outbox-rules';
import { useStore } from './store-context';
import { SteadyViews } from './steady-view';
import { viewWithTyped, withTyped, type AllTyped } from './typing';
import { materialsIn, practiceIn, viewWithWaiting, withNewerHouses } from './waiting';

/** How often it is asked whether somebody else changed something, while the server cannot be heard and while it can. */
const ASK_MS = 20_000;
const ASK_ANYWAY_MS = 120_000;
const HOUSES_KEY = 'houses';

const PRACTICE_TO_BE: Practice = { ...NEW_PRACTICE, ...notStored(PRACTICE_ID, PRACTICE_ID) };

const never = () => () => undefined;
const nobody = () => false;

/** The list of houses, and with it how far each has come: one request, whatever the number of houses. */
function useHouseList() {
  const store = useStore();
  const { following } = store;
  const hears = following?.hears ?? nobody;
  const isHeard = useSyncExternalStore(following?.subscribe ?? never, hears, hears);
  const answer = useSWR<ToldHouses, Error>(HOUSES_KEY, store.refreshHouses, {
    refreshInterval: isHeard ? ASK_ANYWAY_MS : ASK_MS,
  });
  const { mutate } = answer;
  useEffect(() => store.onMissed(() => void mutate()), [store, mutate]);
  return answer;
}

/** What is on its way to the server, and what it did not take. */
export function useOutbox(): OutboxState {
  const { outbox } = useStore();
  return useSyncExternalStore(outbox.subscribe, outbox.getState, outbox.getState);
}

const whenOnlineChanges = (tell: () => void): (() => void) => {
  window.addEventListener('online', tell);
  window.addEventListener('offline', tell);
  return () => {
    window.removeEventListener('online', tell);
    window.removeEventListener('offline', tell);
  };
};

/** True where the device says so itself, or the last thing asked for got no answer, whether or not anything waits. */
export function useIsOffline(): boolean {
  const { reachability } = useStore();
  const isDeviceOnline = useSyncExternalStore(whenOnlineChanges, () => navigator.onLine);
  const isAway = useSyncExternalStore(reachability.subscribe, reachability.isAway);
  return !isDeviceOnline || isAway;
}

export interface Loaded<T> {
  readonly data: T | undefined;
  readonly error: Error | undefined;
  readonly retry: () => void;
}

/** Where what is entered is kept. */
export function useKeptIn(): KeptIn {
  const { keeping } = useStore();
  return useSyncExternalStore(keeping.subscribe, keeping.where, keeping.where);
}

function useCopies(): ReadonlyMap<string, LedgerCopy> {
  const { copies } = useStore();
  return useSyncExternalStore(copies.subscribe, copies.all, copies.all);
}

function useAllTyped(): AllTyped {
  const { typing } = useStore();
  return useSyncExternalStore(typing.subscribe, typing.all, typing.all);
}

/** The house that is open: a verdict leaves all that follows from its drawing as it was. */
const seenLast = new SteadyViews<KeptHouseView>();

/** A house with its areas and tests; null where it does not exist or was deleted, undefined until it is known. */
export function useHouse(houseId: string): Loaded<HouseView | null> {
  const store = useStore();
  useHouseList();
  const isRead = useKeptIn() !== 'opening';
  const copy = useCopies().get(houseId);
  const state = useOutbox();
  const kept = useMemo(() => {
    const newest = isRead ? viewWithWaiting('house', copy, houseId, state) : undefined;
    return newest && seenLast.of(houseId, newest);
  }, [isRead, copy, state, houseId]);
  // Of a house that was made here and not sent yet the server knows nothing to ask for.
  const { error, mutate } = useSWR<void, Error>(
    isRead && copy === undefined && kept == null ? ['house', houseId] : null,
    () => store.refreshLedger(houseId),
  );
  const typed = useAllTyped();
  const view = useMemo(() => kept && viewWithTyped(kept, typed), [kept, typed]);
  const drawing = useMeasuring(view != null && isDrawn(view));
  const { measuring } = drawing;
  const filled = useMemo(() => view && viewAsDrawn(view, measuring, typed), [view, measuring, typed]);
  // A house of which somebody draws the first storey stays as it was seen until that can be measured.
  const [seen, setSeen] = useState(filled);
  if (filled !== undefined && filled !== seen) setSeen(filled);
  const data = filled === undefined && seen?.house.id === houseId ? seen : filled;
  const retry = (): void => {
    void mutate();
    drawing.retry();
  };
  return { data, error: data === undefined ? (error ?? drawing.error) : undefined, retry };
}

/** The practice with its settings; as one that has set nothing, until it is known. */
export function usePractice(): Practice {
  useHouseList();
  const copies = useCopies();
  const state = useOutbox();
  const typed = useAllTyped();
  return useMemo(() => withTyped(practiceIn(copies, state) ?? PRACTICE_TO_BE, typed), [copies, state, typed]);
}

/** Materials that the practice has for itself, beside those of the library. */
export function useMaterials(): readonly Material[] {
  const copies = useCopies();
  const state = useOutbox();
  return useMemo(() => materialsIn(copies, state), [copies, state]);
}

/**
 * A record that stands on the screen and nowhere else until something is entered in it, with what is being typed.
 * @param begin its fields to start with; called once for each id
 */
export function useRecordToBe<Body extends Bodies[Kind]>(
  { id, ledgerId }: Pick<RecordBase, 'id' | 'ledgerId'>,
  begin: () => Body,
): Stored<Body> {
  const typed = useAllTyped();
  const [begun, setBegun] = useState<Stored<Body> | null>(null);
  if (begun?.id === id) return withTyped(begun, typed);
  const record = { ...begin(), ...notStored(id, ledgerId) };
  setBegun(record);
  return record;
}

/** The list as the server told it now, or, as the device kept it, before; null where it is not known. */
function useToldHouses() {
  const store = useStore();
  const { data, error, mutate } = useHouseList();
  const keptIn = useKeptIn();
  return { told: data ?? (keptIn === 'opening' ? null : store.knownHouses()), error, mutate };
}

/** Every house, by name, with those that wait to be sent. */
export function useHouses(): Loaded<readonly House[]> {
  const { told, error, mutate } = useToldHouses();
  const copies = useCopies();
  const state = useOutbox();
  const houses = useMemo(() => {
    const listed = told?.houses ?? null;
    const waits = [...state.pending, ...state.troubled].some(({ change }) => change.kind === 'house');
    const isKnown = listed !== null || waits || copies.size > 0;
    return isKnown ? withNewerHouses(listed ?? [], copies, state) : undefined;
  }, [told, copies, state]);
  return { data: houses, error: houses === undefined ? error : undefined, retry: () => void mutate() };
}

/** Houses that are held on this device, as their records say them, and those that are not. */
export function useHeldHouses(houses: readonly House[]): {
  readonly held: readonly KeptHouseView[];
  readonly elsewhere: readonly House[];
} {
  const copies = useCopies();
  const state = useOutbox();
  return useMemo(() => {
    const views = houses.map((house) => ({
      house,
      view: viewWithWaiting('house', copies.get(house.id), house.id, state) ?? undefined,
    }));
    return {
      held: views.flatMap(({ view }) => view ?? []),
      elsewhere: views.flatMap(({ house, view }) => (view === undefined ? [house] : [])),
    };
  }, [copies, state, houses]);
}

/** What a list says of houses, by id: of those that are held here by what is held, of others as the server told it. */
export function useHouseSummaries(houses: readonly House[]): ReadonlyMap<string, HouseSummary> {
  const { told } = useToldHouses();
  const copies = useCopies();
  const state = useOutbox();
  const views = useMemo(
    () =>
      houses.map(({ id }) => ({
        id,
        view: viewWithWaiting('house', copies.get(id), id, state) ?? undefined,
      })),
    [copies, state, houses],
  );
  const { measuring } = useMeasuring(views.some(({ view }) => view !== undefined && isDrawn(view)));
  return useMemo(() => {
    const summaries = views.map(({ id, view }): [string, HouseSummary | undefined] => {
      const drawn = view && viewAsDrawn(view, measuring);
      return [id, drawn === undefined ? told?.summaries[id] : summaryOf(drawn)];
    });
    return new Map(summaries.filter((pair): pair is [string, HouseSummary] => pair[1] !== undefined));
  }, [views, measuring, told]);
}

/** True where what is entered outlives this page. */
export function useIsKeptOnDevice(): boolean {
  const keptIn = useKeptIn();
  return keptIn === 'device' || keptIn === 'opening';
}

/** False while the device gives no more room for what is entered. */
export function useHasRoom(): boolean {
  const { keeping } = useStore();
  return useSyncExternalStore(keeping.subscribe, keeping.hasRoom, keeping.hasRoom);
}

/** What a record is called by whoever made it; null where it has no name of its own. */
const nameOf = (record: KindedRecord['record']): string | null =>
  'name' in record && typeof record.name === 'string' ? record.name : null;

/** Names of records that are held here or wait to be sent, by id. */
export function useHeldNames(): ReadonlyMap<string, string> {
  const copies = useCopies();
  const { pending } = useOutbox();
  return useMemo(() => {
    const names = new Map<string, string>();
    for (const { records } of copies.values()) {
      for (const { record } of records.values()) {
        const name = nameOf(record);
        if (name !== null) names.set(record.id, name);
      }
    }
    for (const { change } of pending) {
      if ('name' in change.body && typeof change.body.name === 'string')
        names.set(change.id, change.body.name);
    }
    return names;
  }, [copies, pending]);
}

/** What is held of a record, in the newest state that the server told. */
export function useHeldRecord(ledgerId: string, id: string): KindedRecord | undefined {
  return useCopies().get(ledgerId)?.records.get(id);
}

/** Something that was deleted and can be put back. */
export interface DeletedThing {
  readonly item: KindedRecord;
  /** Of the house that it lies in; undefined where nothing is known of it. */
  readonly houseName: string | undefined;
  /** ISO 8601, UTC; null where the deletion was not sent yet. */
  readonly deletedAt: string | null;
}

function deletedIn(
  ledgerId: string,
  copy: LedgerCopy,
  state: OutboxState,
  since: number,
): readonly DeletedThing[] {
  const { records } = withPending(copy, ledgerId, waitingIn(state, ledgerId));
  const house = records.get(ledgerId)?.record;
  const houseName = house === undefined ? undefined : (nameOf(house) ?? undefined);
  return [...records.values()].flatMap((item): readonly DeletedThing[] => {
    const { deletedAt } = item.record;
    if (deletedAt === null) return [];
    const time = Date.parse(deletedAt);
    if (Number.isNaN(time)) return [{ item, houseName, deletedAt: null }];
    return time > since ? [{ item, houseName, deletedAt }] : [];
  });
}

/**
 * What was deleted within the last 30 days, the latest first: in the houses that are held here, and houses that the server
 * alone knows of.
 */
export function useDeletedThings(): readonly DeletedThing[] {
  const { api } = useStore();
  // What others deleted just now comes with it.
  useHouseList();
  const [now] = useState(() => Date.now());
  const copies = useCopies();
  const state = useOutbox();
  const { data: told = [] } = useSWR<readonly House[], Error>('deleted houses', async () => {
    return (await api.deletedHouses()).houses;
  });
  return useMemo(() => {
    const held = [...copies].flatMap(([id, copy]) => deletedIn(id, copy, state, now - RESTORABLE_MS));
    const elsewhere = told
      .filter(({ id }) => !copies.has(id))
      .map((record): DeletedThing => ({
        item: { kind: 'house', record },
        houseName: record.name,
        deletedAt: record.deletedAt,
      }));
    const order = ({ deletedAt }: DeletedThing) => deletedAt ?? '9';
    return [...held, ...elsewhere].sort((a, b) => order(b).localeCompare(order(a)));
  }, [copies, state, told, now]);
}
