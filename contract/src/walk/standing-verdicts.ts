import { itemKey } from '../plan/item-key';
import type { Verdict, VerdictValue } from './verdict';

/** What counts at one checkpoint of one item. */
export interface Standing {
  /** The one that counts. */
  readonly counts: Verdict;
  /** Others that nothing follows: given without knowing of that one. Both are shown, and the next follows both. */
  readonly beside: readonly Verdict[];
  /** All that were given there, as they were made. */
  readonly all: readonly Verdict[];
}

/** Of two that were given without knowing of each other the first of these counts. */
const WORST_FIRST: readonly VerdictValue[] = ['mend', 'notSeen', 'good', 'notHere'];

const byWorst = (one: Verdict, other: Verdict): number =>
  WORST_FIRST.indexOf(one.value) - WORST_FIRST.indexOf(other.value) || (one.id < other.id ? -1 : 1);

/** Verdicts that none of the others follows. Were they to follow each other in a circle, all of them. */
function unfollowed(verdicts: readonly Verdict[]): readonly Verdict[] {
  const followed = new Set(
    verdicts.flatMap(({ id, follows }) => follows.map((each) => each.id).filter((each) => each !== id)),
  );
  const last = verdicts.filter(({ id }) => !followed.has(id));
  return last.length > 0 ? last : verdicts;
}

/**
 * What counts at each checkpoint, by `<checkpoint>@<item>`: the verdict that none follows, and of several the worst. No clock
 * decides, so that every device comes to the same, in whatever order they reach it. One that was deleted follows nothing.
 */
export function standingVerdicts(verdicts: readonly Verdict[]): ReadonlyMap<string, Standing> {
  const byKey = new Map<string, Verdict[]>();
  for (const verdict of verdicts) {
    const key = itemKey.checkpoint(verdict.checkpoint, verdict.item);
    const there = byKey.get(key);
    if (there === undefined) byKey.set(key, [verdict]);
    else there.push(verdict);
  }
  return new Map(
    [...byKey].flatMap(([key, all]): readonly [string, Standing][] => {
      const [counts, ...beside] = [...unfollowed(all)].sort(byWorst);
      return counts === undefined ? [] : [[key, { counts, beside, all }]];
    }),
  );
}

/**
 * The day on which somebody looked first; null where what counts is that nobody could. What was seen before it was covered
 * stays seen, whatever was found there later.
 */
export function firstSeenOn({ counts, all }: Standing): string | null {
  if (counts.value === 'notSeen') return null;
  return all.reduce(
    (first, { value, seenOn }) => (value !== 'notSeen' && seenOn < first ? seenOn : first),
    counts.seenOn,
  );
}

/** What the next verdict follows: all that nothing follows yet. */
export const followsOf = (standing: Standing | undefined): Verdict['follows'] =>
  standing === undefined ? [] : [standing.counts, ...standing.beside].map(({ id }) => ({ id }));

/** True where what counts was found by opening up what hid it. */
export const isOpenedUp = ({ counts }: Standing): boolean => counts.looked === 'openedUp';
