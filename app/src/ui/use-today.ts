import { useSyncExternalStore } from 'react';
import { today } from './format';

/** How often it is looked whether a day has begun. */
const LOOK_MS = 30_000;

function onNewDay(call: () => void): () => void {
  const timer = setInterval(call, LOOK_MS);
  document.addEventListener('visibilitychange', call);
  return () => {
    clearInterval(timer);
    document.removeEventListener('visibilitychange', call);
  };
}

/** The day that it is here, YYYY-MM-DD; right after midnight the next one, on a page that stayed open too. */
export const useToday = (): string => useSyncExternalStore(onNewDay, today, today);
