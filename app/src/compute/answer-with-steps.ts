import { compute, operations, type OperationName, type OperationTypes } from '@calvet/core/operations';
import type { Progress } from '@calvet/core/operation';
import { Refusal } from '@calvet/core/refusal';
import { checked, type InputSchema } from '@calvet/core/schema';
import { stepsOf } from '@calvet/core/steps/explanations';
import type { Answer } from './messages';

/** Runs an operation of core and writes out its steps; a refusal is an answer, any other error is thrown. */
export function answerWithSteps<Name extends OperationName>(
  name: Name,
  input: unknown,
  progress?: Progress,
): Answer<Name> {
  try {
    const output = compute(name, input, progress);
    // Each schema of the table has the input of its own operation.
    const schema = operations[name].schema as InputSchema<OperationTypes[Name]['input']>;
    return { kind: 'figures', output, steps: stepsOf(name, checked(schema, input), output) };
  } catch (error) {
    if (error instanceof Refusal) return { kind: 'refused', refusal: error.toJSON().error };
    throw error;
  }
}
