import { v7, validate } from 'uuid';

const KEY = 'calvet.device';

function known(): string {
  const made = v7();
  try {
    const kept = localStorage.getItem(KEY);
    // Anything else the server would not take.
    if (kept !== null && validate(kept)) return kept;
    localStorage.setItem(KEY, made);
  } catch {
    // Without storage this tab is a device of its own.
  }
  return made;
}

/** Which device this is, by a UUID that it made for itself: the history of a record tells them apart. */
export const deviceId = known();
