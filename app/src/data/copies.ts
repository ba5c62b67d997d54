import type { KindedRecord } from '@calvet/contract/kinds';
import { EMPTY_COPY, withRecords, type LedgerCopy } from './ledger-copy';
import { Listeners } from './listeners';
import type { LocalDatabase } from './local-database';
import type { TabMessage, Tabs } from './tabs';

interface CopiesOptions {
  readonly tabs: Pick<Tabs, 'post'>;
  readonly local: () => LocalDatabase | null;
}

type CopyMessage = Extract<TabMessage, { kind: 'records' | 'replaced' }>;

/** What this device holds, by house. A record gives way to a newer one only, wherever that comes from. */
export class Copies {
  private held: ReadonlyMap<string, LedgerCopy> = new Map();
  private readonly listeners = new Listeners();

  constructor(private readonly options: CopiesOptions) {}

  readonly subscribe = this.listeners.subscribe;

  readonly all = (): ReadonlyMap<string, LedgerCopy> => this.held;

  of(ledgerId: string): LedgerCopy {
    return this.held.get(ledgerId) ?? EMPTY_COPY;
  }

  has(ledgerId: string): boolean {
    return this.held.has(ledgerId);
  }

  recordOf(ledgerId: string, id: string): KindedRecord | undefined {
    return this.held.get(ledgerId)?.records.get(id);
  }

  /** Takes up what the device kept; what the server said meanwhile is newer. */
  takeUp(kept: ReadonlyMap<string, LedgerCopy>): void {
    const next = new Map(kept);
    for (const [ledgerId, { records, upTo }] of this.held) {
      next.set(ledgerId, withRecords(next.get(ledgerId) ?? EMPTY_COPY, [...records.values()], upTo));
    }
    this.held = next;
    this.listeners.tell();
  }

  /** Takes in records that the server told, keeps what is newer, and tells the other tabs. */
  take(ledgerId: string, records: readonly KindedRecord[], upTo: number): void {
    const since = this.of(ledgerId).upTo;
    const newer = this.lay(ledgerId, records, upTo);
    if (newer === null) return;
    this.options.local()?.keepCopy({ ledgerId, since, upTo: this.of(ledgerId).upTo }, newer);
    this.options.tabs.post({
      kind: 'records',
      ledgerId,
      since,
      upTo: this.of(ledgerId).upTo,
      records: newer,
    });
  }

  /** What is held of a house is this from now on; nothing where it is forgotten. */
  replace(ledgerId: string, copy: LedgerCopy | null): void {
    this.set(ledgerId, copy);
    const local = this.options.local();
    local?.dropCopy(ledgerId);
    if (copy !== null) local?.keepCopy({ ledgerId, upTo: copy.upTo }, [...copy.records.values()]);
    this.options.tabs.post({ kind: 'replaced', ledgerId, copy });
  }

  /** Another tab, which wrote it down, told this. */
  hear(message: CopyMessage): void {
    if (message.kind === 'replaced') this.set(message.ledgerId, message.copy);
    else {
      // A tab that missed what came before knows no more than it did, but for these records.
      const { ledgerId, records, since, upTo } = message;
      const known = this.of(ledgerId).upTo;
      this.lay(ledgerId, records, known >= since ? upTo : known);
    }
  }

  /** Writes everything down again, after the device's database was lost. */
  rewrite(local: LocalDatabase): void {
    for (const [ledgerId, { upTo, records }] of this.held) {
      local.keepCopy({ ledgerId, upTo }, [...records.values()]);
    }
  }

  /** What was newer; null where nothing changed. */
  private lay(
    ledgerId: string,
    records: readonly KindedRecord[],
    upTo: number,
  ): readonly KindedRecord[] | null {
    const before = this.of(ledgerId);
    const next = withRecords(before, records, upTo);
    if (next === before && this.held.has(ledgerId)) return null;
    this.held = new Map(this.held).set(ledgerId, next);
    this.listeners.tell();
    return records.filter(({ record }) => next.records.get(record.id)?.record === record);
  }

  private set(ledgerId: string, copy: LedgerCopy | null): void {
    const next = new Map(this.held);
    if (copy === null) next.delete(ledgerId);
    else next.set(ledgerId, copy);
    this.held = next;
    this.listeners.tell();
  }
}
