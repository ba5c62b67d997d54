import type { CalendarHere } from '@calvet/contract/calendar/calendar-here';
import type { Planned } from '@calvet/contract/plan/plan-input';
import type { Verdict } from '@calvet/contract/walk/verdict';
import type { GeneratedWalk } from '@calvet/contract/walk/generate-walk';

/** What is asked of a house: all that has to be looked at in it, and by when. */
export interface WalkQuestion {
  readonly planned: Planned;
  /** What was found in it so far. */
  readonly verdicts: readonly Verdict[];
  readonly houseId: string;
  /** YYYY-MM-DD, where one is. */
  readonly today: string;
}

/** All that has to be looked at in a house, and by when. */
export interface LookAhead {
  readonly walk: GeneratedWalk;
  /** Null while there is no walk. */
  readonly calendar: CalendarHere | null;
}

/** To the worker. */
export interface WalkRequest extends WalkQuestion {
  /** By which its answer is known. */
  readonly number: number;
}

/** From the worker: what was asked for, or that the program failed. */
export type WalkReport =
  | ({ readonly kind: 'walk'; readonly number: number } & LookAhead)
  | { readonly kind: 'failed'; readonly number: number; readonly message: string };
