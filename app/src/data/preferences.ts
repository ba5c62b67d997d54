import type { UnitSystem } from '@calvet/core/units/quantity';
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

/** What was chosen on this device, and what its practice has set for those that chose nothing. */
interface Kept extends Partial<Preferences> {
  readonly unitsOfPractice?: UnitSystem;
}

const isUnits = (value: unknown): value is UnitSystem => value === 'metric' || value === 'imperial';
const isAppearance = (value: unknown): value is Appearance =>
  value === 'system' || value === 'light' || value === 'dark';

function read(): Kept {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Kept;
    return {
      ...(isUnits(kept.units) ? { units: kept.units } : {}),
      ...(isAppearance(kept.appearance) ? { appearance: kept.appearance } : {}),
      ...(typeof kept.author === 'string' ? { author: kept.author } : {}),
      ...(isUnits(kept.unitsOfPractice) ? { unitsOfPractice: kept.unitsOfPractice } : {}),
    };
  } catch {
    return {};
  }
}

const shownBy = ({ unitsOfPractice, ...chosen }: Kept): Preferences => ({
  ...DEFAULTS,
  ...(unitsOfPractice === undefined ? {} : { units: unitsOfPractice }),
  ...chosen,
});

let kept = read();
let current = shownBy(kept);

function keep(change: Kept): void {
  kept = { ...kept, ...change };
  current = shownBy(kept);
  try {
    localStorage.setItem(KEY, JSON.stringify(kept));
  } catch {
    // Without storage the choice holds until the app is closed.
  }
  listeners.tell();
}

/** How this device shows things, as chosen here, or else as the practice has set it. */
export function usePreferences(): Preferences {
  return useSyncExternalStore(
    listeners.subscribe,
    () => current,
    () => DEFAULTS,
  );
}

/** Who enters things on this device. */
export const authorOnDevice = (): string => current.author;

/** Chooses how this device shows things. */
export const setPreferences = (change: Partial<Preferences>): void => keep(change);

/** What the practice has set holds wherever nothing else was chosen. */
export function followUnits(units: UnitSystem | undefined): void {
  if (units !== undefined && units !== kept.unitsOfPractice) keep({ unitsOfPractice: units });
}
