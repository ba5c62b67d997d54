import type { UnitSystem } from '@calvet/core';
import { useSyncExternalStore } from 'react';
import { Listeners } from './listeners';

export type Appearance = 'system' | 'light' | 'dark';

/** How this device shows things; kept on the device. */
export interface Preferences {
  readonly units: UnitSystem;
  readonly appearance: Appearance;
  /** Who enters things on this device; empty until it was asked. */
  readonly author: string;
}

const KEY = 'calvet.preferences';
const DEFAULTS: Preferences = { units: 'metric', appearance: 'system', author: '' };
const listeners = new Listeners();

function read(): Preferences {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Preferences>;
    return {
      units: kept.units === 'imperial' ? 'imperial' : DEFAULTS.units,
      appearance:
        kept.appearance === 'light' || kept.appearance === 'dark' ? kept.appearance : DEFAULTS.appearance,
      author: typeof kept.author === 'string' ? kept.author : DEFAULTS.author,
    };
  } catch {
    return DEFAULTS;
  }
}

let current = read();

/** Preferences and the way to change them. */
export function usePreferences(): Preferences {
  return useSyncExternalStore(
    listeners.subscribe,
    () => current,
    () => DEFAULTS,
  );
}

/** Who enters things on this device. */
export const authorOnDevice = (): string => current.author;

export function setPreferences(change: Partial<Preferences>): void {
  current = { ...current, ...change };
  try {
    localStorage.setItem(KEY, JSON.stringify(current));
  } catch {
    // Without storage the choice holds until the app is closed.
  }
  listeners.tell();
}
