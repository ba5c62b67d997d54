import { startTransition, useEffect, useState } from 'react';

/** A value as it is once it has not changed for a while: for what follows, and does not hold up who presses or types. */
export function useQuiet<T>(newest: T, quietMs: number): T {
  const [quiet, setQuiet] = useState(newest);
  useEffect(() => {
    const timer = setTimeout(() => startTransition(() => setQuiet(newest)), quietMs);
    return () => clearTimeout(timer);
  }, [newest, quietMs]);
  return quiet;
}
