import fc from 'fast-check';
import { t95 } from './student-t';

/**
 * Chance that |T| is below a value, by Simpson's rule on the density with t = √ν·tan θ, where it is cos^(ν−1) θ. An
 * independent way: nothing of the quantile is in it.
 */
function chanceWithin(value: number, degrees: number): number {
  const density = (angle: number): number => Math.cos(angle) ** (degrees - 1);
  const integral = (to: number): number => {
    const intervals = 20_000;
    const step = to / intervals;
    let sum = density(0) + density(to);
    for (let i = 1; i < intervals; i++) sum += (i % 2 === 0 ? 2 : 4) * density(i * step);
    return (sum * step) / 3;
  };
  // Beyond forty widths of the density there is nothing left of it.
  const end = Math.min(Math.PI / 2, 40 / Math.sqrt(degrees));
  return integral(Math.atan(value / Math.sqrt(degrees))) / integral(end);
}

test.each([1, 1.5, 2, 3.7, 8, 30, 250, 999, 1000, 1001, 5000, 1e5, 1e7, 1e9])(
  'with %d degrees of freedom 95 %% lie within the factor',
  (degrees) => {
    expect(chanceWithin(t95(degrees), degrees)).toBeCloseTo(0.95, 7);
  },
);

test('the more degrees, the smaller the factor, down to that of the normal distribution', () => {
  fc.assert(
    fc.property(fc.double({ min: 1, max: 1e12, noNaN: true }), (degrees) => {
      expect(t95(degrees)).toBeGreaterThanOrEqual(t95(degrees * 1.01) - 1e-9);
      expect(t95(degrees)).toBeGreaterThanOrEqual(1.95996398454);
    }),
  );
});
