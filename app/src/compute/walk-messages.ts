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
export interface WalkRequest extends Omit<WalkQuestion, 'planned'> {
  /** By which its answer is known. */
  readonly number: number;
  /** Null: as it was sent last for this house. */
  readonly planned: Planned | null;
  /** Ids of the houses whose plans are asked of again; the worker forgets the others. */
  readonly held: readonly string[];
}

/** From the worker: what was asked for, or that the program failed. */
export type WalkReport =
  | {
      readonly kind: 'walk';
      readonly number: number;
      /** Null: the one that was told last of this house, whose plan is the same. */
      readonly walk: GeneratedWalk | null;
      readonly calendar: CalendarHere | null;
    }
  | { readonly kind: 'failed'; readonly number: number; readonly message: string };
