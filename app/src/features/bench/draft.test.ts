import { examples } from '@calvet/core/examples';
import { compute, operationNames, operations, type OperationName } from '@calvet/core/operations';
import { Refusal } from '@calvet/core/refusal';
import { fields, list, number, optional, option, text, type ListSchema } from '@calvet/core/schema';
import {
  blankOf,
  filledDown,
  hasShape,
  inputOf,
  missingIn,
  nextItem,
  pathOf,
  pathText,
  withChange,
  withGiven,
  type Draft,
} from './draft';
import { fieldWords } from './use-bench-form';

const exampleOf = (name: OperationName): Draft => examples[name] as unknown as Draft;

function refuses(name: OperationName, input: Draft): boolean {
  try {
    compute(name, input);
    return false;
  } catch (error) {
    return error instanceof Refusal;
  }
}

describe.each(operationNames)('the form of %s', (name: OperationName) => {
  const { schema } = operations[name];

  test('begins empty, in the shape that its schema asks for', () => {
    const blank = blankOf(schema, exampleOf(name));
    expect(hasShape(schema, blank)).toBe(true);
    expect(JSON.stringify(blank)).not.toMatch(/:-?\d+\.\d/);
    const input = inputOf(schema, blank);
    expect(missingIn(schema, input).length > 0 || refuses(name, input)).toBe(true);
  });

  test('gives back the figures of the example that is filled in', () => {
    const example = exampleOf(name);
    expect(hasShape(schema, example)).toBe(true);
    const input = inputOf(schema, example);
    expect(missingIn(schema, input)).toEqual([]);
    expect(compute(name, input)).toEqual(compute(name, examples[name]));
  });
});

const layers = list(
  fields<{ rsi?: number; sdM: number }>({ rsi: optional(number()), sdM: number() }),
  1,
) as ListSchema;
const schema = fields<{ kind: 'a' | 'b'; name: string; layers: unknown[]; depthsM: number[] }>({
  kind: option('a', 'b'),
  name: text(),
  layers,
  depthsM: list(number(), 1),
});

test('a change leaves the rest as it was', () => {
  const draft = { kind: 'a', layers: [{ sdM: 1 }, { sdM: 2 }] };
  expect(withChange(draft, ['layers', 1, 'rsi'], 3)).toEqual({
    kind: 'a',
    layers: [{ sdM: 1 }, { sdM: 2, rsi: 3 }],
  });
  expect(withChange(draft, ['layers', 0], undefined)).toEqual({ kind: 'a', layers: [{ sdM: 2 }] });
  expect(withChange(draft, ['kind'], undefined)).toEqual({ layers: [{ sdM: 1 }, { sdM: 2 }] });
  expect(draft.layers).toHaveLength(2);
});

test('an input has no empty words and no empty places at the end of a list of figures', () => {
  const draft = { kind: 'a', name: '', layers: [{ sdM: 1 }], depthsM: [1, null, 2, null, null] };
  const input = inputOf(schema, draft);
  expect(input).toEqual({ kind: 'a', name: null, layers: [{ sdM: 1 }], depthsM: [1, null, 2] });
  expect(missingIn(schema, input).map(pathText)).toEqual(['name', 'depthsM[1]']);
});

test('a list that must have one figure asks for it', () => {
  const input = inputOf(schema, { kind: 'a', name: 'x', layers: [{ sdM: 1 }], depthsM: [null, null] });
  expect(missingIn(schema, input).map(pathText)).toEqual(['depthsM[0]']);
});

test('a pasted column goes down from where it was pasted and makes the list longer', () => {
  const items: readonly Draft[] = [{ rsi: 1, sdM: 2 }, { sdM: 3 }];
  expect(filledDown(layers, items, 1, 'sdM', [7, 8])).toEqual([{ rsi: 1, sdM: 2 }, { sdM: 7 }, { sdM: 8 }]);
  const months = list(number(), 2, 3) as ListSchema;
  expect(filledDown(months, [1, 2], 1, null, [5, 6, 7])).toEqual([1, 5, 6]);
  expect(nextItem(layers, items)).toEqual({ sdM: null });
});

test('what was kept of another shape is not taken', () => {
  const good = { kind: 'b', name: 'n', layers: [], depthsM: [] };
  expect(hasShape(schema, good)).toBe(true);
  for (const bad of [
    { ...good, kind: 'c' },
    { ...good, layers: {} },
    { ...good, depthsM: ['1'] },
    { ...good, other: 1 },
    { kind: 'b' },
    [good],
    null,
  ]) {
    expect(hasShape(schema, bad as Draft)).toBe(false);
  }
});

test('a place is named in the words of its form', () => {
  const { schema: test } = operations['airtightness.multiPoint'];
  const path = ['runs', 0, 'readings', 2, 'pressurePa'];
  expect(fieldWords(test, path)).toBe('Run 1, reading 3, building pressure');
  expect(fieldWords(test, ['conditions', 'pressurePa'])).toBe('Conditions, barometric pressure');
  const { schema: trace } = operations['continuity.trace'];
  expect(fieldWords(trace, ['areas', 1, 'lengthsM', 'Sill'])).toBe('Area 2, lengths of places, Sill');
  expect(pathOf(pathText(path))).toEqual(path);
});

test('what is given is laid over what stands there: lists as given, nulls taken out or emptied', () => {
  const schema = fields<{
    name: string;
    size: number;
    more?: number;
    layers: readonly { rsi: number; sdM: number; note?: string }[];
    air: { warmC: number; coldC: number };
  }>({
    name: text(),
    size: number(),
    more: optional(number()),
    layers: list(
      fields<{ rsi: number; sdM: number; note?: string }>({
        rsi: number(),
        sdM: number(),
        note: optional(text()),
      }),
    ),
    air: fields<{ warmC: number; coldC: number }>({ warmC: number(), coldC: number() }),
  });
  const before = {
    name: 'kept',
    size: 3,
    more: 4,
    layers: [{ rsi: 9, sdM: 9 }],
    air: { warmC: 20, coldC: 1 },
  };
  const layers = [{ rsi: 1 }, { rsi: 2, note: null }];
  expect(withGiven(schema, before, { size: null, more: null, layers, air: { coldC: 5 }, odd: 1 })).toEqual({
    name: 'kept',
    size: null,
    layers: [
      { rsi: 1, sdM: null },
      { rsi: 2, sdM: null },
    ],
    air: { warmC: 20, coldC: 5 },
  });
});
