import {
  apiPaths,
  BATCH_MAX,
  type Bodies,
  type Change,
  type ChangeOp,
  type ChangeOutcome,
  type ChangesAnswer,
  type FieldCollision,
  type Kind,
  type KindedRecord,
} from '@calvet/contract';
import { v7 } from 'uuid';
import { ApiProblem, postJson, Unreachable } from './api';
import { Listeners } from './listeners';

/** A change on its way to the server. */
export interface Pending {
  readonly houseId: string;
  readonly change: Change;
}

/** A change that the server did not take; a person decides what becomes of it. */
export interface Troubled extends Pending {
  readonly trouble:
    | {
        readonly kind: 'conflict';
        readonly current: KindedRecord;
        readonly fields: readonly FieldCollision[];
      }
    | { readonly kind: 'refused'; readonly message: string; readonly field: string };
}

export interface OutboxState {
  readonly pending: readonly Pending[];
  readonly troubled: readonly Troubled[];
  readonly phase: 'idle' | 'sending' | 'unreachable';
}

/** Changes of a house that wait, in order, those in trouble first: what a screen lays over its copy. */
export function waitingIn({ troubled, pending }: OutboxState, houseId: string): readonly Change[] {
  return [...troubled, ...pending]
    .filter((waiting) => waiting.houseId === houseId)
    .map(({ change }) => change);
}

/** A change as it is asked for: its ids and revision are found by the outbox. */
export interface Wish<K extends Kind = Kind> {
  readonly houseId: string;
  readonly kind: K;
  readonly id: string;
  readonly op: ChangeOp;
  readonly body?: Partial<Bodies[K]>;
}

interface OutboxOptions {
  /** Revision of a record that the person has seen; 0 where the server has not told it yet. */
  readonly revisionOf: (houseId: string, recordId: string) => number;
  /** A change was taken: the record is at this revision now. */
  readonly onApplied: (
    pending: Pending,
    outcome: Extract<ChangeOutcome, { outcome: 'applied' | 'already-applied' }>,
  ) => void;
  readonly send?: (houseId: string, changes: readonly Change[]) => Promise<readonly ChangeOutcome[]>;
  /** How long entries gather before they are sent. */
  readonly gatherMs?: number;
}

const RETRY_MS = [1000, 2000, 5000, 10_000, 30_000] as const;

async function post(houseId: string, changes: readonly Change[]): Promise<readonly ChangeOutcome[]> {
  try {
    const { results } = await postJson<ChangesAnswer>(apiPaths.changes(houseId), { changes });
    return results;
  } catch (error) {
    if (error instanceof ApiProblem) {
      const { results, detail, field } = error.problem;
      return (
        results ??
        changes.map(({ changeId }) => ({
          changeId,
          outcome: 'refused',
          code: 'wrong-form',
          field,
          message: detail,
        }))
      );
    }
    throw error;
  }
}

/**
 * Holds what was entered until the server has it. Entries are sent in order; while the server cannot be reached
 * they wait and are tried again; what it refuses is kept for a person to decide. Nothing leaves in silence.
 */
export class Outbox {
  private state: OutboxState = { pending: [], troubled: [], phase: 'idle' };
  private readonly listeners = new Listeners();
  private timer: ReturnType<typeof setTimeout> | null = null;
  private failures = 0;
  private inFlight: ReadonlySet<string> = new Set();
  private readonly send: NonNullable<OutboxOptions['send']>;

  constructor(private readonly options: OutboxOptions) {
    this.send = options.send ?? post;
  }

  readonly subscribe = this.listeners.subscribe;

  readonly getState = (): OutboxState => this.state;

  write(wish: Wish): void {
    if (!this.mend(wish) && !this.joinToLast(wish)) {
      const { houseId, kind, id, op, body = {} } = wish;
      const baseRevision = op === 'create' ? 0 : this.options.revisionOf(houseId, id);
      const change: Change = { changeId: v7(), kind, id, baseRevision, op, body };
      this.set({ pending: [...this.state.pending, { houseId, change }] });
    }
    this.schedule(this.options.gatherMs ?? 400);
  }

  /** Takes up what an earlier visit left unsent, before anything entered since. */
  restore({ pending, troubled }: Pick<OutboxState, 'pending' | 'troubled'>): void {
    this.set({
      pending: [...pending, ...this.state.pending],
      troubled: [...troubled, ...this.state.troubled],
    });
    if (this.state.pending.length > 0) this.schedule(0);
  }

  retryNow(): void {
    if (this.state.pending.length === 0) return;
    this.failures = 0;
    this.schedule(0);
  }

  /** Sends a conflicting change again, upon the newer state. */
  keepMine(changeId: string): void {
    this.settle(changeId, (troubled) => this.sendAgain(troubled, troubled.change.body));
  }

  /** Gives way in the fields that are in dispute; what else the change brings is sent again, upon the newer state. */
  takeTheirs(changeId: string): void {
    this.settle(changeId, (troubled) => {
      const { change, trouble } = troubled;
      if (trouble.kind !== 'conflict' || trouble.fields.length === 0) return;
      const disputed = new Set(trouble.fields.map(({ field }) => field));
      const rest = Object.entries(change.body).filter(([field]) => !disputed.has(field));
      if (rest.length > 0) this.sendAgain(troubled, Object.fromEntries(rest));
    });
  }

