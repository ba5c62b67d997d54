import { v7 } from 'uuid';

const KEY = 'calvet.device';

interface Device {
  readonly id: string;
  readonly isNew: boolean;
}

function known(): Device {
  const made = { id: v7(), isNew: true };
  try {
    const kept = localStorage.getItem(KEY);
    if (kept !== null) return { id: kept, isNew: false };
    localStorage.setItem(KEY, made.id);
  } catch {
    // Without storage this tab is a device of its own.
  }
  return made;
}

/** Which device this is, by a UUID that it made for itself: the history of a record tells them apart. */
export const { id: deviceId, isNew: isNewDevice } = known();
