import { seededRandom, normalFrom } from '../random/distributions';
import { combinedUncertainty, reach95, type JoinedError } from './joined-interval';
import { t95 } from './student-t';

const error = (part: Partial<JoinedError>): JoinedError => ({
  standardError: 0,
  degreesOfFreedom: 8,
  limits: [0, 0],
  ...part,
});

test('what scatters alone reaches as far as Student’s t', () => {
  expect(reach95(error({ standardError: 0.02 }))).toBeCloseTo(0.02 * t95(8), 9);
});

test('one even part reaches 0.95 of its limits, two alike the known part of theirs', () => {
  expect(reach95(error({ limits: [0.03, 0] }))).toBeCloseTo(0.0285, 9);
  // A triangle of half-width 2: 95 % within 2 − √(2·2·0.05·…): 2·(1 − √0.05).
  expect(reach95(error({ limits: [1, 1] }))).toBeCloseTo(2 * (1 - Math.sqrt(0.05)), 9);
});

test('together they reach as far as random numbers say, less than their variances would', () => {
  const joined = error({ standardError: 0.004, degreesOfFreedom: 1e6, limits: [0.03, 0.006] });
  const random = seededRandom(5);
  const normal = normalFrom(random, 0, 0.004);
  const even = (limit: number) => (2 * random() - 1) * limit;
  const draws = Float64Array.from({ length: 200_000 }, () =>
    Math.abs(normal() + even(0.03) + even(0.006)),
  ).sort();
  expect(reach95(joined)).toBeCloseTo(draws[0.95 * draws.length] ?? 0, 3);
  expect(reach95(joined)).toBeLessThan(1.96 * combinedUncertainty(joined));
});
