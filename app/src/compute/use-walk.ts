import type { Planned } from '@calvet/contract/plan/plan-input';
import type { GeneratedWalk } from '@calvet/contract/walk/generate-walk';
import { useEffect, useState } from 'react';
import { generateInWorker } from './walk-door';

/** What has to be looked at, as far as it is known. */
export interface WalkKnown {
  /** The last that was found; undefined until there is one. */
  readonly walk: GeneratedWalk | undefined;
  readonly error: Error | undefined;
  /** Asks once more. */
  readonly retry: () => void;
}

/** Finds what has to be looked at in a house, again whenever its plan changes. */
export function useWalk({ plans, storeys, zones, roofs, openings, features }: Planned): WalkKnown {
  const [walk, setWalk] = useState<GeneratedWalk>();
  const [error, setError] = useState<Error>();
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let isAwaited = true;
    generateInWorker({ plans, storeys, zones, roofs, openings, features }).then(
      (found) => {
        if (!isAwaited) return;
        setWalk(found);
        setError(undefined);
      },
      (reason: unknown) => {
        if (isAwaited) setError(reason instanceof Error ? reason : new Error(String(reason)));
      },
    );
    return () => {
      isAwaited = false;
    };
  }, [plans, storeys, zones, roofs, openings, features, tries]);
  return { walk, error, retry: () => setTries((before) => before + 1) };
}
