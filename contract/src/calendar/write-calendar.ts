import { dayNumber, dayText } from '@calvet/core/calendar/day-number';
import { createEvents, type DateArray, type EventAttributes } from 'ics';
import { workName, type Work } from '../plan/work';
import type { CalendarHere } from './calendar-here';
import { isToCome, together } from './hold';

/** Ids of days by which something is looked at begin with it: they follow from works, and are not read back. */
export const SEE_BY = 'see-by-';

type Dated = Extract<CalendarHere, { readonly state: 'dated' }>;

const dateOf = (day: number): DateArray => {
  const [year = 0, month = 0, date = 0] = dayText(day).split('-').map(Number);
  return [year, month, date];
};

/**
 * A house's works as an iCalendar (RFC 5545): each with a day as an event of whole days under its id, and before each that hides
 * something an event on the last day on which that is looked at.
 * @param made when it is written, UTC
 */
export function writeCalendar(
  house: string,
  works: readonly Work[],
  { works: days, holds }: Dated,
  made: Date,
): string {
  const stamp: DateArray = [
    made.getUTCFullYear(),
    made.getUTCMonth() + 1,
    made.getUTCDate(),
    made.getUTCHours(),
    made.getUTCMinutes(),
  ];
  const common = { calName: house, productId: 'calvet', created: stamp, lastModified: stamp };
  const dated = works.flatMap((work): readonly EventAttributes[] => {
    const { start, end } = days.get(work.id) ?? { start: null, end: null };
    if (start === null || end === null) return [];
    return [
      {
        ...common,
        uid: work.id,
        title: `${house}: ${workName(work)}`,
        start: dateOf(dayNumber(start)),
        // The day after its last, as the standard has it.
        end: dateOf(dayNumber(end) + 1),
        categories: [work.what],
      },
    ];
  });
  const looks = together(holds.filter(isToCome)).flatMap(
    ({ work: id, seeBy, checkpoints }): readonly EventAttributes[] => {
      const work = works.find((each) => each.id === id);
      if (work === undefined || seeBy === null) return [];
      return [
        {
          ...common,
          uid: `${SEE_BY}${work.id}`,
          title: `${house}: see ${checkpoints.length} before ${workName(work)}`,
          start: dateOf(dayNumber(seeBy)),
          end: dateOf(dayNumber(seeBy) + 1),
        },
      ];
    },
  );
  const { error, value } = createEvents([...dated, ...looks]);
  if (value == null) throw error ?? new Error('The calendar could not be written.');
  return value;
}
