import type { LedgerState } from '../store/records';
import { mayOpen, type Principal } from './rights';

type Listener = (news: LedgerState) => void;

interface Subscriber {
  readonly principal: Principal;
  readonly onNews: Listener;
  readonly onClose: () => void;
}

/**
 * Tells those who listen that a ledger has something new: at once where this process took the change, and within the time
 * between two looks at the counters where another process did. It looks only while somebody listens.
 */
export class ChangeWatch {
  private readonly subscribers = new Set<Subscriber>();
  private seen: ReadonlyMap<string, number> | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private isLooking = false;
  private isClosed = false;

  constructor(
    private readonly readLedgers: () => Promise<ReadonlyMap<string, LedgerState>>,
    private readonly everyMs = 1000,
  ) {}

  /** Calls back with each piece of news of what somebody may see, and when the watch ends, until the function that is given back is called. */
  subscribe(principal: Principal, onNews: Listener, onClose: () => void = () => undefined): () => void {
    const subscriber = { principal, onNews, onClose };
    this.subscribers.add(subscriber);
    this.schedule(0);
    return () => {
      this.subscribers.delete(subscriber);
      if (this.subscribers.size === 0) this.rest();
    };
  }

  /** This process took changes. */
  tell(news: LedgerState): void {
    if ((this.seen?.get(news.id) ?? 0) >= news.lastChange) return;
    if (this.seen !== null) this.seen = new Map(this.seen).set(news.id, news.lastChange);
    this.spread(news);
  }

  close(): void {
    this.isClosed = true;
    this.subscribers.forEach(({ onClose }) => onClose());
    this.subscribers.clear();
    this.rest();
  }

  private spread(news: LedgerState): void {
    for (const { principal, onNews } of this.subscribers) if (mayOpen(principal, news)) onNews(news);
  }

  private rest(): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
    this.seen = null;
  }

  private schedule(milliseconds: number): void {
    if (this.timer !== null || this.isLooking || this.isClosed) return;
    this.timer = setTimeout(() => void this.look(), milliseconds);
  }

  private async look(): Promise<void> {
    this.timer = null;
    this.isLooking = true;
    try {
      this.compare(await this.readLedgers());
    } catch {
      // The database is away: the next look may find it. What was there before the first look is no news.
    } finally {
      this.isLooking = false;
    }
    if (this.subscribers.size > 0) this.schedule(this.everyMs);
  }

  private compare(ledgers: ReadonlyMap<string, LedgerState>): void {
    if (this.subscribers.size === 0) return;
    const before = this.seen;
    this.seen = new Map(
      [...ledgers].map(([id, { lastChange }]) => [id, Math.max(lastChange, before?.get(id) ?? 0)]),
    );
    if (before === null) return;
    for (const news of ledgers.values()) if (news.lastChange > (before.get(news.id) ?? 0)) this.spread(news);
  }
}
