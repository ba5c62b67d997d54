import { useEffect, useState } from 'react';
import type { HouseView } from '../data/as-drawn';
import { useToday } from '../ui/use-today';
import { lookAhead } from './walk-door';
import type { LookAhead } from './walk-messages';

/** What has to be looked at, and by when, as far as it is known. */
export interface WalkKnown extends Partial<LookAhead> {
  readonly error: Error | undefined;
  /** Asks once more. */
  readonly retry: () => void;
}

/** Finds what has to be looked at in a house, and by when: again whenever its plan changes, and on a new day. */
export function useWalk(view: HouseView): WalkKnown {
  const { house, plans, storeys, zones, roofs, openings, features, works } = view;
  const today = useToday();
  const [found, setFound] = useState<LookAhead>();
  const [error, setError] = useState<Error>();
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let isAwaited = true;
    const planned = { plans, storeys, zones, roofs, openings, features, works };
    lookAhead({ planned, houseId: house.id, today }).then(
      (next) => {
        if (!isAwaited) return;
        setFound(next);
        setError(undefined);
      },
      (reason: unknown) => {
        if (isAwaited) setError(reason instanceof Error ? reason : new Error(String(reason)));
      },
    );
    return () => {
      isAwaited = false;
    };
  }, [house.id, plans, storeys, zones, roofs, openings, features, works, today, tries]);
  return { ...found, error, retry: () => setTries((before) => before + 1) };
}
