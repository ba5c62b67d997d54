import fc from 'fast-check';
import { M3H_PER_CFM } from './factors';
import { parseQuantity } from './parse-quantity';
import { fromSi, QUANTITIES, unitOf, type Quantity, type UnitSystem } from './quantity';
import { bareUnit, unitsTyped } from './spellings';

const quantities = Object.keys(QUANTITIES) as Quantity[];
const SYSTEMS: readonly UnitSystem[] = ['metric', 'imperial'];
const inch = 0.0254;
const cfm = M3H_PER_CFM;

const si = (text: string, quantity: Quantity, system: UnitSystem): number | string => {
  const read = parseQuantity(text, quantity, system);
  return read.ok ? read.si : read.problem;
};

describe('as people type what they measured', () => {
  test.each<[string, Quantity, UnitSystem, number]>([
    ['5/8', 'thickness', 'imperial', 0.625 * inch],
    ['1 1/2', 'thickness', 'imperial', 1.5 * inch],
    ['1-1/2"', 'thickness', 'imperial', 1.5 * inch],
    ['1-1/2"', 'thickness', 'metric', 1.5 * inch],
    ['3/8"', 'thickness', 'metric', 0.375 * inch],
    ['½', 'thickness', 'imperial', 0.5 * inch],
    ['1½', 'thickness', 'imperial', 1.5 * inch],
    ['1 ½″', 'thickness', 'metric', 1.5 * inch],
    ['5\'6"', 'length', 'metric', 66 * inch],
    ['5′ 6″', 'length', 'imperial', 66 * inch],
    ["5'6", 'length', 'imperial', 66 * inch],
    ['5 ft 6 in', 'length', 'metric', 66 * inch],
    ['5 ft 6 1/2 in', 'length', 'metric', 66.5 * inch],
    ['-1\'6"', 'length', 'metric', -18 * inch],
    ["8'", 'length', 'metric', 96 * inch],
    ['10 mm', 'thickness', 'imperial', 0.01],
    ['14cm', 'thickness', 'imperial', 0.14],
    ['1.2 m', 'length', 'imperial', 1.2],
    ['400 m3', 'volume', 'imperial', 400],
    ['400 m³', 'volume', 'imperial', 400],
    ['35 cfm', 'flow', 'metric', 35 * cfm],
    ['12 l/s', 'flow', 'metric', 43.2],
    ['21 °F', 'temperature', 'metric', -55 / 9],
    ['21F', 'temperature', 'metric', -55 / 9],
    ['-5 C', 'temperature', 'imperial', -5],
    ['1,5', 'length', 'metric', 1.5],
    ['1 234,5', 'volume', 'metric', 1234.5],
    ['1\u202F234.5', 'volume', 'metric', 1234.5],
    ["1'234.5", 'flow', 'metric', 1234.5],
    ['1e3', 'volume', 'metric', 1000],
    ['40,', 'volume', 'metric', 40],
    ['2.5E-2', 'length', 'metric', 0.025],
    ['R-20', 'resistance', 'imperial', 20 * 0.1761101838],
    ['R 3.5', 'resistance', 'metric', 3.5],
    ['RSI 3.5', 'resistance', 'imperial', 3.5],
    ['0.035 W/mK', 'conductivity', 'imperial', 0.035],
    ['32 mW/(m·K)', 'conductivity', 'metric', 0.032],
    ['\u221250', 'housePressure', 'metric', -50],
    ['0.2 in w.c.', 'housePressure', 'metric', 49.817782],
    ['29.92 inHg', 'airPressure', 'metric', 101320.75888],
    ['12', 'share', 'metric', 0.12],
    ['12 %', 'share', 'imperial', 0.12],
    ['3.5 pcf', 'density', 'metric', 3.5 * 16.01846337],
    ['1.234', 'transmittance', 'metric', 1.234],
  ])('%j as %s, %s', (text, quantity, system, expected) => {
    expect(si(text, quantity, system)).toBeCloseTo(expected, 9);
  });

  test.each<[string, Quantity, string]>([
    ['', 'length', 'empty'],
    ['  ', 'length', 'empty'],
    ['148.5.1', 'housePressure', 'not-a-number'],
    ['1/0', 'thickness', 'not-a-number'],
    ['--1', 'length', 'not-a-number'],
    ['-', 'length', 'not-a-number'],
    ['abc', 'length', 'not-a-number'],
    ['1e400', 'volume', 'not-a-number'],
    ['9'.repeat(400), 'volume', 'not-a-number'],
    ['1 2 3', 'volume', 'not-a-number'],
    ['5/8/2', 'thickness', 'not-a-number'],
    ['12 kg', 'length', 'unknown-unit'],
    ['50 Pa', 'flow', 'unknown-unit'],
    ['5\'6"', 'volume', 'not-a-number'],
  ])('%j as %s is refused: %s', (text, quantity, problem) => {
    expect(si(text, quantity, 'metric')).toBe(problem);
  });
});

