import type { HoldPoint } from '@calvet/core/calendar/hold-points';

/** What has to be looked at before one work, by one day. */
export interface Hold {
  /** Id of the work; null: none of its kind is planned, nor one that stands in for it. */
  readonly work: string | null;
  /** The last workday before that work; null: it has no date. */
  readonly seeBy: string | null;
  readonly state: HoldPoint['state'];
  readonly workdaysLeft: number | null;
  /** That work only stands in for the one that hides it: the day is the latest. */
  readonly standIn: boolean;
  /** Keys of the checkpoints. */
  readonly checkpoints: readonly string[];
}

/** True of what can still be looked at, by a day that is known. */
export const isToCome = ({ state }: Hold): boolean => state === 'late' || state === 'due';

/** True of what is late, or has to be looked at within so many workdays. */
export const isWithin = (hold: Hold, workdays: number): boolean =>
  isToCome(hold) && (hold.state === 'late' || (hold.workdaysLeft ?? 0) <= workdays);

/** All that is hidden by one work and has to be seen by one day, whether that work hides it or only stands in. */
export function together(holds: readonly Hold[]): readonly Hold[] {
  const found = new Map<string, Hold>();
  for (const hold of holds) {
    const name = `${hold.work} ${hold.seeBy}`;
    const before = found.get(name);
    const both = before && {
      ...before,
      standIn: before.standIn && hold.standIn,
      checkpoints: [...before.checkpoints, ...hold.checkpoints],
    };
    found.set(name, both ?? hold);
  }
  return [...found.values()];
}
