import { useCallback } from 'react';
import type { HouseView } from '../data/as-drawn';
import { useToday } from '../ui/use-today';
import { useFound, type Found } from './use-found';
import { lookAhead } from './walk-door';
import type { LookAhead } from './walk-messages';

/** What has to be looked at, and by when, as far as it is known. */
export type WalkKnown = Partial<LookAhead> & Omit<Found<LookAhead>, 'data'>;

/** Finds what has to be looked at in a house, and by when: again whenever its plan changes, with each verdict, on a new day. */
export function useWalk(view: HouseView): WalkKnown {
  const { house, plans, storeys, zones, roofs, openings, features, works, verdicts } = view;
  const today = useToday();
  const find = useCallback(() => {
    const planned = { plans, storeys, zones, roofs, openings, features, works };
    return lookAhead({ planned, verdicts, houseId: house.id, today });
  }, [house.id, plans, storeys, zones, roofs, openings, features, works, verdicts, today]);
  const { data, ...state } = useFound(find);
  return { ...data, ...state };
}
