import { house } from '@calvet/contract/house/house';
import { number } from '@calvet/core/schema';
import { readEntry } from './entry-message';
import { decimals, entry, figure, figureWithUnit } from './format';

const volume = { quantity: 'volume', units: 'metric', bounds: house.fields.volumeM3.bounds } as const;

test('what fits is brought to SI', () => {
  expect(readEntry('400', volume)).toEqual({ state: 'value', si: 400 });
  const feet = readEntry('1000', { ...volume, units: 'imperial' });
  expect(feet.state === 'value' && feet.si).toBeCloseTo(28.3168, 4);
});

test.each([
  ['0', 'Must be above 0 m³.'],
  ['abc', 'Not a number: write it like 12.5 or 12,5, or with m³, L, ft³.'],
  ['12 kg', '“kg” is no unit of this: write it like 12.5 or 12,5, or with m³, L, ft³.'],
  ['99999999', 'Must be 1000000 m³ or less.'],
])('%j: %s', (text, message) => {
  expect(readEntry(text, volume)).toEqual({ state: 'wrong', message });
});

test('a bound is said in the units that are typed', () => {
  const read = readEntry('200', {
    quantity: 'temperature',
    units: 'imperial',
    bounds: number({ max: 60 }),
  });
  expect(read).toEqual({ state: 'wrong', message: 'Must be 140 °F or less.' });
});

test('a figure that could be either is asked about, unless only one of both can be', () => {
  expect(readEntry('1,200', volume)).toEqual({
    state: 'wrong',
    message: '1.2 or 1200?',
    choices: ['1.2', '1200'],
  });
  const height = { quantity: 'length', units: 'metric', bounds: house.fields.heightM.bounds } as const;
  expect(readEntry('2.400', height)).toEqual({ state: 'value', si: 2.4 });
});

test('an empty field is empty, not zero', () => {
  expect(readEntry('  ', volume)).toEqual({ state: 'empty' });
});

test('a figure that was typed is shown again as it was typed, in the same units', () => {
  for (const text of ['100', '58.9', '-12.5', '0.125', '1234.5678']) {
    for (const units of ['metric', 'imperial'] as const) {
      const read = readEntry(text, { quantity: 'flow', units });
      expect(read.state === 'value' && entry(read.si, 'flow', units)).toBe(text.replace('-', '\u2212'));
    }
  }
});

test('a figure from other units is shown a little finer than usual, and no noise with it', () => {
  expect(entry(1.1, 'wind', 'imperial')).toBe('2.46');
  expect(entry(340, 'altitude', 'imperial')).toBe('1115.5');
  expect(entry(0, 'temperature', 'imperial')).toBe('32');
  expect(entry(null, 'flow', 'metric')).toBe('');
});

test('small flows and holes keep three digits', () => {
  expect(figure(1215.4, 'flow', 'metric')).toBe('1215');
  expect(figure(45.43, 'flow', 'metric')).toBe('45.4');
  expect(figure(4.543, 'flow', 'metric')).toBe('4.54');
  expect(figure(0.00164, 'leakArea', 'metric')).toBe('16.4');
});

test('figures are written with a true minus, never a negative zero', () => {
  expect(decimals(-1.26, 1)).toBe('\u22121.3');
  expect(decimals(-0.01, 1)).toBe('0.0');
  expect(figure(0.025, 'share', 'metric')).toBe('2.5');
  expect(figureWithUnit(100, 'flow', 'imperial')).toBe('58.9\u00A0cfm');
});
