import { computeByName, takesLong, unknownOperation } from '@calvet/core/operations';
import { Refusal } from '@calvet/core/refusal';
import { may, type Principal } from './rights';
import type { LongAnswer, LongComputation } from './long-computation';

/** Computations that take long are run by threads; there are only so many, and so many that wait. */
export interface Threads {
  /** Given up, with whatever it has reached, when the signal comes. */
  readonly run: (computation: LongComputation, signal: AbortSignal) => Promise<LongAnswer>;
}

/** Every thread is busy and the queue is full. */
export class TooBusy extends Error {}

/** Answers a computation by name: a short one at once, a long one from a thread. */
export type Compute = (
  principal: Principal,
  name: string,
  input: unknown,
  signal: AbortSignal,
) => Promise<unknown>;

/**
 * @throws {Refusal} as the computation
 * @throws {TooBusy} where a long computation finds no room to wait
 */
export function computing(threads: Threads): Compute {
  return async (principal, name, input, signal) => {
    if (!may(principal, 'see', 'computation')) throw unknownOperation(name);
    if (!takesLong(name)) return computeByName(name, input);
    const answer = await threads.run({ name, input }, signal);
    if ('output' in answer) return answer.output;
    const { code, field, message, bound } = answer.refused;
    throw new Refusal(code, field, message, { bound });
  };
}
