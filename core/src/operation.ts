import { Refusal } from './refusal';
import { checked, type FieldsSchema, type InputSchema } from './schema';

/** Told now and then how much of a long computation is done, 0…1. */
export type Progress = (share: number) => void;

/** A computation: the schema of its input and the function that answers it. */
export interface Computation<Input, Output> {
  readonly schema: InputSchema<Input>;
  readonly run: (input: Input, progress?: Progress) => Output;
}

/** Where an operation stands among the others. */
export type ShelfName = 'insulation' | 'moisture' | 'ventilation' | 'heat' | 'airtightness' | 'house';

/** What an operation says of itself to those who need it. */
export interface OperationWords {
  readonly shelf: ShelfName;
  readonly title: string;
  /** What it tells, in one sentence. */
  readonly tells: string;
  /** What else people call what it is about: abbreviations, the words of both unit worlds, and what they fear. */
  readonly alsoCalled: string;
  /** Paths of the figures that are shown first; the first of them is the largest. */
  readonly mainFigures: readonly string[];
  /** Where somebody can get hurt. */
  readonly caution?: string;
}

/** A computation that is offered to people: with its words, and what each of its figures is measured in and called. */
export interface Operation<Input, Output> extends Computation<Input, Output> {
  readonly words: OperationWords;
  /** What it answers, findings apart. */
  readonly output: FieldsSchema;
  /** True where an ordinary input takes longer than a screen may be held up (about 8 ms). */
  readonly takesLong?: true;
}

/** Refuses an output that holds a number beyond what can be written: the input was out of all proportion. */
function refuseNonFinite(output: unknown): void {
  if (typeof output === 'number') {
    if (Number.isFinite(output)) return;
    throw new Refusal(
      'not-finite',
      '',
      'The figures given are out of all proportion: no result can be computed.',
    );
  }
  if (typeof output !== 'object' || output === null) return;
  if (Array.isArray(output)) output.forEach(refuseNonFinite);
  else for (const key in output) refuseNonFinite(output[key as keyof typeof output]);
}

/**
 * Runs an operation on an input that is checked against its schema first.
 * @example computeWith({ schema: { kind: 'fields', members: [] }, run: () => 3 }, {}) // 3
 * @throws {Refusal} naming the field that the computation cannot answer for
 */
export function computeWith<Input, Output>(
  operation: Computation<Input, Output>,
  input: unknown,
  progress?: Progress,
): Output {
  const output = operation.run(checked(operation.schema, input), progress);
  refuseNonFinite(output);
  return output;
}
