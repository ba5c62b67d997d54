import { PRACTICE_ID, type LedgerKind } from '@calvet/contract/ledger';
import type { Material } from '@calvet/contract/installation/material';
import type { House } from '@calvet/contract/house/house';
import type { Practice } from '@calvet/contract/practice/practice';
import {
  EMPTY_COPY,
  viewOf,
  withPending,
  withRecords,
  type LedgerCopy,
  type LedgerView,
} from './ledger-copy';
import type { OutboxState } from './outbox';
import { waitingIn } from './outbox-rules';

const settledViews = new WeakMap<LedgerCopy, LedgerView<LedgerKind> | null>();

/** The view of a copy over which nothing waits; the same one each time, so that what is derived from it can be kept. */
function settledView<L extends LedgerKind>(ledger: L, copy: LedgerCopy): LedgerView<L> | null {
  // A copy is one of one ledger, whose kind does not change.
  const before = settledViews.get(copy) as LedgerView<L> | null | undefined;
  if (before !== undefined) return before;
  const view = viewOf(ledger, copy);
  settledViews.set(copy, view as LedgerView<LedgerKind> | null);
  return view;
}

/** A ledger as it is held here with what waits to be sent laid over it; undefined where neither is known. */
export function viewWithWaiting<L extends LedgerKind>(
  ledger: L,
  copy: LedgerCopy | undefined,
  ledgerId: string,
  state: OutboxState,
): LedgerView<L> | null | undefined {
  const waiting = waitingIn(state, ledgerId);
  if (waiting.length > 0) return viewOf(ledger, withPending(copy ?? EMPTY_COPY, ledgerId, waiting));
  return copy === undefined ? undefined : settledView(ledger, copy);
}

/**
 * The list as the server told it, with what is known better here: houses that are held, in newer states, and changes that
 * wait.
 */
export function withNewerHouses(
  houses: readonly House[],
  copies: ReadonlyMap<string, LedgerCopy>,
  state: OutboxState,
): readonly House[] {
  const waiting = [...state.troubled, ...state.pending].filter(({ change }) => change.kind === 'house');
  const listed = new Map(houses.map((house) => [house.id, house]));
  const ids = new Set([...listed.keys(), ...copies.keys(), ...waiting.map(({ ledgerId }) => ledgerId)]);
  const shown = [...ids].flatMap((id): House[] => {
    const told = listed.get(id);
    const known = copies.get(id)?.records.get(id);
    const states = [known, told && { kind: 'house' as const, record: told }];
    const copy = withRecords(
      EMPTY_COPY,
      states.filter((each) => each !== undefined),
      0,
    );
    const view = viewWithWaiting('house', copy, id, state);
    return view == null ? [] : [view.house];
  });
  return shown.sort((a, b) => a.name.localeCompare(b.name));
}

/** The practice with its settings, as it is held here with what waits; undefined where it is not known. */
export const practiceIn = (
  copies: ReadonlyMap<string, LedgerCopy>,
  state: OutboxState,
): Practice | undefined => viewWithWaiting('practice', copies.get(PRACTICE_ID), PRACTICE_ID, state)?.practice;

/** Materials of the practice, as they are held here with what waits. */
export const materialsIn = (
  copies: ReadonlyMap<string, LedgerCopy>,
  state: OutboxState,
): readonly Material[] =>
  viewWithWaiting('practice', copies.get(PRACTICE_ID), PRACTICE_ID, state)?.materials ?? [];
