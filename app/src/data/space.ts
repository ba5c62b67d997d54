/** What the browser lets Calvet have on this device. */
export interface SpaceOnDevice {
  /** True where the browser promised not to clear it by itself. */
  readonly isPersistent: boolean;
  readonly usedMb: number | null;
}

const BYTES_PER_MB = 1_000_000;

export async function spaceOnDevice(): Promise<SpaceOnDevice> {
  const storage = (navigator as Partial<Navigator>).storage;
  const [estimate, isPersistent] = await Promise.all([
    storage?.estimate?.() ?? Promise.resolve({ usage: undefined }),
    storage?.persisted?.() ?? Promise.resolve(false),
  ]).catch(() => [{ usage: undefined }, false] as const);
  return {
    isPersistent,
    usedMb: estimate.usage === undefined ? null : estimate.usage / BYTES_PER_MB,
  };
}

let isAsked = false;

/** Asks the browser, once, not to clear what is kept here: there is something on it now that exists nowhere else. */
export function askToPersist(): void {
  if (isAsked) return;
  isAsked = true;
  void (navigator as Partial<Navigator>).storage?.persist?.().catch(() => undefined);
}
