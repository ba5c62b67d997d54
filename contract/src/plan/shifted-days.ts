import { dayNumber, dayText } from '@calvet/core/calendar/day-number';
import type { Work } from './work';

/** How many days the works of a house move so that the first that is set begins on a day; null where none is set, or none given. */
export function daysTo(works: readonly Pick<Work, 'pinnedStart'>[], startsOn: string | null): number | null {
  const set = works.flatMap(({ pinnedStart }) => pinnedStart ?? []).sort();
  const [first] = set;
  return first === undefined || startsOn === null ? null : dayNumber(startsOn) - dayNumber(first);
}

/** A day moved by so many days; null where there is none, or it is not known by how many. */
export const shiftedDay = (day: string | null, days: number | null): string | null =>
  day === null || days === null ? null : dayText(dayNumber(day) + days);
