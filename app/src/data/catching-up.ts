import { LEDGERS_ASKED_MAX, type ChangesPage, type News } from '@calvet/contract/changes/change';
import { PRACTICE_ID } from '@calvet/contract/ledger';
import { lostByServer } from './after-restore';
import { ApiProblem, Unreachable, type Api } from './api';
import { NextCall, type Clock } from './clock';
import type { Copies } from './copies';
import { EMPTY_COPY, withRecords, type LedgerCopy } from './ledger-copy';
import type { ToldHouses } from './house-summaries';
import type { Outbox } from './outbox';
import { waitingIn } from './outbox-rules';
import type { Wish } from './store-options';

/** The list is not asked for more often than this where a line opens, and where news comes of a ledger that is not here. */
const OPEN_GAP_MS = 10_000;
const NEWS_GAP_MS = 1000;

const isUnknownLedger = (error: unknown): boolean =>
  error instanceof ApiProblem && error.problem.code === 'unknown-ledger';

interface CatchingUpOptions {
  readonly api: Pick<Api, 'houses' | 'changesOf' | 'changesSince'>;
  readonly clock: Clock;
  readonly copies: Copies;
  readonly outbox: Outbox;
  /** Settles once what the device kept is here. */
  readonly settled: Promise<void>;
  readonly onReached: () => void;
  readonly onUnreachable: () => void;
  readonly onHouses: (told: ToldHouses) => void;
  /** The server lost something of a ledger; this tab does not send, and leaves it to the one that does. */
  readonly onLost: (ledgerId: string) => void;
  /** What the server lost is sent again, upon what it has. */
  readonly writeLost: (ledgerId: string, lost: readonly Wish[], told: LedgerCopy) => void;
}

/** Work that several may ask for at once, and that is done once. */
class Once<T> {
  private readonly underWay = new Map<string, Promise<T>>();

  constructor(private readonly work: (key: string) => Promise<T>) {}

  readonly do = (key: string): Promise<T> => {
    const begun = this.underWay.get(key);
    if (begun !== undefined) return begun;
    const promise = this.work(key).finally(() => this.underWay.delete(key));
    this.underWay.set(key, promise);
    return promise;
  };
}

/** Brings what this device holds up to date with the server, by as few requests as that takes. */
export class CatchingUp {
  private askedAt = -Infinity;
  private onMissed: () => void = () => undefined;
  private readonly nextLook: NextCall;
  private readonly ledgers = new Once((ledgerId) => this.bring(ledgerId));
  private readonly lost = new Once((ledgerId) => this.tellWhatWasLost(ledgerId));

  constructor(private readonly options: CatchingUpOptions) {
    this.nextLook = new NextCall(options.clock, () => this.onMissed());
  }

  /** Brings a ledger's copy up to date, page by page. */
  readonly refreshLedger = (ledgerId: string): Promise<void> => this.ledgers.do(ledgerId);

  /** The server knows less than it did, as after a backup was brought back: it is told what it lost, once. */
  readonly tellAgain = (ledgerId: string): Promise<boolean> => this.lost.do(ledgerId);

  /** Asks for the list of houses by this from now on, where something may have been missed. */
  askBy(look: () => void): void {
    this.onMissed = look;
  }

  /** The line to the server opened: something may have been missed before. */
  lineOpened(): void {
    this.missed(OPEN_GAP_MS);
  }

  /** Fetches what a piece of news is about, where it is not here yet. */
  async hear({ ledgerId, upTo }: News): Promise<void> {
    const { copies } = this.options;
    if (!copies.has(ledgerId)) this.missed(NEWS_GAP_MS);
    else if (copies.of(ledgerId).upTo < upTo) await this.refreshLedger(ledgerId).catch(() => undefined);
  }

  close(): void {
    this.nextLook.cancel();
  }

  /**
   * Every house on the server and what a list says of it, in one request, with how far each has come: what is held here and
   * has fallen behind is fetched, and nothing else is asked for.
   */
  readonly refreshHouses = async (): Promise<ToldHouses> => {
    const { api, clock, copies, settled, onReached, onUnreachable, onHouses } = this.options;
    this.askedAt = clock.now();
    try {
      const { houses, counters, summaries = {} } = await api.houses();
      const told = { houses, summaries };
      onReached();
      onHouses(told);
      await settled;
      // What a practice has set is wanted everywhere; of houses, those that are held.
      const wanted = new Set([PRACTICE_ID, ...copies.all().keys()]);
      const behind = [...wanted].filter((id) => (counters[id] ?? 0) !== copies.of(id).upTo);
      await this.refreshEach(behind).catch(() => undefined);
      return told;
    } catch (error) {
      if (error instanceof Unreachable) onUnreachable();
      throw error;
    }
  };

