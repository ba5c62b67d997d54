import type { House } from '@calvet/contract';
import { useMemo, useSyncExternalStore } from 'react';
import useSWR from 'swr';
import { isServerHeard, subscribeToHearing } from './following';
import type { HouseCopy, HouseView } from './house-copy';
import { viewWithWaiting, withNewerHouses } from './waiting';
import type { OutboxState } from './outbox';
import {
  hasRoom,
  heldCopies,
  houseKey,
  isKeptOnDevice,
  isKeptRead,
  HOUSES_KEY,
  outbox,
  refreshHouse,
  refreshHouses,
  subscribeToCopies,
} from './store';

/** How often a screen asks whether somebody else changed something, while the server cannot be heard and while it can. */
const ASK_MS = 15_000;
const ASK_ANYWAY_MS = 120_000;

function useAskMs(): number {
  const isHeard = useSyncExternalStore(subscribeToHearing, isServerHeard, isServerHeard);
  return isHeard ? ASK_ANYWAY_MS : ASK_MS;
}

/** What is on its way to the server, and what it did not take. */
export function useOutbox(): OutboxState {
  return useSyncExternalStore(outbox.subscribe, outbox.getState, outbox.getState);
}

export interface Loaded<T> {
  readonly data: T | undefined;
  readonly error: Error | undefined;
  readonly retry: () => void;
}

function useIsKeptRead(): boolean {
  return useSyncExternalStore(subscribeToCopies, isKeptRead, isKeptRead);
}

function useCopies(): ReadonlyMap<string, HouseCopy> {
  return useSyncExternalStore(subscribeToCopies, heldCopies, heldCopies);
}

/** A house with its areas and tests; null where it does not exist or was deleted, undefined until it is known. */
export function useHouse(houseId: string): Loaded<HouseView | null> {
  const isRead = useIsKeptRead();
  const askMs = useAskMs();
  const { error, mutate } = useSWR<void, Error>(
    isRead ? houseKey(houseId) : null,
    () => refreshHouse(houseId),
    { refreshInterval: askMs },
  );
  const copy = useCopies().get(houseId);
  const state = useOutbox();
  const data = useMemo(
    () => (isRead ? viewWithWaiting(copy, houseId, state) : undefined),
    [isRead, copy, state, houseId],
  );
  return { data, error: data === undefined ? error : undefined, retry: () => void mutate() };
}

/** Every house, by name, with those that wait to be sent. */
export function useHouses(): Loaded<readonly House[]> {
  const askMs = useAskMs();
  const { data, error, mutate } = useSWR<readonly House[], Error>(HOUSES_KEY, refreshHouses, {
    refreshInterval: askMs,
  });
  const copies = useCopies();
  const state = useOutbox();
  const houses = useMemo(() => {
    const waits = [...state.pending, ...state.troubled].some(({ change }) => change.kind === 'house');
    const isKnown = data !== undefined || waits || copies.size > 0;
    return isKnown ? withNewerHouses(data ?? [], copies, state) : undefined;
  }, [data, copies, state]);
  return { data: houses, error: houses === undefined ? error : undefined, retry: () => void mutate() };
}

/** Houses with their areas and tests, by id, as far as they are here. */
export function useHouseViews(houses: readonly House[]): ReadonlyMap<string, HouseView> {
  const ids = houses.map(({ id }) => id);
  const isRead = useIsKeptRead();
  const askMs = useAskMs();
  useSWR<void[], Error>(
    ids.length === 0 || !isRead ? null : ['houses with records', ...ids],
    () => Promise.all(ids.map(refreshHouse)),
    { refreshInterval: askMs },
  );
  const copies = useCopies();
  const state = useOutbox();
  return useMemo(() => {
    const views = houses.map(({ id }): [string, HouseView | null | undefined] => [
      id,
      viewWithWaiting(copies.get(id), id, state),
    ]);
    return new Map(views.filter((pair): pair is [string, HouseView] => pair[1] != null));
  }, [copies, state, houses]);
}

/** True where what is entered outlives this page. */
export function useIsKeptOnDevice(): boolean {
  return useSyncExternalStore(subscribeToCopies, isKeptOnDevice, isKeptOnDevice);
}

/** False while the device gives no more room for what is entered. */
export function useHasRoom(): boolean {
  return useSyncExternalStore(subscribeToCopies, hasRoom, hasRoom);
}

/** Names of records that are held here or wait to be sent, by id. */
export function useHeldNames(): ReadonlyMap<string, string> {
  const copies = useCopies();
  const { pending } = useOutbox();
  return useMemo(() => {
    const names = new Map<string, string>();
    for (const { records } of copies.values()) {
      for (const { record } of records.values()) if ('name' in record) names.set(record.id, record.name);
    }
    for (const { change } of pending) {
      if ('name' in change.body && typeof change.body.name === 'string')
        names.set(change.id, change.body.name);
    }
    return names;
  }, [copies, pending]);
}
