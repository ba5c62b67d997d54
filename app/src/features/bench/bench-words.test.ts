import { examples } from '@calvet/core/examples';
import { compute, operationNames, operations, type OperationName } from '@calvet/core/operations';
import type { Schema } from '@calvet/core/schema';
import { answerFigures } from './answer-words';
import { CATALOGUE, nameOfSlug, SHELVES, slugOf } from './catalogue';
import { itemOf, itemTitle, labelOf, oneOf, wordOf } from './labels';
import { quantityOf, quantityOfStep } from './quantities';
import { siNumber } from './si-number';

type Fields = Readonly<Record<string, unknown>>;
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Every figure of an input or output with its name and what stands round it. */
function figuresIn(value: unknown, name = '', siblings: Fields = {}, holder?: string): readonly string[] {
  if (typeof value === 'number') {
    const isMonth = name === 'startMonth' || name === 'peakMonth';
    return !isMonth && quantityOf(name, { siblings, holder }) === null ? [name] : [];
  }
  if (Array.isArray(value)) return value.flatMap((item) => figuresIn(item, name, siblings, holder));
  if (!isFields(value)) return [];
  return Object.entries(value).flatMap(([inner, each]) =>
    inner === 'findings' ? [] : figuresIn(each, inner, value, name === '' ? undefined : name),
  );
}

/** True where a path leads to something, be it null. */
function isThere(output: unknown, path: string): boolean {
  const found = path
    .split('.')
    .reduce<unknown>((inner, step) => (isFields(inner) ? inner[step] : undefined), output);
  return found !== undefined;
}

function numbersIn(schema: Schema, name: string, holder?: string): readonly (readonly [string, string?])[] {
  switch (schema.kind) {
    case 'number':
      return [[name, holder]];
    case 'list':
    case 'named':
      return numbersIn(schema.item, name, holder);
    case 'fields':
      return schema.members.flatMap((member) => numbersIn(member.schema, member.name, name));
    default:
      return [];
  }
}

describe.each(operationNames)('%s', (name: OperationName) => {
  test('stands on one shelf, with an address of its own', () => {
    expect(SHELVES.filter(({ names }) => names.includes(name))).toHaveLength(1);
    expect(nameOfSlug(slugOf(name))).toBe(name);
    expect(slugOf(name)).toMatch(/^[a-z0-9-]+$/);
  });

  test('says in what each of its inputs is measured', () => {
    const unknown = numbersIn(operations[name].schema, '').filter(
      ([member, holder]) => member !== 'limit' && quantityOf(member, { holder }) === null,
    );
    expect(unknown).toEqual([]);
  });

  test('says in what each of its figures is measured', () => {
    expect(figuresIn(compute(name, examples[name]))).toEqual([]);
  });

  test('has its answers in its output', () => {
    const output = compute(name, examples[name]);
    const figures = answerFigures(output, CATALOGUE[name].answers, 'metric');
    expect(figures.length).toBeGreaterThan(1);
    expect(figures.filter(({ text }) => text === '–')).toEqual([]);
    expect(CATALOGUE[name].answers.filter((path) => !isThere(output, path))).toEqual([]);
    expect(new Set(figures.map(({ label }) => label)).size).toBe(figures.length);
  });
});

describe('quantities come from names', () => {
  test.each([
    ['pressurePa', { siblings: { flowM3h: 1 } }, 'housePressure'],
    ['pressurePa', { siblings: { temperatureC: 1 } }, 'airPressure'],
    ['limit', { siblings: { quantity: 'n50' } }, 'airChange'],
    ['limit', { siblings: { quantity: 'qE50' } }, 'flowPerArea'],
    ['low', { holder: 'leakM3h' }, 'flow'],
    ['low', { holder: 'effect' }, 'share'],
    ['areaM2', { holder: 'regions' }, 'smallArea'],
    ['areaM2', {}, 'area'],
    ['sdDryM', {}, 'vapourThickness'],
    ['foamDepthsM', {}, 'thickness'],
    ['condensingLayer', {}, 'position'],
    ['deltaUAWK', {}, 'heatLoss'],
    ['deltaUVoids', {}, 'transmittance'],
    ['somethingElse', {}, null],
  ] as const)('%s', (name, surroundings, quantity) => {
    expect(quantityOf(name, surroundings)).toBe(quantity);
  });
});

describe('words', () => {
  test('labels leave the unit to the figure', () => {
    expect(labelOf('grossAreaM2')).toBe('Gross area');
    expect(labelOf('indoorTemperatureC')).toBe('Indoor temperature');
    expect(labelOf('pressurePa', { flowM3h: 1 })).toBe('Building pressure');
  });

  test('items of lists go by their singular, months by their names', () => {
    expect([itemOf('layers'), itemOf('depthsM'), oneOf('observations'), oneOf('readings')]).toEqual([
      'layer',
      'depth',
      'an observation',
      'a reading',
    ]);
    expect([itemTitle('months', 2), itemTitle('readings', 0)]).toEqual(['March', 'Reading 1']);
  });

  test('options read as words', () => {
    expect([wordOf('looseFill'), wordOf('pass-not-proven'), wordOf(true), wordOf('iso9972')]).toEqual([
      'Loose fill',
      'Pass, not proven',
      'Yes',
      'ISO 9972',
    ]);
  });

  test('a figure within a part of the output carries the name of the part', () => {
    const [first, second] = answerFigures(
      compute('airtightness.uncertaintyPropagation', examples['airtightness.uncertaintyPropagation']),
      ['n50.value', 'n50.high95'],
      'metric',
    );
    expect([first?.label, second?.label]).toEqual(['n50', 'Upper bound at 95 %, n50']);
    expect(first?.unit).toBe('/h');
  });
});

test.each([
  [0.25872634, '0.25873'],
  [-12, '−12'],
  [1234567, '1234600'],
  [0.00001813, '1.813·10⁻⁵'],
  [-2e-10, '−2·10⁻¹⁰'],
  [0, '0'],
])('a number of a step: %s', (value, text) => {
  expect(siNumber(value)).toBe(text);
});

test('a step is written beside its SI in the units of who reads it, where a unit stands for one quantity', () => {
  expect(quantityOfStep('m²·K/W', 'imperial')).toBe('resistance');
  expect(quantityOfStep('m²·K/W', 'metric')).toBeNull();
  expect(quantityOfStep('°C', 'imperial')).toBe('temperature');
  // Conductivities and losses along a line share one unit in SI.
  expect(quantityOfStep('W/(m·K)', 'imperial')).toBeNull();
  expect(quantityOfStep('', 'imperial')).toBeNull();
});
