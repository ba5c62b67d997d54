import { computeByName, knownInput, takesLong, unknownOperation } from '@calvet/core/operations';
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

/** A computation took more time or memory than one may have here. */
export class TooMuch extends Error {}

/** Inputs beyond so many bytes are computed by a thread, however short the operation is. */
const SHORT_BYTES = 64_000;

/** Answers a computation by name: a short one at once, a long one from a thread. */
export type Compute = (
  principal: Principal,
  name: string,
  input: unknown,
  /** How large the input is. */
  bytes: number,
  signal: AbortSignal,
) => Promise<unknown>;

/**
 * @throws {Refusal} as the computation
 * @throws {TooBusy} where a long computation finds no room to wait
 * @throws {TooMuch} where it takes longer, or more memory, than one may
 */
export function computing(threads: Threads): Compute {
  return async (principal, name, input, bytes, signal) => {
    if (!may(principal, 'see', 'computation')) throw unknownOperation(name);
    if (!takesLong(name) && bytes <= SHORT_BYTES) return computeByName(name, input);
    // What does not fit is no matter for a thread, and what is not known need not be such as can be handed over to one.
    const answer = await threads.run({ name, input: knownInput(name, input) }, signal);
    if ('output' in answer) return answer.output;
    const { code, field, message, bound } = answer.refused;
    throw new Refusal(code, field, message, { bound });
  };
}
