import { BATCH_MAX, type Change, type ChangeOutcome } from '@calvet/contract/changes/change';
import { ApiProblem, Unreachable, type Api } from './api';
import { FREE, nextBatch, nextRelease, type LedgerLimit } from './batches';
import { NextCall, type Clock } from './clock';
import type { Outbox } from './outbox';
import type { Pending } from './outbox-rules';
import type { Reachability } from './reachability';

interface SenderOptions {
  readonly api: Pick<Api, 'sendChanges' | 'isReady'>;
  readonly clock: Clock;
  readonly outbox: Pick<Outbox, 'toSend' | 'takeEntered' | 'seal' | 'answered' | 'setPhase'>;
  readonly reachability: Reachability;
  readonly isLeading: () => boolean;
  /** Changes were answered; called before they leave the outbox. */
  readonly onAnswered: (batch: readonly Pending[], outcomes: ReadonlyMap<string, ChangeOutcome>) => void;
  /** The server does not know a house. True where it is told it again, and its entries can wait for that. */
  readonly onUnknownLedger: (ledgerId: string) => Promise<boolean>;
  /** How long entries gather before they are sent. */
  readonly gatherMs?: number;
  /** How long a house waits whose batch met a fault of the server. */
  readonly faultMs?: number;
}

const GATHER_MS = 400;
/** Whoever types on and on has what they typed sent after so many times as long. */
const GATHER_TIMES_MAX = 8;
/** A batch that meets a fault so often in a row is taken apart, to find the change that leads to it. */
const FAULTS_MAX = 3;
/** A house whose batch met a fault waits for so long, and holds up no other. */
const FAULT_WAIT_MS = 3000;
/** So long waits what the server does not know yet, before it is asked again. */
const TOO_NEW_MS = 600_000;
/** Answers that only mean: not now, or not from this address, until whoever runs the server has seen to it. */
const LATER = new Set([401, 403, 408, 421, 425]);
/** The server says that it, or its database, is away. */
const AWAY = 503;

/** Sends what waits, house by house and in order; what one change meets holds up no other. */
export class Sender {
  private readonly next: NextCall;
  private readonly limits = new Map<string, LedgerLimit>();
  private isSending = false;
  /** What the server does not know yet is not tried again before; milliseconds since 1970. */
  private tooNewUntil = 0;
  private gatheringSince: number | null = null;
  /** Raised whenever this tab comes to rest: what is answered after that is nobody's. */
  private turn = 0;

  constructor(private readonly options: SenderOptions) {
    this.next = new NextCall(options.clock, () => void this.sendNext());
    options.reachability.subscribe(() => {
      if (!options.reachability.isDown()) this.next.within(0);
    });
  }

  /** Something was entered: it goes when what belongs to it was entered too. */
  gather(): void {
    const { clock, gatherMs = GATHER_MS } = this.options;
    this.gatheringSince ??= clock.now();
    const left = this.gatheringSince + gatherMs * GATHER_TIMES_MAX - clock.now();
    this.next.after(Math.max(0, Math.min(gatherMs, left)));
  }

  /** Somebody wants it to go now. */
  sendNow(): void {
    this.tooNewUntil = 0;
    this.next.within(0);
  }

  rest(): void {
    this.turn++;
    this.isSending = false;
    this.next.cancel();
  }

  private async sendNext(): Promise<void> {
    const { outbox, reachability, isLeading, clock } = this.options;
    this.gatheringSince = null;
    if (this.isSending || !isLeading()) return;
    const wait = reachability.waitMs();
    if (wait > 0) {
      this.next.within(wait);
      return;
    }
    const state = outbox.toSend();
    if (nextBatch(state, this.limits, clock.now(), this.tooNewUntil).length === 0) {
      const release = nextRelease(state, this.limits, clock.now(), this.tooNewUntil);
      if (release !== null) this.next.within(release - clock.now());
      outbox.setPhase('idle');
      return;
    }
    this.isSending = true;
    const { turn } = this;
    outbox.setPhase('sending');
    try {
      await this.send(() => this.turn === turn && isLeading());
    } finally {
      if (this.turn === turn) {
        this.isSending = false;
        this.next.within(reachability.waitMs());
      }
    }
  }

