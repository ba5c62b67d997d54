import { filesOfVectors } from '../test/vectors';
import { computeByName, operationNames } from './operations';
import { Refusal } from './refusal';

interface VectorCase {
  readonly name: string;
  readonly input: unknown;
  readonly expected: Readonly<Record<string, unknown>>;
  readonly relTol: number;
  readonly absTol: number;
  readonly repeatable?: boolean;
}

const files = filesOfVectors<VectorCase>();

function answer(operation: string, input: unknown): unknown {
  try {
    return computeByName(operation, input);
  } catch (error) {
    if (error instanceof Refusal) return JSON.parse(JSON.stringify(error)) as unknown;
    throw error;
  }
}

const findingKeys = (findings: unknown): readonly string[] =>
  [
    ...new Set((findings as { rule: string; severity: string }[]).map((f) => `${f.rule} ${f.severity}`)),
  ].sort();

/** A figure that chance decides: near a value, or bounded on one side. */
interface Range {
  readonly approx?: number;
  readonly within?: number;
  readonly atMost?: number;
  readonly atLeast?: number;
}

const RANGE_MEMBERS = ['approx', 'within', 'atMost', 'atLeast'];

function isRange(expected: unknown): expected is Range {
  if (typeof expected !== 'object' || expected === null) return false;
  const keys = Object.keys(expected);
  return keys.length > 0 && keys.every((key) => RANGE_MEMBERS.includes(key));
}

function differences(expected: unknown, actual: unknown, test: VectorCase, path: string): readonly string[] {
  if (path.endsWith('findings')) {
    return findingKeys(expected).join() === findingKeys(actual).join()
      ? []
      : [`${path}: ${findingKeys(expected).join()} ≠ ${findingKeys(actual).join()}`];
  }
  if (typeof expected === 'number') {
    const near =
      Math.abs((actual as number) - expected) <= Math.max(test.absTol, test.relTol * Math.abs(expected));
    return near ? [] : [`${path}: expected ${expected}, got ${String(actual)}`];
  }
  if (isRange(expected)) {
    const { approx = NaN, within = NaN, atMost = Infinity, atLeast = -Infinity } = expected;
    const figure = actual as number;
    const fits =
      'approx' in expected ? Math.abs(figure - approx) <= within : figure <= atMost && figure >= atLeast;
    return fits ? [] : [`${path}: expected ${JSON.stringify(expected)}, got ${String(actual)}`];
  }
  if (Array.isArray(expected)) {
    const list = actual as readonly unknown[];
    if (list.length !== expected.length)
      return [`${path}: ${expected.length} items expected, got ${list.length}`];
    return expected.flatMap((item, i) => differences(item, list[i], test, `${path}[${i}]`));
  }
  if (typeof expected === 'object' && expected !== null) {
    return Object.entries(expected).flatMap(([key, value]) =>
      differences(value, (actual as Record<string, unknown> | undefined)?.[key], test, `${path}.${key}`),
    );
  }
  return Object.is(expected, actual) ? [] : [`${path}: expected ${String(expected)}, got ${String(actual)}`];
}

test('every file of vectors has its operation', () => {
  expect(files.length).toBeGreaterThan(0);
  expect(files.filter(({ operation }) => !operationNames.some((name) => name === operation))).toEqual([]);
});

describe.each(files)('$operation', ({ operation, cases }) => {
  test.each(cases)('$name', (vector) => {
    const output = answer(operation, vector.input);
    expect(differences(vector.expected, output, vector, '')).toEqual([]);
    if (vector.repeatable === true) expect(answer(operation, vector.input)).toEqual(output);
  });
});
