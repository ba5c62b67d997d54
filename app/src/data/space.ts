/** What the browser lets Calvet have on this device. */
export interface SpaceOnDevice {
  /** True where the browser promised not to clear it by itself. */
  readonly isPersistent: boolean;
  readonly usedMb: number | null;
  /** What the browser allows in all. */
  readonly roomMb: number | null;
}

const BYTES_PER_MB = 1_000_000;

const megabytes = (bytes: number | undefined): number | null =>
  bytes === undefined ? null : bytes / BYTES_PER_MB;

export async function spaceOnDevice(): Promise<SpaceOnDevice> {
  const storage = (navigator as Partial<Navigator>).storage;
  const [estimate, isPersistent] = await Promise.all([
    storage?.estimate?.() ?? Promise.resolve<StorageEstimate>({}),
    storage?.persisted?.() ?? Promise.resolve(false),
  ]).catch(() => [{} as StorageEstimate, false] as const);
  return {
    isPersistent,
    usedMb: megabytes(estimate.usage),
    roomMb: megabytes(estimate.quota),
  };
}

let isAsked = false;

/** Asks the browser, once, not to clear what is kept here: there is something on it now that exists nowhere else. */
export function askToPersist(): void {
  if (isAsked) return;
  isAsked = true;
  void (navigator as Partial<Navigator>).storage?.persist?.().catch(() => undefined);
}
