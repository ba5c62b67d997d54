import { computeWith } from '@calvet/core/operation';
import { Refusal } from '@calvet/core/refusal';
import type { HousePath, CalendarInput } from '@calvet/core/calendar/calendar-input';
import {
  holdPointsOperation,
  type CalendarFinding,
  type HoldPoint,
  type WorkDays,
} from '@calvet/core/calendar/hold-points';
import { orLeftOut, planOf, type Planned } from '../plan/plan-input';
import { numberOfWeekday } from '../plan/weekdays';
import { refusalFromCore, type FieldRefusal } from '../refusal-of';
import { HOUSE_PATH } from '../walk/paths';
import { firstSeenOn, isOpenedUp, standingVerdicts } from '../walk/standing-verdicts';
import type { Verdict } from '../walk/verdict';
import type { CheckpointHere, Walk } from '../walk/generate-walk';
import { isWithin, type Hold } from './hold';

/** When works are done, and by when what they hide has to be looked at. */
export type CalendarHere =
  | {
      readonly state: 'dated';
      /** By id. */
      readonly works: ReadonlyMap<string, WorkDays>;
      /** The most urgent first; those without a day last. */
      readonly holds: readonly Hold[];
      /** The id of the work that hides a checkpoint, by its key; also of what was seen. */
      readonly covers: ReadonlyMap<string, string>;
      readonly findings: readonly CalendarFinding[];
    }
  | {
      /** Works contradict each other: what is wrong, and with which. */
      readonly state: 'refused';
      readonly refusal: FieldRefusal;
      readonly work: string | null;
    };

/** A part of a house that is gone from its drawing: works on it hide nothing. */
const gone = (id: string): HousePath => [`gone ${id}`];

function inputOf(
  planned: Planned,
  { paths, stops }: Pick<Walk, 'paths' | 'stops'>,
  houseId: string,
  today: string,
  verdicts: readonly Verdict[],
): CalendarInput {
  const { workdays, closedDays } = planOf(planned);
  const standing = standingVerdicts(verdicts);
  const seenOn = (key: string): string | undefined => {
    const there = standing.get(key);
    return there === undefined ? undefined : orLeftOut(firstSeenOn(there));
  };
  const known = new Set(planned.works.map(({ id }) => id));
  return {
    today,
    workdays: workdays.map(numberOfWeekday),
    closedDays,
    works: planned.works.map(({ id, what, days, on, after, pinnedStart, begunOn, doneOn, half }) => ({
      id,
      kind: what,
      days,
      scopes: on.map((scope) =>
        scope.id === houseId ? [HOUSE_PATH] : (paths.get(scope.id) ?? gone(scope.id)),
      ),
      // One that was deleted is followed by nothing.
      after: after.filter((each) => known.has(each.id)),
      pinnedStart: orLeftOut(pinnedStart),
      begunOn: orLeftOut(begunOn),
      doneOn: orLeftOut(doneOn),
      half: orLeftOut(half),
    })),
    // What was opened up is hidden by nothing.
    items: stops.flatMap(({ checkpoints }) =>
      checkpoints
        .filter(({ key }) => {
          const there = standing.get(key);
          return there === undefined || !isOpenedUp(there);
        })
        .map(({ key, coverEvent, path }) => ({ id: key, coverEvent, path, seenOn: seenOn(key) })),
    ),
  };
}

const IN_WORKS = /^works\[(\d+)\]/;

/** Together what is hidden by one work, by one day, and stands alike. */
function holdsOf(items: readonly HoldPoint[]): readonly Hold[] {
  const holds = new Map<string, Hold & { readonly checkpoints: string[] }>();
  for (const { id, work, seeBy, state, workdaysLeft, standIn } of items) {
    const name = [work, seeBy, state, standIn].join(' ');
    const there = holds.get(name);
    if (there === undefined)
      holds.set(name, { work, seeBy, state, workdaysLeft, standIn, checkpoints: [id] });
    else there.checkpoints.push(id);
  }
  const rank = (seeBy: string | null): string => seeBy ?? '9999';
  return [...holds.values()].sort((a, b) =>
    rank(a.seeBy) < rank(b.seeBy) ? -1 : rank(a.seeBy) > rank(b.seeBy) ? 1 : 0,
  );
}

/**
 * When the works of a house are done, and by when what they hide has to be looked at.
 * @param today YYYY-MM-DD, where one is
 * @param verdicts what was found so far: what somebody has looked at is no hold any more
 */
export function calendarHere(
  planned: Planned,
  walk: Pick<Walk, 'paths' | 'stops'>,
  houseId: string,
  today: string,
  verdicts: readonly Verdict[],
): CalendarHere {
  const input = inputOf(planned, walk, houseId, today, verdicts);
  try {
    const { works, items, findings } = computeWith(holdPointsOperation, input);
    return {
      state: 'dated',
      works: new Map(works.map((each) => [each.id, each])),
      holds: holdsOf(items.filter(({ state }) => state !== 'open' && state !== 'seen')),
      covers: new Map(items.flatMap(({ id, work }) => (work === null ? [] : [[id, work]]))),
      findings,
    };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    const [, at] = IN_WORKS.exec(error.field) ?? [];
    return {
      state: 'refused',
      refusal: refusalFromCore(error),
      work: at === undefined ? null : (planned.works[Number(at)]?.id ?? null),
    };
  }
}

/** How near something is hidden that nobody has looked at, to be spoken of: in workdays. */
const SOON_WORKDAYS = 5;

/** Holds that are late, or near. */
export const urgentHolds = (holds: readonly Hold[]): readonly Hold[] =>
  holds.filter((hold) => isWithin(hold, SOON_WORKDAYS));

/** Which checkpoints belong to a hold, with their stops' order. */
export const checkpointsOf = (
  { stops }: Pick<Walk, 'stops'>,
  { checkpoints }: Hold,
): readonly CheckpointHere[] => {
  const wanted = new Set(checkpoints);
  return stops.flatMap((stop) => stop.checkpoints.filter(({ key }) => wanted.has(key)));
};
