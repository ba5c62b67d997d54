import type { CalendarHere } from '@calvet/contract/calendar/calendar-here';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import { looksOf, type Known, type Look } from '@calvet/contract/walk/looks';
import type { Standing } from '@calvet/contract/walk/standing-verdicts';
import { useMemo } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { asLastTime } from '../../data/last-time';

const looked = asLastTime(
  (
    walk: Walk,
    houseId: string,
    works: Known['works'],
    standing: Known['standing'],
    calendar: Known['calendar'],
  ) => looksOf(walk, { houseId, works, standing, calendar }),
);

/** How it stands with each checkpoint of a house, by its key. */
export function useLooks(
  { house, works }: HouseView,
  walk: Walk,
  calendar: CalendarHere | null,
  standing: ReadonlyMap<string, Standing>,
): ReadonlyMap<string, Look> {
  return useMemo(
    () => looked(walk, house.id, works, standing, calendar),
    [walk, house.id, works, standing, calendar],
  );
}
