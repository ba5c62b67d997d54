import type { KindedRecord } from '@calvet/contract';
import { EMPTY_COPY, withRecords, type HouseCopy } from './house-copy';
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
  private held: ReadonlyMap<string, HouseCopy> = new Map();
  private readonly listeners = new Listeners();

  constructor(private readonly options: CopiesOptions) {}

  readonly subscribe = this.listeners.subscribe;

  readonly all = (): ReadonlyMap<string, HouseCopy> => this.held;

  of(houseId: string): HouseCopy {
    return this.held.get(houseId) ?? EMPTY_COPY;
  }

  has(houseId: string): boolean {
    return this.held.has(houseId);
  }

  recordOf(houseId: string, id: string): KindedRecord | undefined {
    return this.held.get(houseId)?.records.get(id);
  }

  /** Takes up what the device kept; what the server said meanwhile is newer. */
  takeUp(kept: ReadonlyMap<string, HouseCopy>): void {
    const next = new Map(kept);
    for (const [houseId, { records, upTo }] of this.held) {
      next.set(houseId, withRecords(next.get(houseId) ?? EMPTY_COPY, [...records.values()], upTo));
    }
    this.held = next;
    this.listeners.tell();
  }

  /** Takes in records that the server told, keeps what is newer, and tells the other tabs. */
  take(houseId: string, records: readonly KindedRecord[], upTo: number): void {
    const since = this.of(houseId).upTo;
    const newer = this.lay(houseId, records, upTo);
    if (newer === null) return;
    this.options.local()?.keepCopy({ houseId, since, upTo: this.of(houseId).upTo }, newer);
    this.options.tabs.post({ kind: 'records', houseId, since, upTo: this.of(houseId).upTo, records: newer });
  }

  /** What is held of a house is this from now on; nothing where it is forgotten. */
  replace(houseId: string, copy: HouseCopy | null): void {
    this.set(houseId, copy);
    const local = this.options.local();
    local?.dropCopy(houseId);
    if (copy !== null) local?.keepCopy({ houseId, upTo: copy.upTo }, [...copy.records.values()]);
    this.options.tabs.post({ kind: 'replaced', houseId, copy });
  }

  /** Another tab, which wrote it down, told this. */
  hear(message: CopyMessage): void {
    if (message.kind === 'replaced') this.set(message.houseId, message.copy);
    else {
      // A tab that missed what came before knows no more than it did, but for these records.
      const { houseId, records, since, upTo } = message;
      const known = this.of(houseId).upTo;
      this.lay(houseId, records, known >= since ? upTo : known);
    }
  }

  /** Writes everything down again, after the device's database was lost. */
  rewrite(local: LocalDatabase): void {
    for (const [houseId, { upTo, records }] of this.held) {
      local.keepCopy({ houseId, upTo }, [...records.values()]);
    }
  }

  /** What was newer; null where nothing changed. */
  private lay(
    houseId: string,
    records: readonly KindedRecord[],
    upTo: number,
  ): readonly KindedRecord[] | null {
    const before = this.of(houseId);
    const next = withRecords(before, records, upTo);
    if (next === before && this.held.has(houseId)) return null;
    this.held = new Map(this.held).set(houseId, next);
    this.listeners.tell();
    return records.filter(({ record }) => next.records.get(record.id)?.record === record);
  }

  private set(houseId: string, copy: HouseCopy | null): void {
    const next = new Map(this.held);
    if (copy === null) next.delete(houseId);
    else next.set(houseId, copy);
    this.held = next;
    this.listeners.tell();
  }
}
