import { FORMER_NAMES } from '@calvet/core/former-names';
import { useSyncExternalStore } from 'react';
import { Listeners } from './listeners';

/** What was entered on the bench stays on the device, also over a reload. */
const keyOf = (name: string): string => `calvet.bench.${name}`;
const kept = new Map<string, unknown>();
const listeners = new Listeners();

/** What is kept for a form, also under what its operation was called before. */
function textOf(name: string): string | null {
  const former = Object.keys(FORMER_NAMES).filter((each) => FORMER_NAMES[each] === name);
  const texts = [name, ...former].map((each) => localStorage.getItem(keyOf(each)));
  return texts.find((text) => text !== null) ?? null;
}

function read(name: string): unknown {
  if (!kept.has(name)) {
    try {
      kept.set(name, JSON.parse(textOf(name) ?? 'null') ?? undefined);
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
    // Emptied and not removed: else what the operation kept under its former name would come up again.
    if (next === undefined) localStorage.setItem(keyOf(name), 'null');
    else localStorage.setItem(keyOf(name), JSON.stringify(next));
  } catch {
    // Without storage the form holds until the app is closed.
  }
  listeners.tell();
}
