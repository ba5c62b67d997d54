import type { ChangeOutcome } from '@calvet/contract/changes/change';
import { OutboxKeeper, restoredFrom } from './kept-outbox';
import { Listeners } from './listeners';
import type { LocalDatabase } from './local-database';
import type { KeptChange, KeptEntry, KeptWaiting } from './local-schema';
import { withDecision, withOutcomes } from './outbox-answers';
import {
  afterLoss,
  NOTHING_WAITS,
  sealed,
  seenUnder,
  withEntries,
  type Decision,
  type Entry,
  type Pending,
  type Waiting,
} from './outbox-rules';
import type { TabMessage } from './tabs';

export type Phase = 'idle' | 'sending' | 'unreachable';

export interface OutboxState extends Waiting {
  readonly phase: Phase;
}

interface OutboxOptions {
  readonly post: (message: TabMessage) => void;
  /** Null where nothing is kept on the device, or not yet. */
  readonly local: () => LocalDatabase | null;
  readonly newId: () => string;
  /** There is something to send. */
  readonly onWaiting: () => void;
}

type OutboxMessage = Extract<TabMessage, { kind: 'outbox' }>;

/**
 * Holds what was entered until the server has it. One tab changes what waits and sends it; the others put what is entered
 * in them into the device's database, from where that tab takes it, each once. Nothing leaves in silence.
 */
export class Outbox {
  private waiting: Waiting = NOTHING_WAITS;
  /** Entered in tabs that do not send, and not yet taken by the one that does. */
  private own: readonly Entry[] = [];
  /** Of these, what is on its way into the device's database. */
  private readonly unwritten = new Set<string>();
  /** Of these, what was only told to the tab that sends, as long as the device's database is not here: it may hear nothing. */
  private readonly onlyTold = new Set<string>();
  /** Taken by this tab while it is the one that sends, so that none is taken twice. */
  private readonly taken = new Set<string>();
  /** Of which another tab told that it took them: they are not shown twice. It may have ended before that was kept. */
  private readonly toldTaken = new Set<string>();
  private leads = false;
  private phase: Phase = 'idle';
  private shown: OutboxState = { ...NOTHING_WAITS, phase: 'idle' };
  private readonly keeper = new OutboxKeeper();
  private readonly listeners = new Listeners();

  constructor(private readonly options: OutboxOptions) {}

  readonly subscribe = this.listeners.subscribe;

  /** What waits, with what was entered in this tab. */
  readonly getState = (): OutboxState => this.shown;

  /** What this tab, if it is the one that sends, has to send. */
  readonly toSend = (): Waiting => this.waiting;

  /** True while this tab is the one that changes what waits, and sends it. */
  readonly isLeading = (): boolean => this.leads;

  write(made: readonly Entry[]): void {
    const entries = made.map((entry) => ({ ...entry, seen: seenUnder(this.waiting, entry.id) }));
    // What was entered before it, while another tab sent, goes first.
    if (this.leads && this.own.length === 0) {
      this.change(withEntries(this.waiting, entries));
      this.options.onWaiting();
      return;
    }
    this.own = [...this.own, ...entries];
    this.show();
    this.handOver(entries);
  }

  /** What the server lost of a house is sent again, before all that waits. */
  writeLost(ledgerId: string, lost: readonly Entry[], revisionOf: (id: string) => number): void {
    this.change(afterLoss(this.waiting, ledgerId, lost, revisionOf, this.options.newId));
    this.options.onWaiting();
  }

  decide(decision: Decision): void {
    const { post, newId } = this.options;
    if (!this.leads) {
      post({ kind: 'decide', decision });
      return;
    }
    this.change(withDecision(this.waiting, decision, newId));
    this.options.onWaiting();
  }

