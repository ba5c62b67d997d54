import type { KeptChange } from './local-schema';
import type { Pending, Troubled, Waiting } from './outbox-rules';

type Each = Pending | Troubled;

const waitingOf = ({ troubled, pending }: Waiting): readonly Each[] => [...troubled, ...pending];

/** What of an outbox has to be written down, and what struck out, after it changed. */
export interface OutboxDifference {
  readonly changed: readonly KeptChange[];
  readonly gone: readonly string[];
}

/** Follows an outbox and tells what changed in it, each time; keeps the order in which entries are to be sent. */
export class OutboxKeeper {
  private kept: ReadonlyMap<string, KeptChange> = new Map();

  /** Takes as written what a device had kept. */
  start(changes: readonly KeptChange[]): void {
    this.kept = new Map(changes.map((change) => [change.changeId, change]));
  }

  /** Everything, in its order. */
  all(): readonly KeptChange[] {
    return [...this.kept.values()].sort((a, b) => a.order - b.order);
  }

  /** What is known here and not among these. */
  goneFrom(changes: readonly KeptChange[]): readonly string[] {
    const there = new Set(changes.map(({ changeId }) => changeId));
    return [...this.kept.keys()].filter((changeId) => !there.has(changeId));
  }

  /** Takes over what another tab has written, and gives back everything in its order. */
  hear(changed: readonly KeptChange[], gone: readonly string[]): readonly KeptChange[] {
    const next = new Map(this.kept);
    gone.forEach((changeId) => next.delete(changeId));
    changed.forEach((change) => next.set(change.changeId, change));
    this.kept = next;
    return this.all();
  }

  differenceTo(state: Waiting): OutboxDifference {
    const waiting = waitingOf(state);
    const orders = this.ordersFor(waiting);
    const next = new Map(
      waiting.map((each, i): [string, KeptChange] => {
        const { changeId } = each.change;
        const before = this.kept.get(changeId);
        const order = orders[i] ?? 0;
        const isSame = before !== undefined && before.waiting === each && before.order === order;
        return [changeId, isSame ? before : { changeId, order, waiting: each }];
      }),
    );
    const changed = [...next.values()].filter((change) => this.kept.get(change.changeId) !== change);
    const gone = [...this.kept.keys()].filter((changeId) => !next.has(changeId));
    this.kept = next;
    return { changed, gone };
  }

  /** Ascending numbers; one that was given before is kept wherever it still fits. */
  private ordersFor(waiting: readonly Each[]): readonly number[] {
    const orders: number[] = [];
    for (const { change } of waiting) {
      const last = orders.at(-1) ?? -Infinity;
      const before = this.kept.get(change.changeId)?.order;
      orders.push(before !== undefined && before > last ? before : Math.max(0, last + 1));
    }
    return orders;
  }
}

/**
 * The entries that a device had kept, in the order in which they wait. The first version did not note which had left: any
 * of those may have.
 */
export function restoredFrom(changes: readonly KeptChange[]): Waiting {
  const waiting = changes.map((change) =>
    'isSealed' in change.waiting ? change.waiting : { ...(change.waiting as Each), isSealed: true },
  );
  return {
    pending: waiting.filter((each): each is Pending => !('trouble' in each)),
    troubled: waiting.filter((each): each is Troubled => 'trouble' in each),
  };
}