  private async send(isMine: () => boolean): Promise<void> {
    const { api, clock, outbox, reachability, onAnswered } = this.options;
    // What another tab entered before and nobody told of goes along: it would else come after what was entered later.
    await outbox.takeEntered().catch(() => undefined);
    if (!isMine()) return;
    const batch = nextBatch(outbox.toSend(), this.limits, clock.now(), this.tooNewUntil);
    const [{ ledgerId } = { ledgerId: '' }] = batch;
    const ids = new Set(batch.map(({ change }) => change.changeId));
    await outbox.seal(ids);
    if (!isMine()) return;
    // What left is what was written down as having left.
    const leaving = outbox.toSend().pending.filter(({ change }) => ids.has(change.changeId));
    const changes = leaving.map(({ change }) => change);
    try {
      const outcomes = await api.sendChanges(ledgerId, changes);
      if (!isMine()) return;
      reachability.worked();
      this.ease(ledgerId);
      onAnswered(leaving, outcomes);
      outbox.answered(outcomes);
      const isTooNew = outbox.toSend().pending.some((each) => each.isTooNew && ids.has(each.change.changeId));
      if (isTooNew) this.tooNewUntil = clock.now() + TOO_NEW_MS;
    } catch (error) {
      if (isMine()) await this.meet(error, ledgerId, changes, isMine);
    }
  }

  private async meet(
    error: unknown,
    ledgerId: string,
    changes: readonly Change[],
    isMine: () => boolean,
  ): Promise<void> {
    if (error instanceof ApiProblem) {
      this.options.reachability.worked();
      await this.meetProblem(error, ledgerId, changes, isMine);
      return;
    }
    if (!(error instanceof Unreachable)) {
      console.error(error);
      this.unreachable(null);
      return;
    }
    const { status, retryAfterMs } = error;
    if (status === 413) this.takeApart(ledgerId, changes, error.message);
    else if (status >= 500 && status !== AWAY && (await this.options.api.isReady())) {
      // A fault that a proxy tells of is the batch's where the server answers all else, whatever was found a moment ago.
      if (isMine()) this.meetFault(ledgerId, changes, error.message);
    } else if (isMine()) this.unreachable(retryAfterMs);
  }

  private async meetProblem(
    { problem }: ApiProblem,
    ledgerId: string,
    changes: readonly Change[],
    isMine: () => boolean,
  ): Promise<void> {
    const { status, code, detail } = problem;
    if (LATER.has(status)) this.unreachable(null);
    else if (status >= 500) this.meetFault(ledgerId, changes, detail);
    else if (code === 'unknown-ledger') {
      const isToldAgain = await this.options.onUnknownLedger(ledgerId);
      if (!isMine()) return;
      if (isToldAgain) this.hold(ledgerId, { notBefore: this.options.clock.now() + 1000 });
      else this.setAside(changes, detail, problem.field);
    } else this.takeApart(ledgerId, changes, detail, problem.field);
  }

  private unreachable(retryAfterMs: number | null): void {
    this.options.reachability.failed(retryAfterMs);
    this.options.outbox.setPhase('unreachable');
  }

  private meetFault(ledgerId: string, changes: readonly Change[], message: string): void {
    const { faults } = this.limits.get(ledgerId) ?? FREE;
    if (faults + 1 >= FAULTS_MAX) this.takeApart(ledgerId, changes, message);
    else {
      const { clock, faultMs = FAULT_WAIT_MS } = this.options;
      this.hold(ledgerId, { faults: faults + 1, notBefore: clock.now() + faultMs });
    }
  }

  /** Sends half as much; a change that stands alone is put aside with all it holds. */
  private takeApart(ledgerId: string, changes: readonly Change[], message: string, field = ''): void {
    if (changes.length > 1)
      this.hold(ledgerId, { changes: Math.ceil(changes.length / 2), faults: FAULTS_MAX - 1 });
    else this.setAside(changes, message, field);
  }

  private setAside(changes: readonly Change[], message: string, field: string): void {
    this.options.outbox.answered(
      new Map(
        changes.map(({ changeId }): [string, ChangeOutcome] => [
          changeId,
          { changeId, outcome: 'refused', code: 'wrong-form', field, message },
        ]),
      ),
    );
  }

  /** A batch went through: the next may be twice as large. */
  private ease(ledgerId: string): void {
    const { changes } = this.limits.get(ledgerId) ?? FREE;
    if (changes * 2 >= BATCH_MAX) this.limits.delete(ledgerId);
    else this.hold(ledgerId, { changes: changes * 2 });
  }

  private hold(ledgerId: string, limit: Partial<LedgerLimit>): void {
    this.limits.set(ledgerId, { ...FREE, ...this.limits.get(ledgerId), ...limit });
  }
}
