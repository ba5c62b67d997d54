import type { KeptChange } from './local-database';
import type { OutboxState, Pending, Troubled } from './outbox';

type Waiting = Pending | Troubled;

const waitingOf = ({ troubled, pending }: OutboxState): readonly Waiting[] => [...troubled, ...pending];

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

  differenceTo(state: OutboxState): OutboxDifference {
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
  private ordersFor(waiting: readonly Waiting[]): readonly number[] {
    const orders: number[] = [];
    for (const { change } of waiting) {
      const last = orders.at(-1) ?? -Infinity;
      const before = this.kept.get(change.changeId)?.order;
      orders.push(before !== undefined && before > last ? before : Math.max(0, last + 1));
    }
    return orders;
  }
}

/** The entries that a device had kept, in the order in which they wait. */
export function restoredFrom(changes: readonly KeptChange[]): Pick<OutboxState, 'pending' | 'troubled'> {
  const waiting = changes.map((change) => change.waiting);
  return {
    pending: waiting.filter((each): each is Pending => !('trouble' in each)),
    troubled: waiting.filter((each): each is Troubled => 'trouble' in each),
  };
}
