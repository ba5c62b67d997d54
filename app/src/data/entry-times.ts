import type { Clock } from './clock';

/**
 * When things are entered, ISO 8601 in UTC by this device's clock: each later than the one before, also where the clock is
 * set back, since what was entered later counts.
 */
export class EntryTimes {
  private last = -Infinity;

  constructor(private readonly clock: Pick<Clock, 'now'>) {}

  next(): string {
    this.last = Math.max(this.clock.now(), this.last + 1);
    return new Date(this.last).toISOString();
  }

  /** What is entered from now on comes after these. */
  follow(entered: readonly { readonly enteredAt?: string }[]): void {
    for (const { enteredAt } of entered) {
      const time = enteredAt === undefined ? NaN : Date.parse(enteredAt);
      if (time > this.last) this.last = time;
    }
  }
}
