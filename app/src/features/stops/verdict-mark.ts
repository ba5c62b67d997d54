import type { VerdictValue } from '@calvet/contract/walk/verdict';
import type { Mark } from '../../ui/line-mark';

/** The mark of each verdict. */
export const MARK_OF: Readonly<Record<VerdictValue, Mark>> = {
  good: 'solid',
  mend: 'broken',
  notSeen: 'dotted',
  notHere: 'thin',
};
