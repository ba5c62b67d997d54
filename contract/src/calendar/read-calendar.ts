import { dayNumber, type DayNumber } from '@calvet/core/calendar/day-number';
import type { WorkDays } from '@calvet/core/calendar/hold-points';
import ICAL from 'ical.js';
import type { Work } from '../plan/work';
import { NAME_MAX, WORK_DAYS_MAX, WORKS_MAX } from '../limits';
import { SEE_BY } from './write-calendar';

/** No calendar of a house comes near it. */
export const CALENDAR_FILE_BYTES_MAX = 2_000_000;

/** What a file is no calendar for, in words. */
export class NoCalendarFile extends Error {}

/** A work that a file has on other days than the house. */
export interface MovedWork {
  readonly work: Work;
  readonly pinnedStart: string;
  /** Workdays that it takes by the file. */
  readonly days: number;
}

/** An event that is none of the house's works: somebody has to say what it is. */
export interface UnknownEvent {
  readonly id: string;
  readonly name: string;
  readonly start: string;
  readonly days: number;
}

/** What a calendar file says of the works of a house. */
export interface CalendarFile {
  readonly moved: readonly MovedWork[];
  readonly unknown: readonly UnknownEvent[];
  /** Known works that are where they were. */
  readonly same: number;
}

function eventsIn(text: string): readonly ICAL.Event[] {
  let root: ICAL.Component;
  try {
    root = new ICAL.Component(ICAL.parse(text) as unknown as ConstructorParameters<typeof ICAL.Component>[0]);
  } catch {
    throw new NoCalendarFile(
      'This file cannot be read: it is no iCalendar, or its end is missing. Save it anew where it came from.',
    );
  }
  if (root.name !== 'vcalendar')
    throw new NoCalendarFile('This is no iCalendar: choose a file that ends in .ics.');
  const events = root.getAllSubcomponents('vevent').map((each) => new ICAL.Event(each));
  if (events.length === 0)
    throw new NoCalendarFile('There is no event in this calendar. Nothing was brought in.');
  if (events.length > WORKS_MAX * 2)
    throw new NoCalendarFile(
      `This calendar has ${events.length} events, more than a house has works: save that of one house alone.`,
    );
  return events;
}

/** A day as a calendar on the wall has it: the date that is written, in whichever time zone. */
const dayOf = (time: ICAL.Time): string => time.toString().slice(0, 'YYYY-MM-DD'.length);

/** The last day of an event: one of whole days ends before the day that it names; one that ends at midnight too. */
function lastDayOf({ startDate, endDate }: ICAL.Event): number {
  const [first, end] = [dayNumber(dayOf(startDate)), dayNumber(dayOf(endDate))];
  const isBefore = endDate.isDate || (endDate.hour === 0 && endDate.minute === 0 && endDate.second === 0);
  return Math.max(first, isBefore ? end - 1 : end);
}

/**
 * Reads a calendar: which works of a house it moves, and which of its events are none of them.
 * @param days of the works as they stand
 * @param workdaysIn how many workdays there are from one day to another, both counted
 * @throws {NoCalendarFile}
 */
export function readCalendar(
  text: string,
  works: readonly Work[],
  days: ReadonlyMap<string, WorkDays>,
  workdaysIn: (firstDay: DayNumber, lastDay: DayNumber) => number,
): CalendarFile {
  const known = new Map(works.map((work) => [work.id, work]));
  const moved: MovedWork[] = [];
  const unknown: UnknownEvent[] = [];
  let same = 0;
  for (const event of eventsIn(text)) {
    if (event.uid.startsWith(SEE_BY)) continue;
    if (event.component.getFirstProperty('dtstart') === null)
      throw new NoCalendarFile(`“${event.summary}” has no day on which it begins. Nothing was brought in.`);
    const start = dayOf(event.startDate);
    const first = dayNumber(start);
    const count = Math.min(WORK_DAYS_MAX, Math.max(1, workdaysIn(first, lastDayOf(event))));
    const work = known.get(event.uid);
    if (work === undefined) {
      unknown.push({ id: event.uid, name: event.summary.slice(0, NAME_MAX), start, days: count });
      continue;
    }
    if (days.get(work.id)?.start === start && work.days === count) same += 1;
    else moved.push({ work, pinnedStart: start, days: count });
  }
  return { moved, unknown, same };
}
