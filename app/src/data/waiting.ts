import type { House } from '@calvet/contract';
import { EMPTY_COPY, viewOf, withPending, withRecords, type LedgerCopy, type HouseView } from './ledger-copy';
import type { OutboxState } from './outbox';
import { waitingIn } from './outbox-rules';

const settledViews = new WeakMap<LedgerCopy, HouseView | null>();

/** The view of a copy over which nothing waits; the same one each time, so that what is derived from it can be kept. */
function settledView(copy: LedgerCopy): HouseView | null {
  const before = settledViews.get(copy);
  if (before !== undefined) return before;
  const view = viewOf(copy);
  settledViews.set(copy, view);
  return view;
}

/** A house as it is held here with what waits to be sent laid over it; undefined where neither is known. */
export function viewWithWaiting(
  copy: LedgerCopy | undefined,
  ledgerId: string,
  state: OutboxState,
): HouseView | null | undefined {
  const waiting = waitingIn(state, ledgerId);
  if (waiting.length > 0) return viewOf(withPending(copy ?? EMPTY_COPY, ledgerId, waiting));
  return copy === undefined ? undefined : settledView(copy);
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
    const view = viewWithWaiting(copy, id, state);
    return view == null ? [] : [view.house];
  });
  return shown.sort((a, b) => a.name.localeCompare(b.name));
}
