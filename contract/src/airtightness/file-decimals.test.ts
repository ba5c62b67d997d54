import { decimalMarkOf, eitherReading } from './file-decimals';

test.each([
  [['-0,8', '1.200'], ','],
  [['12.5'], '.'],
  [['0.125'], '.'],
  [['.125'], '.'],
  [['1234,567'], ','],
  [['1.234.567'], ','],
  [['1,234.5'], '.'],
  [['\u221212,25', '50'], ','],
  [['1.200', '1,200'], null],
  [['12.5', '12,5'], null],
  [['50', 'gust', ''], null],
  [['12.3456'], '.'],
] as const)('%j show the mark %j', (texts, mark) => {
  expect(decimalMarkOf(texts)).toBe(mark);
});

test.each([
  ['1,200', [1.2, 1200]],
  ['-1.250', [-1.25, -1250]],
  ['\u2212999.999', [-999.999, -999999]],
  ['0.125', null],
  ['1234.567', null],
  ['12.50', null],
  ['1,200.5', null],
] as const)('%s can be %j', (text, readings) => {
  expect(eitherReading(text)?.map(({ value }) => value) ?? null).toEqual(readings);
});

test('whose mark it is', () => {
  expect(eitherReading('1,200')?.map(({ decimalMark }) => decimalMark)).toEqual([',', '.']);
  expect(eitherReading('1.200')?.map(({ decimalMark }) => decimalMark)).toEqual(['.', ',']);
});
