import { filesOfVectors } from '../../test/vectors';
import { examples } from '../examples';
import { compute, operationNames, operations, type OperationName } from '../operations';
import { checked, type InputSchema } from '../schema';
import { stepsOf } from './explanations';
import { step, withNumbers, type Step } from './step';

/** The result of a step's formula, worked out from its text and its numbers alone. */
function workedOut({ formula, values }: Step): number {
  const right = formula!.slice(formula!.indexOf('=') + 1);
  const source = right
    .replace(/\p{L}[\p{L}\p{N}_′″]*/gu, (word) =>
      word === 'ln'
        ? 'Math.log'
        : ['exp', 'min', 'max', 'ceil'].includes(word)
          ? `Math.${word}`
          : `(${values[word]})`,
    )
    .replaceAll('·', '*')
    .replaceAll('−', '-')
    .replaceAll('√', 'Math.sqrt')
    .replaceAll('^', '**');
  return new Function(`return ${source}`)() as number;
}

function stepsFor(name: OperationName, input: unknown): readonly Step[] {
  const accepted = checked(operations[name].schema as InputSchema<never>, input);
  return stepsOf(name, accepted, compute(name, input) as never);
}

const vectors = filesOfVectors<{ readonly input: unknown; readonly expected: object }>().flatMap(
  ({ operation, cases }) =>
    cases
      .filter(({ expected }) => !('error' in expected))
      .map(({ input }) => ({ name: operation as OperationName, input })),
);
const inputs = [...operationNames.map((name) => ({ name, input: examples[name] as unknown })), ...vectors];

test.each(operationNames)('every step of %s gives its result when it is done again by hand', (name) => {
  for (const { input } of inputs.filter((each) => each.name === name)) {
    const steps = stepsFor(name, input);
    expect(steps.some(({ formula }) => formula !== null)).toBe(true);
    for (const each of steps) {
      expect(Number.isFinite(each.result)).toBe(true);
      if (each.formula === null) continue;
      const result = workedOut(each);
      expect(`${each.what}: ${each.formula}`).toBe(
        Math.abs(result - each.result) <= 1e-9 * Math.max(1, Math.abs(each.result))
          ? `${each.what}: ${each.formula}`
          : `${withNumbers(each, String)} = ${result}, not ${each.result}`,
      );
    }
  }
});

test('numbers are put in for symbols, those below zero in brackets', () => {
  const drop = step('Drop', 'Δ = θi − θe·ln(θi)', { θi: 20, θe: -5 }, 0);
  expect(withNumbers(drop, String)).toBe('20 − (-5)·ln(20)');
});

/** Every number within an input. */
function numbersIn(value: unknown): readonly number[] {
  if (typeof value === 'number') return [value];
  if (typeof value !== 'object' || value === null) return [];
  return Object.values(value).flatMap(numbersIn);
}

const near = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-12 * Math.max(Math.abs(a), Math.abs(b));

test.each(operationNames)(
  'every figure that a step of %s uses is given, found before, or said to be what',
  (name) => {
    const astray = new Set<string>();
    for (const { input } of inputs.filter((each) => each.name === name)) {
      const known = [...numbersIn(input)];
      for (const each of stepsFor(name, input)) {
        for (const [symbol, value] of Object.entries(each.values)) {
          const isGiven = known.some((one) => near(one, value)) || (each.where[symbol] ?? '') !== '';
          if (!isGiven) astray.add(`${each.what}: ${each.formula}: ${symbol} = ${value}`);
        }
        known.push(each.result);
      }
    }
    expect([...astray]).toEqual([]);
  },
);