  /**
   * Takes up what another device held unsent, after all that waits here; what waits here already stays as it is.
   * @returns how many are new here
   */
  bringBack(changes: readonly Pending[]): number {
    const { pending, troubled } = this.waiting;
    const known = new Set([...pending, ...troubled].map(({ change }) => change.changeId));
    const fresh = changes.filter(({ change }) => !known.has(change.changeId));
    this.change({ troubled, pending: [...pending, ...fresh] });
    this.options.onWaiting();
    return fresh.length;
  }

  /** Marks changes as having left, and settles once that is written down. */
  async seal(changeIds: ReadonlySet<string>): Promise<void> {
    this.change(sealed(this.waiting, changeIds));
    await this.options.local()?.settled();
  }

  answered(outcomes: ReadonlyMap<string, ChangeOutcome>): void {
    this.change(withOutcomes(this.waiting, outcomes, this.options.newId));
  }

  setPhase(phase: Phase): void {
    if (this.phase === phase) return;
    this.phase = phase;
    this.show();
    this.tellTabs({ changed: [], gone: [] });
  }

  /** Takes up what the device kept: this tab is the one that sends from now on, if it was not already. */
  lead(changes: readonly KeptChange[], entered: readonly KeptEntry[]): void {
    const before = this.leads ? this.waiting : NOTHING_WAITS;
    const kept = restoredFrom(changes);
    this.keeper.start(changes);
    this.leads = true;
    this.toldTaken.clear();
    // What was written down and is not there any more was taken by the tab that sent before this one.
    const known = new Set(entered.map(({ entry }) => entry.entryId));
    const own = this.own.filter(({ entryId }) => this.isOwnAlone(entryId) && !known.has(entryId));
    // What is on its way into the database is taken from there, like what other tabs put in.
    const isHandedOver = this.options.local() !== null;
    this.own = isHandedOver ? own : [];
    this.change({
      pending: [...kept.pending, ...before.pending.filter((each) => !includes(kept.pending, each))],
      troubled: [...kept.troubled, ...before.troubled.filter((each) => !includes(kept.troubled, each))],
    });
    this.take(entered);
    if (!isHandedOver) this.change(withEntries(this.waiting, own));
    this.options.onWaiting();
  }

  /** Shows what the device kept, which another tab sends. */
  follow({ outbox, entries }: KeptWaiting): void {
    if (this.leads) return;
    this.waiting = restoredFrom(this.keeper.hear(outbox, this.keeper.goneFrom(outbox)));
    // Nobody may have heard of it: from now on it is kept, and taken from there.
    const told = this.own.filter(({ entryId }) => this.onlyTold.has(entryId));
    if (told.length > 0) this.handOver(told);
    this.showEntered(entries);
  }

  /** Another tab is to send: this one only shows. */
  rest(): void {
    this.leads = false;
  }

  /** Takes what lies in the device's database, where this tab is the one that does. */
  async takeEntered(): Promise<void> {
    if (this.leads) this.take((await this.options.local()?.loadEntries()) ?? []);
  }

  /** Takes what other tabs have entered. */
  take(entered: readonly KeptEntry[]): void {
    if (!this.leads || entered.length === 0) return;
    const took = new Set(entered.map(({ entry }) => entry.entryId));
    this.own = this.own.filter(({ entryId }) => !took.has(entryId));
    const fresh = entered.filter(({ entry }) => !this.taken.has(entry.entryId));
    fresh.forEach(({ entry }) => this.taken.add(entry.entryId));
    this.options.local()?.dropEntries(entered.flatMap(({ order }) => (order === null ? [] : [order])));
    const next = withEntries(
      this.waiting,
      fresh.map(({ entry }) => entry),
    );
    // What no database holds is taken once it is written down here: until then the other tab has it still.
    const isToldAlone = entered.some(({ order }) => order === null);
    this.change(next, isToldAlone ? [] : [...took]);
    if (isToldAlone) void this.confirm([...took]);
    this.options.onWaiting();
  }

  private async confirm(took: readonly string[]): Promise<void> {
    await this.options.local()?.settled();
    this.tellTabs({ changed: [], gone: [] }, took);
  }