  /** Something may have been missed: the list is asked for again, unless that was done just now. */
  private missed(gapMs: number): void {
    this.nextLook.within(Math.max(0, this.askedAt + gapMs - this.options.clock.now()));
  }

  /** Brings copies of several ledgers up to date, by one request for as many as go into one answer. */
  readonly refreshEach = async (ledgerIds: readonly string[]): Promise<void> => {
    const groups = Array.from({ length: Math.ceil(ledgerIds.length / LEDGERS_ASKED_MAX) }, (_, i) =>
      ledgerIds.slice(i * LEDGERS_ASKED_MAX, (i + 1) * LEDGERS_ASKED_MAX),
    );
    await Promise.all(groups.map((group) => this.bringEach(group)));
  };

  private async bringEach(ledgerIds: readonly string[]): Promise<void> {
    const { api, copies } = this.options;
    let left = ledgerIds;
    while (left.length > 1) {
      const asked = new Map(left.map((id) => [id, copies.of(id).upTo]));
      const { pages } = await api.changesOf(asked);
      const again: string[] = [];
      for (const [id, since] of asked) {
        const page = pages[id];
        if (page === undefined || (await this.takePage(id, since, page)) === 'goes on') again.push(id);
      }
      const came = left.length - again.length;
      left = again;
      if (came === 0) break;
    }
    // Too long for an answer with others, unknown to the server, or the last one.
    await Promise.all(left.map(this.refreshLedger));
  }

  /** Takes in what was asked for since a change number. */
  private async takePage(ledgerId: string, since: number, page: ChangesPage): Promise<'goes on' | 'ends'> {
    const { copies } = this.options;
    const held = copies.of(ledgerId).upTo;
    // Another copy took its place meanwhile, which does not hold what came before this page.
    if (held < since) return 'goes on';
    if (page.upTo < since && since === held) {
      await this.tellAgain(ledgerId);
      return 'ends';
    }
    copies.take(ledgerId, page.records, page.upTo);
    return page.more ? 'goes on' : 'ends';
  }

  private async bring(ledgerId: string): Promise<void> {
    const { api, copies, outbox } = this.options;
    for (;;) {
      const since = copies.of(ledgerId).upTo;
      let page: ChangesPage;
      try {
        page = await api.changesSince(ledgerId, since);
      } catch (error) {
        if (!isUnknownLedger(error)) throw error;
        if (since > 0) await this.tellAgain(ledgerId);
        else if (waitingIn(outbox.getState(), ledgerId).length === 0) throw error;
        return;
      }
      if ((await this.takePage(ledgerId, since, page)) === 'ends') return;
    }
  }

  /** Everything that the server has of a ledger; nothing where it does not know it. */
  private async toldOf(ledgerId: string): Promise<LedgerCopy> {
    let told = EMPTY_COPY;
    try {
      for (;;) {
        const page = await this.options.api.changesSince(ledgerId, told.upTo);
        told = withRecords(told, page.records, page.upTo);
        if (!page.more) return told;
      }
    } catch (error) {
      if (isUnknownLedger(error)) return told;
      throw error;
    }
  }

  /** True where there is something to tell, or another tab tells it. */
  private async tellWhatWasLost(ledgerId: string): Promise<boolean> {
    const { copies, outbox, onLost, writeLost } = this.options;
    // An answer to what was sent before it was told comes late: it is on its way already.
    const isOnItsWay = outbox
      .getState()
      .pending.some(({ change }) => change.id === ledgerId && change.op === 'create');
    if (isOnItsWay) return true;
    if (!copies.has(ledgerId)) return false;
    if (!outbox.isLeading()) {
      onLost(ledgerId);
      return true;
    }
    const told = await this.toldOf(ledgerId);
    // Another tab may send by now: then it is for that one to tell.
    if (!outbox.isLeading()) {
      onLost(ledgerId);
      return true;
    }
    const held = copies.of(ledgerId);
    if (told.upTo >= held.upTo && told.records.size >= held.records.size) {
      copies.take(ledgerId, [...told.records.values()], told.upTo);
      return told.records.size > 0;
    }
    const lost = lostByServer(ledgerId, held, told);
    copies.replace(ledgerId, told);
    writeLost(ledgerId, lost, told);
    return lost.length > 0;
  }
}
