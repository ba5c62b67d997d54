import fc from 'fast-check';
import { examples } from '../src/examples';
import { operationNames } from '../src/operations';
import { filesOfVectors } from './vectors';

/** A computation by name, with something to compute from. */
export interface Asked {
  readonly operation: string;
  readonly input: unknown;
}

/** Inputs that fit: of every vector, and of every worked example. */
const goodInputs: readonly Asked[] = [
  ...filesOfVectors<{ readonly input: unknown }>().flatMap(({ operation, cases }): readonly Asked[] =>
    cases.map(({ input }) => ({ operation, input })),
  ),
  ...operationNames.map((operation) => ({ operation, input: examples[operation] })),
];

/** The value with the member that a walk leads to replaced. */
function replaced(value: unknown, walk: readonly number[], by: unknown): unknown {
  const [step = 0, ...rest] = walk;
  if (walk.length === 0 || typeof value !== 'object' || value === null) return by;
  const keys = Object.keys(value);
  const key = keys[step % Math.max(1, keys.length)];
  if (key === undefined) return by;
  const copy = (Array.isArray(value) ? [...(value as unknown[])] : { ...value }) as Record<string, unknown>;
  copy[key] = replaced(copy[key], rest, by);
  return copy;
}

const extremes = fc.constantFrom(0, -0, 1e-320, 1e308, -1e308, 1e15, -1, 0.5, null, '', [], {}, true);

/** A good input with one member, near its surface or deep in it, changed to something else. */
export const mutatedInput: fc.Arbitrary<Asked> = fc
  .tuple(
    fc.constantFrom(...goodInputs),
    fc.array(fc.nat(20), { minLength: 1, maxLength: 5 }),
    fc.oneof(extremes, fc.double({ noNaN: true, noDefaultInfinity: true }), fc.jsonValue()),
  )
  .map(([{ operation, input }, walk, by]) => ({ operation, input: replaced(input, walk, by) }));

/** A known computation with any JSON at all. */
export const anyInput: fc.Arbitrary<Asked> = fc.record({
  operation: fc.constantFrom(...operationNames),
  input: fc.jsonValue(),
});

/** True where a number anywhere in a value cannot be written. */
export function holdsNonFinite(value: unknown): boolean {
  if (typeof value === 'number') return !Number.isFinite(value);
  return typeof value === 'object' && value !== null && Object.values(value).some(holdsNonFinite);
}
