import type { Change, ChangeOutcome } from '../src/changes/change';
import { takeChange, type AcceptedChange, type Ledger, type LedgerRecord } from '../src/changes/ledger';

/** The house of a ledger server. */
export const HOUSE = 'h';

/** A house on a server, without its database: every batch is taken by the rules of the ledger. */
export class LedgerServer {
  readonly records = new Map<string, LedgerRecord>();
  readonly history: AcceptedChange[] = [];

  take(changes: readonly Change[], device: string): readonly ChangeOutcome[] {
    const known = this.history.filter(({ changeId }) =>
      changes.some((change) => change.changeId === changeId),
    );
    const ledger: Ledger = {
      ledgerId: HOUSE,
      kind: 'house',
      author: {
        name: `person of ${device}`,
        device,
        now: new Date(1_000_000 + this.history.length),
        clock: null,
      },
      before: new Map(known.map((change) => [change.changeId, change])),
      past: [...this.history],
      records: this.records,
      there: new Set(),
      owners: new Map(),
      accepted: [],
      disputed: [],
      lastChange: this.history.length,
    };
    const outcomes = changes.map((change, i) => takeChange(change, i, ledger));
    this.history.push(...ledger.accepted);
    return outcomes;
  }
}
