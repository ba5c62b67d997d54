import { v7 } from 'uuid';

const KEY = 'calvet.device';

function known(): string {
  try {
    const kept = localStorage.getItem(KEY);
    if (kept !== null) return kept;
    const made = v7();
    localStorage.setItem(KEY, made);
    return made;
  } catch {
    // Without storage this tab is a device of its own.
    return v7();
  }
}

/** Which device this is, by a UUID that it made for itself: so that nobody is in dispute with their own entries. */
export const deviceId: string = known();
