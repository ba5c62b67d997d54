/** Time as the store knows it; tests bring their own. */
export interface Clock {
  /** Milliseconds since 1970, by this device. */
  readonly now: () => number;
  /** Calls once after a while, unless it is taken back. */
  readonly after: (milliseconds: number, call: () => void) => () => void;
  /** 0…1, evenly. */
  readonly random: () => number;
}

export const deviceClock: Clock = {
  now: () => Date.now(),
  after: (milliseconds, call) => {
    const timer = setTimeout(call, milliseconds);
    return () => clearTimeout(timer);
  },
  random: () => Math.random(),
};

/** One call to come at a time: whoever asks for a sooner one replaces it, and a later one is not needed. */
export class NextCall {
  private dueAt = Infinity;
  private takeBack: () => void = () => undefined;

  constructor(
    private readonly clock: Clock,
    private readonly call: () => void,
  ) {}

  /** Sees to a call within this time; one that comes sooner anyhow stays. */
  within(milliseconds: number): void {
    const dueAt = this.clock.now() + milliseconds;
    if (dueAt >= this.dueAt) return;
    this.set(milliseconds, dueAt);
  }

  /** The next call is after this time, whatever was planned. */
  after(milliseconds: number): void {
    this.set(milliseconds, this.clock.now() + milliseconds);
  }

  cancel(): void {
    this.takeBack();
    this.dueAt = Infinity;
  }

  private set(milliseconds: number, dueAt: number): void {
    this.takeBack();
    this.dueAt = dueAt;
    this.takeBack = this.clock.after(milliseconds, () => {
      this.dueAt = Infinity;
      this.call();
    });
  }
}
