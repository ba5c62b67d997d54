import type { BarrierState } from '@calvet/contract/continuity/unrolled';
import type { Mark } from '../../ui/line-mark';

/** The mark of a piece of the air barrier. */
export const MARK_OF_BARRIER: Readonly<Record<BarrierState, Mark>> = {
  sealed: 'solid',
  open: 'broken',
  notSeen: 'dotted',
  notNeeded: 'thin',
};

/** How it stands with it, in words. */
export const BARRIER_WORDS: Readonly<Record<BarrierState, string>> = {
  sealed: 'Sealed',
  open: 'Open',
  notSeen: 'Not seen',
  notNeeded: 'Not needed',
};
