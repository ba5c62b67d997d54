import type { Subject } from '@calvet/contract/catalogue/catalogue';
import type { Phase } from '@calvet/contract/plan/own-checkpoint';
import { useSyncExternalStore } from 'react';
import { Listeners } from './listeners';

/** Where somebody is on the walk of a house, and what they look at on this round; kept on the device. */
export interface WalkPlace {
  /** Key of the stop, and what it is called: it may go from the drawing. */
  readonly stop: string;
  readonly name: string;
  /** Key of the checkpoint; null: none yet. */
  readonly checkpoint: string | null;
  /** Phases that were chosen, by the part of the house. */
  readonly phases: Readonly<Record<string, Phase>>;
  /** One kind of work alone; null: all. */
  readonly subject: Subject | null;
}

const KEY = 'calvet.walk';
/** More houses than anybody walks at a time. */
const HOUSES_MAX = 100;
const listeners = new Listeners();

type Places = Readonly<Record<string, WalkPlace>>;

const isPlace = (value: unknown): value is WalkPlace => {
  const place = value as Partial<WalkPlace> | null;
  return (
    typeof place === 'object' &&
    typeof place?.stop === 'string' &&
    typeof place.name === 'string' &&
    typeof place.phases === 'object'
  );
};

function read(): Places {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Readonly<Record<string, unknown>>;
    return Object.fromEntries(
      Object.entries(kept).filter((entry): entry is [string, WalkPlace] => isPlace(entry[1])),
    );
  } catch {
    return {};
  }
}

let places = read();

/** Keeps where somebody is on the walk of a house; what is left out stays as it was. */
export function keepWalkPlace(
  houseId: string,
  change: Pick<WalkPlace, 'stop' | 'name' | 'checkpoint'> & Partial<WalkPlace>,
): void {
  const place: WalkPlace = { phases: {}, subject: null, ...places[houseId], ...change };
  const others = Object.entries(places).filter(([id]) => id !== houseId);
  places = Object.fromEntries([...others.slice(1 - HOUSES_MAX), [houseId, place]]);
  try {
    localStorage.setItem(KEY, JSON.stringify(places));
  } catch {
    // Without storage the place holds until the app is closed.
  }
  listeners.tell();
}

/** Where somebody is on the walk of a house; null: they have not begun it on this device. */
export const useWalkPlace = (houseId: string): WalkPlace | null =>
  useSyncExternalStore(listeners.subscribe, () => places[houseId] ?? null);