  /** Sends a refused change once more, as it is: what it was refused for may be mended. */
  sendOnceMore(changeId: string): void {
    this.settle(changeId, ({ houseId, change }) => {
      this.set({ pending: [...this.state.pending, { houseId, change: { ...change, changeId: v7() } }] });
      this.schedule(0);
    });
  }

  /** Lets go of a change that was not taken. */
  discard(changeId: string): void {
    this.settle(changeId, () => undefined);
  }

  /** Puts a conflicting change, or what is left of it, before all that waits, upon the state that it met. */
  private sendAgain({ houseId, change, trouble }: Troubled, body: Change['body']): void {
    if (trouble.kind !== 'conflict') return;
    const baseRevision = trouble.current.record.revision;
    const rebased: Change = { ...change, changeId: v7(), baseRevision, body };
    this.set({ pending: [{ houseId, change: rebased }, ...this.state.pending] });
    this.schedule(0);
  }

  private settle(changeId: string, then: (troubled: Troubled) => void): void {
    const found = this.state.troubled.find(({ change }) => change.changeId === changeId);
    if (found === undefined) return;
    this.set({ troubled: this.state.troubled.filter((troubled) => troubled !== found) });
    then(found);
  }

  /** An update of a record mends what was refused of it: all goes together, before whatever was made upon it. */
  private mend({ id, op, body = {} }: Wish): boolean {
    if (op !== 'update') return false;
    const refused = this.state.troubled.filter(
      ({ change, trouble }) =>
        change.id === id && trouble.kind === 'refused' && (change.op === 'create' || change.op === 'update'),
    );
    const [first] = refused;
    if (first === undefined) return false;
    const bodies = [...refused.map(({ change }) => change.body), body];
    const change: Change = {
      ...first.change,
      changeId: v7(),
      body: Object.assign({}, ...bodies) as Change['body'],
    };
    this.set({
      troubled: this.state.troubled.filter((each) => !refused.includes(each)),
      pending: [{ houseId: first.houseId, change }, ...this.state.pending],
    });
    return true;
  }

  /** Joins an update to a change of the same record that has not left yet. */
  private joinToLast({ id, op, body = {} }: Wish): boolean {
    const last = this.state.pending.findLast(({ change }) => change.id === id);
    if (op !== 'update' || last === undefined || this.inFlight.has(last.change.changeId)) return false;
    if (last.change.op !== 'create' && last.change.op !== 'update') return false;
    const change = { ...last.change, body: { ...last.change.body, ...body } };
    this.set({
      pending: this.state.pending.map((waiting) => (waiting === last ? { ...last, change } : waiting)),
    });
    return true;
  }

  private set(next: Partial<OutboxState>): void {
    this.state = { ...this.state, ...next };
    this.listeners.tell();
  }

  private schedule(milliseconds: number): void {
    if (this.state.phase === 'sending') return;
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), milliseconds);
  }

  private async flush(): Promise<void> {
    const [first] = this.state.pending;
    if (first === undefined || this.state.phase === 'sending') return;
    const { houseId } = first;
    const batch = this.state.pending.filter((waiting) => waiting.houseId === houseId).slice(0, BATCH_MAX);
    this.inFlight = new Set(batch.map(({ change }) => change.changeId));
    this.set({ phase: 'sending' });
    try {
      const outcomes = await this.send(
        houseId,
        batch.map(({ change }) => change),
      );
      this.failures = 0;
      batch.forEach((waiting, i) => this.take(waiting, outcomes[i]));
      this.inFlight = new Set();
      this.set({ phase: 'idle' });
      if (this.state.pending.length > 0) this.schedule(0);
    } catch (error) {
      this.inFlight = new Set();
      this.set({ phase: 'unreachable' });
      if (!(error instanceof Unreachable)) console.error(error);
      this.schedule(RETRY_MS[Math.min(this.failures++, RETRY_MS.length - 1)] ?? 30_000);
    }
  }

  private take(waiting: Pending, outcome: ChangeOutcome | undefined): void {
    if (outcome === undefined) return;
    const pending = this.state.pending.filter(({ change }) => change.changeId !== waiting.change.changeId);
    switch (outcome.outcome) {
      case 'applied':
      case 'already-applied':
        this.options.onApplied(waiting, outcome);
        this.set({ pending });
        break;
      case 'conflict':
        this.set({
          pending,
          troubled: [
            ...this.state.troubled,
            {
              ...waiting,
              trouble: { kind: 'conflict', current: outcome.current, fields: outcome.fields },
            },
          ],
        });
        break;
      case 'refused':
        this.set({
          pending,
          troubled: [
            ...this.state.troubled,
            { ...waiting, trouble: { kind: 'refused', message: outcome.message, field: outcome.field } },
          ],
        });
        break;
    }
  }
}
