import type { Finding } from '../finding';
import type { Operation } from '../operation';
import { as, boolean, figure, list, optional, outcome, part, text } from '../schema';
import { calendarSchema, type CalendarInput, type HoldItem } from './calendar-input';
import { CoveringWorks } from './covering-work';
import { outOfOrder } from './order-of-works';
import { schedule, type ScheduledWork } from './schedule';
import { dayNumber, dayText, type DayNumber } from './day-number';
import { Workdays } from './workdays';

/** How a thing stands that has to be looked at before it is covered. */
export type HoldState = 'seen' | 'coveredUnseen' | 'open' | 'undated' | 'late' | 'due';

/** A work with its days, YYYY-MM-DD; null where they are not known. */
export interface WorkDays {
  readonly id: string;
  readonly start: string | null;
  readonly end: string | null;
  readonly source: ScheduledWork['source'];
}

/** By when a thing has to be looked at, and before what. */
export interface HoldPoint {
  readonly id: string;
  /** The work that covers it; null where none is planned, or nothing ever covers it. */
  readonly work: string | null;
  /** That work only stands in for one that is not planned: the day is the latest. */
  readonly standIn: boolean;
  /** The last workday before that work begins. */
  readonly seeBy: string | null;
  readonly state: HoldState;
  /** Workdays after today up to that day; null unless it is due. */
  readonly workdaysLeft: number | null;
}

export interface CalendarFinding extends Finding<
  'before-predecessor' | 'not-a-working-day' | 'has-it-begun' | 'order'
> {
  readonly work: string;
  /** The work that has to be done by then. */
  readonly needs?: string;
  /** The first day to which the work can be set instead. */
  readonly day?: string;
}

export interface HoldPoints {
  readonly works: readonly WorkDays[];
  readonly items: readonly HoldPoint[];
  readonly findings: readonly CalendarFinding[];
}

const textOr = (day: DayNumber | null): string | null => (day === null ? null : dayText(day));

/** The last workday before a work; its own first day where that begins in the afternoon of a workday. */
function lastLookBefore({ work, start }: ScheduledWork, workdays: Workdays): DayNumber | null {
  if (start === null) return null;
  return work.half === 'afternoon' && workdays.has(start) ? start : workdays.from(start, -1);
}

/** What nobody has looked at by the day on which it is covered can be looked at no more. */
function stateOf(
  { coverEvent, seenOn }: HoldItem,
  covering: ScheduledWork | null,
  seeBy: DayNumber | null,
  today: DayNumber,
): HoldState {
  const begunOn = covering?.work.begunOn;
  if (seenOn !== undefined && (begunOn === undefined || dayNumber(seenOn) <= dayNumber(begunOn)))
    return 'seen';
  if (begunOn !== undefined) return 'coveredUnseen';
  if (coverEvent === 'none') return 'open';
  if (seeBy === null) return 'undated';
  return seeBy < today ? 'late' : 'due';
}

function findingsOf(each: ScheduledWork, workdays: Workdays, today: DayNumber): readonly CalendarFinding[] {
  const { work, start, source, allowed } = each;
  const { id, begunOn, doneOn } = work;
  const warn = (rule: CalendarFinding['rule'], message: string, day?: DayNumber): CalendarFinding => ({
    rule,
    severity: 'warn',
    message,
    work: id,
    ...(day === undefined ? {} : { day: dayText(day) }),
  });
  const findings: CalendarFinding[] = [];
  if (start !== null && allowed !== null && start < allowed)
    findings.push(
      warn(
        'before-predecessor',
        `It begins before what it follows is done: set it to ${dayText(allowed)} or later, or move what it follows.`,
        allowed,
      ),
    );
  if (start !== null && source === 'pinned' && !workdays.has(start)) {
    const next = workdays.from(start, 1);
    const message = `Nobody works on the day that it is set to: set it to ${dayText(next)}, or make that day a day of work.`;
    findings.push(warn('not-a-working-day', message, next));
  }
  if (start !== null && start <= today && begunOn === undefined && doneOn === undefined)
    findings.push(warn('has-it-begun', 'Its day has come: say whether it has begun.'));
  return findings;
}

/**
 * When works begin, and by when what they cover has to be looked at: the workday before, since crews are early. What nobody
 * says to have begun covers nothing, however late it is.
 * @example holdPoints(examples['calendar.holdPoints']).items[0].seeBy // '2027-03-12'
 * @throws {Refusal} `duplicate-id`, `unknown-reference`, `circular`, `out-of-order`, `out-of-range`
 */
export function holdPoints(input: CalendarInput): HoldPoints {
  const workdays = new Workdays(input.workdays, input.closedDays);
  const today = dayNumber(input.today);
  const scheduled = schedule(input.works, workdays);
  const works = new CoveringWorks(scheduled);
  const lastLooks = new Map(scheduled.map((each) => [each, lastLookBefore(each, workdays)]));
  return {
    works: scheduled.map(({ work: { id }, start, end, source }) => ({
      id,
      start: textOr(start),
      end: textOr(end),
      source,
    })),
    items: input.items.map((item): HoldPoint => {
      const { covering, standIn } = works.of(item);
      const seeBy = covering === null ? null : (lastLooks.get(covering) ?? null);
      const state = stateOf(item, covering, seeBy, today);
      return {
        id: item.id,
        work: covering?.work.id ?? null,
        standIn,
        seeBy: textOr(seeBy),
        state,
        workdaysLeft: state === 'due' && seeBy !== null ? workdays.between(today, seeBy) : null,
      };
    }),
    findings: [
      ...scheduled.flatMap((each) => findingsOf(each, workdays, today)),
      ...outOfOrder(scheduled).map(({ work, needs }): CalendarFinding => ({
        rule: 'order',
        severity: 'warn',
        message: `It begins before “${needs.work.id}” is done, which has to come first: move one of them.`,
        work: work.work.id,
        needs: needs.work.id,
      })),
    ],
  };
}

/** `calendar.holdPoints`: by when what works cover has to be looked at. */
export const holdPointsOperation: Operation<CalendarInput, HoldPoints> = {
  schema: calendarSchema,
  run: holdPoints,
  words: {
    shelf: 'house',
    title: 'Hold points',
    tells: 'When each work begins, and by when what it covers has to be looked at.',
    alsoCalled: 'calendar, schedule, deadline, see by, before lining, before fill, works, crews',
    mainFigures: ['items', 'works'],
  },
  output: outcome<HoldPoints>({
    works: list(
      part({
        id: as('Name', text()),
        start: as('Begins', optional(text())),
        end: as('Ends', optional(text())),
        source: as('Known from', optional(text())),
      }),
    ),
    items: as(
      'To look at',
      list(
        part({
          id: as('Name', text()),
          work: as('Covered by', optional(text())),
          standIn: as('Stands in for another', boolean()),
          seeBy: as('See by', optional(text())),
          state: text(),
          workdaysLeft: as('Workdays left', optional(figure('count'))),
        }),
      ),
    ),
  }),
};
