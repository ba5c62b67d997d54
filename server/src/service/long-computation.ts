import { computeByName } from '@calvet/core/operations';
import { Refusal, type RefusalDescription } from '@calvet/core/refusal';
import { giveWay } from './give-way';

giveWay();

/** What is asked of a thread: a computation by name. */
export interface LongComputation {
  readonly name: string;
  readonly input: unknown;
}

/** What a thread answers; a refusal crosses as plain data. */
export type LongAnswer = { readonly output: unknown } | { readonly refused: RefusalDescription };

/** Runs a computation in a thread of its own, so that other requests are answered meanwhile. */
export default function longComputation({ name, input }: LongComputation): LongAnswer {
  try {
    return { output: computeByName(name, input) };
  } catch (error) {
    if (error instanceof Refusal) return { refused: error.toJSON().error };
    throw error;
  }
}
