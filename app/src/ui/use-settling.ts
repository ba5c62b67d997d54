import { useCallback, useMemo, useRef } from 'react';

/** Tells a press that is meant from the second of two, which meets what the first one brought. */
export interface Settling {
  /** What is pressed has changed just now. */
  readonly begin: () => void;
  /** It stands long enough to be meant. */
  readonly isOver: () => boolean;
}

/** @param ms for so long after a change nothing that is pressed counts */
export function useSettling(ms: number): Settling {
  const since = useRef(-Infinity);
  const begin = useCallback(() => {
    since.current = performance.now();
  }, []);
  const isOver = useCallback(() => performance.now() - since.current >= ms, [ms]);
  return useMemo(() => ({ begin, isOver }), [begin, isOver]);
}