  /** Tells the other tabs all that waits, once it is written down. */
  async tellAll(): Promise<void> {
    await this.options.local()?.settled();
    if (!this.leads) return;
    const changed = this.keeper.all();
    this.options.post({ kind: 'outbox', changed, gone: [], took: [], phase: this.phase, isAll: true });
  }

  /** The tab that sends told what waits now. */
  hear({ changed, gone, took, phase, isAll }: OutboxMessage): void {
    if (this.leads) return;
    took.forEach((entryId) => {
      this.toldTaken.add(entryId);
      this.onlyTold.delete(entryId);
    });
    this.own = this.own.filter(({ entryId }) => !took.includes(entryId));
    this.waiting = restoredFrom(this.keeper.hear(changed, isAll ? this.keeper.goneFrom(changed) : gone));
    this.phase = phase;
    this.show();
    // Of what was entered here, the tab that sends may have taken something before this one could hear of it.
    if (isAll)
      void this.options
        .local()
        ?.loadEntries()
        .then((entries) => this.showEntered(entries));
  }

  /** Writes it down again, after the device's database was lost. */
  rewrite(local: LocalDatabase): void {
    if (this.leads) local.rewriteChanges(this.keeper.all());
    else this.handOver(this.own);
  }

  /** Tells what was entered here and is kept nowhere, in its order, to a tab that may not have sent before. */
  tellOwn(): void {
    const entries = this.own.filter(({ entryId }) => this.onlyTold.has(entryId));
    if (entries.length > 0) this.options.post({ kind: 'entered', entries });
  }

  /** Gives entries to the tab that sends: by the device's database, or directly where there is none. */
  private handOver(entries: readonly Entry[]): void {
    const local = this.options.local();
    if (local === null) {
      entries.forEach(({ entryId }) => this.onlyTold.add(entryId));
      this.tellOwn();
      return;
    }
    for (const { entryId } of entries) {
      this.onlyTold.delete(entryId);
      this.unwritten.add(entryId);
    }
    local.keepEntries(entries, () => {
      entries.forEach(({ entryId }) => this.unwritten.delete(entryId));
      this.options.post({ kind: 'entered', entries: [] });
      void this.takeEntered();
    });
  }

  /** Shows the entries that still lie in the device's database, and those that are on their way there. */
  private showEntered(entered: readonly KeptEntry[]): void {
    if (this.leads) return;
    const known = new Set(entered.map(({ entry }) => entry.entryId));
    const underWay = this.own.filter(({ entryId }) => !known.has(entryId) && this.isOwnAlone(entryId));
    const shown = entered.map(({ entry }) => entry).filter(({ entryId }) => !this.toldTaken.has(entryId));
    this.own = [...shown, ...underWay];
    this.show();
  }

  /** True while something entered here is nowhere else for certain. */
  private isOwnAlone(entryId: string): boolean {
    return this.unwritten.has(entryId) || this.onlyTold.has(entryId);
  }

  private change(next: Waiting, took: readonly string[] = []): void {
    this.waiting = next;
    const difference = this.keeper.differenceTo(next);
    const { changed, gone } = difference;
    this.show();
    if (changed.length + gone.length + took.length === 0) return;
    this.options.local()?.keepChanges(changed, gone);
    this.tellTabs(difference, took);
  }

  private tellTabs(
    { changed, gone }: Pick<OutboxMessage, 'changed' | 'gone'>,
    took: readonly string[] = [],
  ): void {
    if (!this.leads) return;
    this.options.post({ kind: 'outbox', changed, gone, took, phase: this.phase, isAll: false });
  }

  private show(): void {
    this.shown = { ...withEntries(this.waiting, this.own), phase: this.phase };
    this.listeners.tell();
  }
}

const includes = (list: readonly Pending[], one: Pending): boolean =>
  list.some(({ change }) => change.changeId === one.change.changeId);
