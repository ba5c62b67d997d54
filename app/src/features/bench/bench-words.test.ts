import { examples } from '@calvet/core/examples';
import { compute, operationNames, operations, type OperationName } from '@calvet/core/operations';
import { as, fields, figure, list, number, positive, text } from '@calvet/core/schema';
import { answerFigures } from './answer-words';
import { nameOfSlug, SHELVES, slugOf } from './catalogue';
import { itemOf, itemTitle, labelOf, measureOf, oneOf, wordOf } from './member-words';
import { quantityOfStep } from './step-quantity';
import { siNumber } from './si-number';

describe.each(operationNames)('%s', (name: OperationName) => {
  test('stands on one shelf, with an address of its own', () => {
    expect(SHELVES.filter(({ names }) => names.includes(name))).toHaveLength(1);
    expect(nameOfSlug(slugOf(name))).toBe(name);
    expect(slugOf(name)).toMatch(/^[a-z0-9-]+$/);
  });

  test('shows its answers, each by a name of its own', () => {
    const figures = answerFigures(operations[name], compute(name, examples[name]), 'metric');
    expect(figures.length).toBeGreaterThan(1);
    expect(figures.filter(({ text }) => text === '–')).toEqual([]);
    expect(new Set(figures.map(({ label }) => label)).size).toBe(figures.length);
  });
});

describe('words', () => {
  const named = (name: string, schema = figure('plain')) => labelOf({ name, schema });

  test('labels are those of the schema, or the name without its unit', () => {
    expect(named('grossAreaM2')).toBe('Gross area');
    expect(named('indoorTemperatureC')).toBe('Indoor temperature');
    expect(named('pressurePa', as('Building pressure', figure('housePressure')))).toBe('Building pressure');
  });

  test('items of lists go by their singular or by a word of their own, months by their names', () => {
    const many = (name: string, one?: string) => ({ name, schema: { ...list(text()), ...(one && { one }) } });
    expect([itemOf(many('layers')), itemOf(many('depthsM')), oneOf(many('observations'))]).toEqual([
      'layer',
      'depth',
      'an observation',
    ]);
    expect(itemOf(many('table', 'line'))).toBe('line');
    expect([itemTitle(many('months'), 2), itemTitle(many('readings'), 0)]).toEqual(['March', 'Reading 1']);
  });

  test('options read as words', () => {
    expect([wordOf('looseFill'), wordOf('pass-not-proven'), wordOf(true), wordOf('iso9972')]).toEqual([
      'Loose fill',
      'Pass, not proven',
      'Yes',
      'ISO 9972',
    ]);
  });

  test('a limit is measured in what it limits', () => {
    const { quantity } = positive({ by: 'quantity', of: { n50: 'airChange', q50: 'flow' } });
    expect([{ quantity: 'n50' }, { quantity: 'q50' }, {}].map((each) => measureOf(quantity, each))).toEqual([
      'airChange',
      'flow',
      'plain',
    ]);
  });

  test('a figure within a part of the output carries the name of the part', () => {
    const name = 'airtightness.uncertaintyPropagation';
    const [first, second] = answerFigures(operations[name], compute(name, examples[name]), 'metric', [
      'n50.value',
      'n50.high95',
    ]);
    expect([first?.label, second?.label]).toEqual(['n50', 'Upper bound at 95 %, n50']);
    expect(first?.unit).toBe('/h');
  });

  test('of things that stand in a table it is told how many they are', () => {
    const name = 'calendar.holdPoints';
    const [first] = answerFigures(operations[name], compute(name, examples[name]), 'metric');
    expect(first).toMatchObject({ label: 'To look at', text: '4', unit: '' });
  });

  test('a month is told by its name, a whole figure without decimals', () => {
    const output = fields<{ month: number; bags: number }>({
      month: number({ quantity: 'month' }),
      bags: figure('count'),
    });
    const words = { shelf: 'insulation', title: '', tells: '', alsoCalled: '', mainFigures: [] } as const;
    const shown = answerFigures({ words, output }, { month: 2, bags: 51 }, 'metric', ['month', 'bags']);
    expect(shown.map(({ text }) => text)).toEqual(['March', '51']);
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
