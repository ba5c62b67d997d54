import type { CalendarHere } from '@calvet/contract/calendar/calendar-here';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import { looksOf, type Look } from '@calvet/contract/walk/looks';
import type { Standing } from '@calvet/contract/walk/standing-verdicts';
import { useMemo } from 'react';
import type { HouseView } from '../../data/as-drawn';

/** How it stands with each checkpoint of a house, by its key. */
export function useLooks(
  { house, works }: HouseView,
  walk: Walk,
  calendar: CalendarHere | null,
  standing: ReadonlyMap<string, Standing>,
): ReadonlyMap<string, Look> {
  return useMemo(
    () => looksOf(walk, { houseId: house.id, works, standing, calendar }),
    [walk, house.id, works, standing, calendar],
  );
}
