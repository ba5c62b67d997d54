import { VERDICT_WORDS, type VerdictValue } from '@calvet/contract/walk/verdict';
import type { LookState } from '@calvet/contract/walk/looks';
import type { Mark } from '../../ui/line-mark';

/** The mark of each verdict. */
export const MARK_OF: Readonly<Record<VerdictValue, Mark>> = {
  good: 'solid',
  mend: 'broken',
  notSeen: 'dotted',
  notHere: 'thin',
};

/** The mark of how it stands with a checkpoint. */
export const MARK_OF_LOOK: Readonly<Record<LookState, Mark>> = {
  ...MARK_OF,
  left: 'dotted',
  again: 'half',
  covered: 'dotted',
};

/** How it stands with a checkpoint, in words; null where nobody looked yet. */
export const LOOK_WORDS: Readonly<Record<LookState, string | null>> = {
  ...VERDICT_WORDS,
  left: null,
  again: 'Look again',
  covered: 'Covered unseen',
};

/** What stands out of several that share a line, the first of these. */
const WORST_FIRST: readonly LookState[] = ['mend', 'covered', 'again', 'left', 'notSeen', 'good', 'notHere'];

/** The mark of a line that several share: of the worst of them; thin where there is nothing. */
export function markOfAll(states: Iterable<LookState>): Mark {
  const there = new Set(states);
  const worst = WORST_FIRST.find((state) => there.has(state));
  return worst === undefined ? 'thin' : MARK_OF_LOOK[worst];
}
