import { contrast } from './contrast';
import { dark, light, type Palette } from './tokens';

const grounds = [
  'paper',
  'card',
  'lakeTint',
  'emberTint',
  'strawTint',
] as const satisfies readonly (keyof Palette)[];

describe.each([
  ['light', light],
  ['dark', dark],
])('%s', (_name, palette) => {
  test.each(['ink', 'soft', 'lake', 'ember', 'straw'] as const)(
    'figures and verdicts in %s can be read anywhere',
    (colour) => {
      const weakest = Math.min(...grounds.map((ground) => contrast(palette[colour], palette[ground])));
      expect(weakest).toBeGreaterThanOrEqual(7);
    },
  );

  test.each(['lake', 'ember'] as const)('text on a surface of %s keeps 7:1', (colour) => {
    expect(contrast(palette.onFill, palette[colour])).toBeGreaterThanOrEqual(7);
  });
});

test('contrast of black on white is 21', () => {
  expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 5);
});
