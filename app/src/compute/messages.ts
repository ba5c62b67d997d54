import type { OperationName, OperationTypes } from '@calvet/core/operations';
import type { RefusalDescription } from '@calvet/core/refusal';
import type { Step } from '@calvet/core/steps/step';

/** What a computation came to: figures with their steps, or why it was refused. */
export type Answer<Name extends OperationName = OperationName> =
  | {
      readonly kind: 'figures';
      readonly output: OperationTypes[Name]['output'];
      readonly steps: readonly Step[];
    }
  | { readonly kind: 'refused'; readonly refusal: RefusalDescription };

/** To the worker: compute this. */
export interface Request {
  readonly name: OperationName;
  readonly input: unknown;
}

/** From the worker: how far it is, what it came to, or that the program failed. */
export type Report =
  | { readonly kind: 'progress'; readonly share: number }
  | { readonly kind: 'answer'; readonly answer: Answer }
  | { readonly kind: 'failed'; readonly message: string };
