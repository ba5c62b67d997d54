import type { Clock } from './clock';
import { Listeners } from './listeners';

const DELAYS_MS = [1000, 2000, 4000, 8000, 15_000] as const;
/** Delays differ by so much either way, so that devices that lost one server do not all come back at once. */
const JITTER = 0.2;

/**
 * Whether the server can be reached, as far as the last request told, and when to try again: one word for entries,
 * pictures and whatever else is asked for.
 */
export class Reachability {
  private failures = 0;
  private notBefore = 0;
  private isMissed = false;
  private readonly listeners = new Listeners();

  constructor(
    private readonly clock: Clock,
    private readonly delaysMs: readonly number[] = DELAYS_MS,
  ) {}

  readonly subscribe = this.listeners.subscribe;

  readonly isDown = (): boolean => this.failures > 0;

  /** True where what was asked last got no answer, until something does: also while it is being tried again. */
  readonly isAway = (): boolean => this.isMissed;

  /** How long to wait before the next try; 0 where nothing speaks against one. */
  waitMs(): number {
    return Math.max(0, this.notBefore - this.clock.now());
  }

  /** A request got no answer. */
  failed(retryAfterMs: number | null = null): void {
    const delay = this.delaysMs[Math.min(this.failures, this.delaysMs.length - 1)] ?? 15_000;
    const spread = delay * (1 + JITTER * (2 * this.clock.random() - 1));
    this.failures++;
    this.isMissed = true;
    this.notBefore = this.clock.now() + Math.max(spread, retryAfterMs ?? 0);
    this.listeners.tell();
  }

  /** Something was asked for without an answer that holds up nothing. */
  missed(): void {
    if (this.isMissed) return;
    this.isMissed = true;
    this.listeners.tell();
  }

  /** A request was answered by the server. */
  worked(): void {
    if (this.failures === 0 && !this.isMissed) return;
    this.isMissed = false;
    this.tryNow();
  }

  /** Somebody, or the device, says that it is worth a try. */
  tryNow(): void {
    this.failures = 0;
    this.notBefore = 0;
    this.listeners.tell();
  }
}
