import { Refusal } from '../refusal';
import type { PlannedWork } from './calendar-input';
import { dayNumber, type DayNumber } from './day-number';
import { type Workdays } from './workdays';

/** A work with its days; null where they are not known. */
export interface ScheduledWork {
  readonly work: PlannedWork;
  readonly start: DayNumber | null;
  readonly end: DayNumber | null;
  /** Whence its start is known: somebody said that it began, it is set, it follows from others. */
  readonly source: 'fact' | 'pinned' | 'derived' | null;
  /** The first day that the works it follows allow; null where they do not say. */
  readonly allowed: DayNumber | null;
}

function placesById(works: readonly PlannedWork[]): ReadonlyMap<string, number> {
  const places = new Map<string, number>();
  works.forEach(({ id }, i) => {
    if (places.has(id)) {
      throw new Refusal(
        'duplicate-id',
        `works[${i}].id`,
        'This id is that of another work: each needs its own.',
        {
          value: id,
        },
      );
    }
    places.set(id, i);
  });
  works.forEach(({ after = [] }, i) => {
    after.forEach(({ id }, j) => {
      if (places.has(id)) return;
      throw new Refusal('unknown-reference', `works[${i}].after[${j}].id`, 'There is no work of that name.', {
        value: id,
      });
    });
  });
  return places;
}

/** Works so that each stands behind all that it follows. */
function inSequence(works: readonly PlannedWork[], places: ReadonlyMap<string, number>): readonly number[] {
  const done: number[] = [];
  const state = new Map<number, 'open' | 'done'>();
  const visit = (i: number): void => {
    state.set(i, 'open');
    (works[i]?.after ?? []).forEach(({ id }, j) => {
      const before = places.get(id);
      if (before === undefined || state.get(before) === 'done') return;
      if (state.get(before) === 'open') {
        throw new Refusal(
          'circular',
          `works[${i}].after[${j}]`,
          'These works wait for each other in a circle: take one of them out of it.',
          { value: id },
        );
      }
      visit(before);
    });
    state.set(i, 'done');
    done.push(i);
  };
  works.forEach((_, i) => {
    if (!state.has(i)) visit(i);
  });
  return done;
}

/** The first day after all that a work follows: null where one of those has no date, or it follows none. */
function allowedBy(
  { after = [] }: PlannedWork,
  endOf: (id: string) => DayNumber | null,
  workdays: Workdays,
): DayNumber | null {
  const days = after.map(({ id, lagDays = 0 }) => {
    const end = endOf(id);
    return end === null ? null : workdays.from(end, 1 + lagDays);
  });
  return days.length === 0 || days.includes(null) ? null : Math.max(...days.map((day) => day ?? -Infinity));
}

function refuseDoneTooEarly({ begunOn, doneOn }: PlannedWork, start: DayNumber | null, i: number): void {
  const from = begunOn === undefined ? start : dayNumber(begunOn);
  if (doneOn === undefined || from === null || dayNumber(doneOn) >= from) return;
  throw new Refusal(
    'out-of-order',
    `works[${i}].doneOn`,
    'This work would be done before it begins: look at both days.',
    {
      value: doneOn,
    },
  );
}

/** Days are written with four figures for the year. */
const LAST_DAY = dayNumber('9999-12-31');

function refuseBeyondAllYears(end: DayNumber | null, i: number): void {
  if (end === null || end <= LAST_DAY) return;
  throw new Refusal('out-of-range', `works[${i}].days`, 'This work would end after the year 9999.', {
    bound: '9999-12-31',
  });
}

/**
 * When works begin and end: as somebody said that they began, else as they are set, else behind all that they follow.
 * @returns in the order in which they were given
 * @example schedule(examples['calendar.holdPoints'].works, new Workdays())[0].source // 'pinned'
 * @throws {Refusal} `duplicate-id`, `unknown-reference`, `circular`, `out-of-order`, `out-of-range`
 */
export function schedule(works: readonly PlannedWork[], workdays: Workdays): readonly ScheduledWork[] {
  const places = placesById(works);
  const found = new Map<string, ScheduledWork>();
  for (const i of inSequence(works, places)) {
    const work = works[i];
    if (work === undefined) continue;
    const { id, days, begunOn, pinnedStart, doneOn } = work;
    const allowed = allowedBy(work, (before) => found.get(before)?.end ?? null, workdays);
    const source = begunOn !== undefined ? 'fact' : pinnedStart !== undefined ? 'pinned' : 'derived';
    const known = begunOn ?? pinnedStart;
    const start = known === undefined ? allowed : dayNumber(known);
    const lasts = start === null ? null : workdays.from(start, days - 1);
    const end = doneOn === undefined ? lasts : dayNumber(doneOn);
    refuseBeyondAllYears(end, i);
    found.set(id, { work, start, end, source: start === null ? null : source, allowed });
  }
  const scheduled = works.flatMap(({ id }) => found.get(id) ?? []);
  scheduled.forEach(({ work, start }, i) => refuseDoneTooEarly(work, start, i));
  return scheduled;
}
