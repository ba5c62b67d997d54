import { useEffect, useState } from 'react';

/** What was found, as far as it is known. */
export interface Found<T> {
  /** The last that was found, also while it is found anew; undefined until there is one. */
  readonly data: T | undefined;
  readonly error: Error | undefined;
  /** Asks once more. */
  readonly retry: () => void;
}

/**
 * Finds something that takes a while, again whenever it is asked anew.
 * @param find the same function as long as the same is asked
 */
export function useFound<T>(find: () => Promise<T>): Found<T> {
  const [data, setData] = useState<T>();
  const [error, setError] = useState<Error>();
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let isAwaited = true;
    find().then(
      (next) => {
        if (!isAwaited) return;
        setData(next);
        setError(undefined);
      },
      (reason: unknown) => {
        if (isAwaited) setError(reason instanceof Error ? reason : new Error(String(reason)));
      },
    );
    return () => {
      isAwaited = false;
    };
  }, [find, tries]);
  return { data, error, retry: () => setTries((before) => before + 1) };
}