describe('one mark before three figures', () => {
  test.each([
    ['1.200', '1.2', '1200'],
    ['1,200', '1.2', '1200'],
    ['-12,345', '\u221212.3450', '\u221212345'],
    ['1.200 ft3', '1.2 ft3', '1200 ft3'],
    ['3.000', '3', '3000'],
  ])('%j is asked about: %s or %s', (text, small, large) => {
    const read = parseQuantity(text, 'volume', 'metric');
    expect(read).toMatchObject({ ok: false, problem: 'ambiguous' });
    const either = !read.ok && read.problem === 'ambiguous' ? read.either : [];
    expect(either.map((each) => each.text)).toEqual([small, large]);
    // What is chosen is read without another question.
    for (const each of either) expect(si(each.text, 'volume', 'metric')).toBeCloseTo(each.si, 12);
  });

  test.each(['0.200', '0,035', '1.2000', '1 200', '1,20'])('%j is not', (text) => {
    expect(typeof si(text, 'volume', 'metric')).toBe('number');
  });
});

test.each(quantities)(
  'a unit that is shown for %s can be typed, and wins over the one that is set',
  (quantity) => {
    for (const system of SYSTEMS) {
      const { symbol } = unitOf(quantity, system);
      if (symbol === '') continue;
      for (const set of SYSTEMS) {
        const read = parseQuantity(`7 ${symbol}`, quantity, set);
        expect(read.ok && fromSi(read.si, quantity, system)).toBeCloseTo(7, 9);
      }
    }
  },
);

test.each(quantities)('no spelling of %s stands for two units', (quantity) => {
  const bare = unitsTyped(quantity).flatMap(({ spellings }) => [...new Set(spellings.map(bareUnit))]);
  expect(new Set(bare).size).toBe(bare.length);
});

test.each(quantities)(
  'whatever is shown of %s can be typed back, or is asked about with itself among the answers',
  (quantity) => {
    fc.assert(
      fc.property(
        fc.double({ min: -1e5, max: 1e5, noNaN: true }),
        fc.integer({ min: 0, max: 6 }),
        fc.constantFrom(...SYSTEMS),
        fc.boolean(),
        (value, digits, system, withUnit) => {
          const { symbol } = unitOf(quantity, system);
          const shown = value.toFixed(digits).replace('-', '\u2212');
          const read = parseQuantity(withUnit ? `${shown}\u00A0${symbol}` : shown, quantity, system);
          const readings = read.ok
            ? [read.si]
            : read.problem === 'ambiguous'
              ? read.either.map((each) => each.si)
              : [];
          const near = readings.some(
            (each) => Math.abs(fromSi(each, quantity, system) - Number(value.toFixed(digits))) <= 1e-6,
          );
          expect(near).toBe(true);
        },
      ),
    );
  },
);

test('whatever is typed is answered, and a figure is finite', () => {
  const piece = fc.constantFrom(
    '1',
    '0',
    '12',
    '.',
    ',',
    ' ',
    '/',
    '-',
    "'",
    '"',
    'ft',
    'in',
    'e',
    'R',
    '½',
    'm',
    '²',
    '%',
  );
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 12 }), fc.constantFrom(...quantities), (pieces, quantity) => {
      const read = parseQuantity(pieces.join(''), quantity, 'imperial');
      if (read.ok) expect(Number.isFinite(read.si)).toBe(true);
    }),
  );
});
