import type { CalendarHere } from '../calendar/calendar-here';
import type { Work } from '../plan/work';
import type { CheckpointHere, Walk } from './generate-walk';
import { Reopening } from './reopened';
import { isOpenedUp, type Standing } from './standing-verdicts';
import type { VerdictValue } from './verdict';

/**
 * How it stands with a checkpoint: what was found, or that nobody looked yet, that it has to be looked at again, or that it
 * was covered before anybody looked.
 */
export type LookState = VerdictValue | 'left' | 'again' | 'covered';

/** How it stands with one checkpoint, and by what. */
export interface Look {
  readonly state: LookState;
  /** All that was found there; undefined while nobody said anything. */
  readonly standing: Standing | undefined;
  /** The work that covered it, or may have broken it. */
  readonly work: Work | null;
}

/** What is known of a house beside its walk. */
export interface Known {
  readonly houseId: string;
  readonly works: readonly Work[];
  readonly standing: ReadonlyMap<string, Standing>;
  readonly calendar: CalendarHere | null;
}

/** Each checkpoint that was covered unseen, with the work that covered it. */
function coveredIn({ calendar, works }: Known): ReadonlyMap<string, Work | null> {
  if (calendar?.state !== 'dated') return new Map();
  const byId = new Map(works.map((work) => [work.id, work]));
  return new Map(
    calendar.holds
      .filter(({ state }) => state === 'coveredUnseen')
      .flatMap(({ work, checkpoints }) =>
        checkpoints.map((key): [string, Work | null] => [key, byId.get(work ?? '') ?? null]),
      ),
  );
}

/**
 * How it stands with each checkpoint of a house, by `<checkpoint>@<item>`. What was covered unseen stays so whatever is said
 * later, but by somebody who opened it up, or of a picture from before.
 */
export function looksOf(walk: Walk, known: Known): ReadonlyMap<string, Look> {
  const covered = coveredIn(known);
  const reopening = new Reopening(known.works, walk, known.houseId);
  const lookAt = (here: CheckpointHere): Look => {
    const standing = known.standing.get(here.key);
    const cover = covered.get(here.key);
    if (cover !== undefined && (standing === undefined || !isOpenedUp(standing)))
      return { state: 'covered', standing, work: cover };
    if (standing === undefined) return { state: 'left', standing, work: null };
    const { value, seenOn } = standing.counts;
    const work = value === 'good' ? reopening.after(here, seenOn) : null;
    return { state: work === null ? value : 'again', standing, work };
  };
  return new Map(
    walk.stops.flatMap(({ checkpoints }) => checkpoints.map((here) => [here.key, lookAt(here)])),
  );
}

/** True of what still waits for somebody's look. */
export const isLeft = (look: Look | undefined): boolean =>
  look === undefined || look.state === 'left' || look.state === 'again';
