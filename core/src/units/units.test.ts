import fc from 'fast-check';
import { parseDecimal } from './decimal';
import { M3H_PER_CFM, RSI_PER_R } from './factors';
import { fromSi, QUANTITIES, toSi, type Quantity } from './quantity';

const quantities = Object.keys(QUANTITIES) as Quantity[];

test.each(quantities)('%s comes back from either system of units', (quantity) => {
  fc.assert(
    fc.property(
      fc.double({ min: -1e6, max: 1e6, noNaN: true }),
      fc.constantFrom('metric', 'imperial'),
      (si, system) => {
        const back = toSi(fromSi(si, quantity, system), quantity, system);
        expect(Math.abs(back - si)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(si)));
      },
    ),
  );
});

test('known conversions', () => {
  expect(M3H_PER_CFM).toBeCloseTo(1.69901, 5);
  expect(fromSi(3.346, 'resistance', 'imperial')).toBeCloseTo(19, 1);
  expect(toSi(1, 'resistance', 'imperial')).toBeCloseTo(RSI_PER_R, 12);
  expect(toSi(50, 'temperature', 'imperial')).toBeCloseTo(10, 12);
  expect(fromSi(1, 'area', 'imperial')).toBeCloseTo(10.7639, 4);
  expect(fromSi(1, 'flowPerArea', 'imperial')).toBeCloseTo(1 / M3H_PER_CFM / 10.7639104, 6);
  expect(fromSi(1, 'transmittance', 'imperial')).toBeCloseTo(0.17611, 5);
});

describe('a number as it is typed', () => {
  test.each([
    ['12.5', 12.5],
    ['12,5', 12.5],
    ['-1,2', -1.2],
    ['\u221250', -50],
    [' 7 ', 7],
    ['.5', 0.5],
    ['5.', 5],
    ['+3', 3],
    ['0,125', 0.125],
    ['1 200', 1200],
    ['1\u202F200,5', 1200.5],
    ['1.200,5', 1200.5],
    ['1,200.5', 1200.5],
    ['1,234,567', 1234567],
    ['12,3456', 12.3456],
    ['0', 0],
  ])('%j is %d', (text, value) => {
    expect(parseDecimal(text)).toEqual({ ok: true, value });
  });

  test.each([
    ['', 'empty'],
    ['  ', 'empty'],
    ['abc', 'not-a-number'],
    ['1e5', 'not-a-number'],
    ['12 m', 'not-a-number'],
    ['1.2.3', 'not-a-number'],
    ['--1', 'not-a-number'],
    ['-', 'not-a-number'],
    ['9'.repeat(400), 'not-a-number'],
    ['1,200', 'ambiguous'],
    ['-12,345', 'ambiguous'],
  ])('%j is refused: %s', (text, problem) => {
    expect(parseDecimal(text)).toEqual({ ok: false, problem });
  });

  test('any number written plainly is read as it is', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (value) => {
        const written = value.toFixed(4);
        expect(parseDecimal(written)).toEqual({ ok: true, value: Number(written) });
      }),
    );
  });
});
