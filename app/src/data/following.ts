import { apiPaths } from '@calvet/contract/api-paths';
import type { News } from '@calvet/contract/changes/change';
import type { Clock } from './clock';
import { Listeners } from './listeners';

/** What of `EventSource` is needed here. */
export interface Stream {
  onopen: (() => void) | null;
  onerror: (() => void) | null;
  onmessage: ((event: { readonly data: string }) => void) | null;
  close: () => void;
}

interface FollowingOptions {
  readonly open: (path: string) => Stream;
  readonly clock: Clock;
  readonly onNews: (news: News) => void;
  /** The server can be heard: what was said before may have been missed. */
  readonly onOpen: () => void;
}

const AGAIN_MS = [5000, 10_000, 20_000, 40_000, 60_000] as const;
const JITTER = 0.2;
/** A line that holds so long is worth to be tried at once when it breaks. */
const HOLDS_MS = 60_000;

function newsIn(data: string): News | null {
  try {
    const news = JSON.parse(data) as Partial<News> | null;
    return typeof news?.ledgerId === 'string' && typeof news.upTo === 'number' ? (news as News) : null;
  } catch {
    return null;
  }
}

/**
 * Listens to what is new on the server while the page is in sight: browsers allow a few connections to one server, and
 * pages that nobody looks at must not take them from the one in use. A line that is cut is asked for again, ever later.
 */
export class Following {
  private stream: Stream | null = null;
  private isHeard = false;
  private isWanted = false;
  private openedAt = 0;
  private cuts = 0;
  private isWaiting = false;
  private takeBack: () => void = () => undefined;
  private readonly listeners = new Listeners();

  constructor(private readonly options: FollowingOptions) {}

  readonly subscribe = this.listeners.subscribe;

  /** True while the server tells by itself what is new; else it has to be asked. */
  readonly hears = (): boolean => this.isHeard;

  /** The page came into sight, or the server can be reached again. */
  start(): void {
    this.isWanted = true;
    // A line that was cut is waited for, whatever else is answered meanwhile.
    if (this.stream === null && !this.isWaiting) this.open();
  }

  /** The page is out of sight, or the server out of reach. */
  stop(): void {
    this.isWanted = false;
    this.dontWait();
    this.stream?.close();
    this.stream = null;
    this.setHeard(false);
  }

  private open(): void {
    const { clock, onNews, onOpen } = this.options;
    this.dontWait();
    const stream = this.options.open(apiPaths.events);
    this.stream = stream;
    stream.onopen = () => {
      this.openedAt = clock.now();
      this.setHeard(true);
      onOpen();
    };
    stream.onmessage = ({ data }) => {
      const news = newsIn(data);
      if (news !== null) onNews(news);
    };
    stream.onerror = () => this.cut(stream);
  }

  private cut(stream: Stream): void {
    if (this.stream !== stream) return;
    const { clock } = this.options;
    stream.close();
    this.stream = null;
    if (this.isHeard && clock.now() - this.openedAt > HOLDS_MS) this.cuts = 0;
    this.setHeard(false);
    const delay = AGAIN_MS[Math.min(this.cuts++, AGAIN_MS.length - 1)] ?? 60_000;
    const wait = delay * (1 + JITTER * (2 * clock.random() - 1));
    this.isWaiting = true;
    this.takeBack = clock.after(wait, () => {
      this.isWaiting = false;
      if (this.isWanted && this.stream === null) this.open();
    });
  }

  private dontWait(): void {
    this.takeBack();
    this.isWaiting = false;
  }

  private setHeard(next: boolean): void {
    if (this.isHeard === next) return;
    this.isHeard = next;
    this.listeners.tell();
  }
}
