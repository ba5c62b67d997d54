import type { Work } from '@calvet/contract/plan/work';
import type { CalendarFinding, WorkDays } from '@calvet/core/calendar/hold-points';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';

/** Farther away than that a day is told with its year. */
const FAR_DAYS = 180;

/** A day as one speaks of it on site: Fri 12 Mar. */
export function weekday(isoDay: string): string {
  const date = parseISO(isoDay);
  const isFar = Math.abs(differenceInCalendarDays(date, new Date())) > FAR_DAYS;
  return format(date, isFar ? 'EEE d MMM yyyy' : 'EEE d MMM');
}

/** When a work is done, in words. */
export function daysInWords(work: Work, days: WorkDays | undefined): string {
  if (days === undefined || days.start === null || days.end === null) return 'no day yet';
  const span =
    days.start === days.end ? weekday(days.start) : `${weekday(days.start)} – ${weekday(days.end)}`;
  if (work.doneOn !== null) return `${span} · done`;
  if (work.begunOn !== null) return `${span} · begun`;
  return days.source === 'pinned' ? `${span} · set` : span;
}

/** What is amiss with the days of a work, and what to do about it. */
export function findingInWords(
  { rule, work, needs, day, message }: CalendarFinding,
  nameOf: (id: string) => string,
): string {
  const name = nameOf(work);
  const other = day === undefined ? 'another day' : weekday(day);
  switch (rule) {
    case 'order':
      return `${name} begins before “${nameOf(needs ?? '')}” is done, which has to come first: move one of them.`;
    case 'before-predecessor':
      return `${name} begins before what it follows is done: set it to ${other} or later, or move what it follows.`;
    case 'not-a-working-day':
      return `${name} is set to a day on which nobody works: set it to ${other}, or make that day a day of work.`;
    case 'has-it-begun':
      return `${name}: ${message}`;
  }
}

/** Works in the order in which they begin; those without a day last, as they were made. */
export function inStartOrder(works: readonly Work[], days: ReadonlyMap<string, WorkDays>): readonly Work[] {
  const startOf = ({ id }: Work): string => days.get(id)?.start ?? '9999';
  return works
    .map((work, i) => ({ work, i, start: startOf(work) }))
    .sort((a, b) => (a.start < b.start ? -1 : a.start > b.start ? 1 : a.i - b.i))
    .map(({ work }) => work);
}
