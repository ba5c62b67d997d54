import { useSyncExternalStore } from 'react';
import { Listeners } from './listeners';

/** What was entered on the bench stays on the device, also over a reload. */
const keyOf = (name: string): string => `calvet.bench.${name}`;
const kept = new Map<string, unknown>();
const listeners = new Listeners();

function read(name: string): unknown {
  if (!kept.has(name)) {
    try {
      kept.set(name, JSON.parse(localStorage.getItem(keyOf(name)) ?? 'null') ?? undefined);
    } catch {
      kept.set(name, undefined);
    }
  }
  return kept.get(name);
}

/** What stands in a form of the bench; undefined where nothing was entered yet. */
export function useBenchDraft(name: string): unknown {
  return useSyncExternalStore(
    listeners.subscribe,
    () => read(name),
    () => undefined,
  );
}

/** Changes what stands in a form, from what stands there now. */
export function changeBenchDraft(name: string, change: (before: unknown) => unknown): void {
  const next = change(read(name));
  kept.set(name, next);
  try {
    if (next === undefined) localStorage.removeItem(keyOf(name));
    else localStorage.setItem(keyOf(name), JSON.stringify(next));
  } catch {
    // Without storage the form holds until the app is closed.
  }
  listeners.tell();
}
