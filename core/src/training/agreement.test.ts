import fc from 'fast-check';
import { compute } from '../operations';
import { weightedKappa } from './weighted-kappa';

const GRADES = ['I', 'II', 'III', 'none'] as const;
const share = fc.double({ min: 0, max: 1, noNaN: true });
const answer = fc.record({
  truthVoid: share,
  guessVoid: share,
  truthGrade: fc.constantFrom(...GRADES),
  guessGrade: fc.constantFrom(...GRADES),
});
const answers = fc.array(answer, { minLength: 1, maxLength: 60 });

test('with squared weights, kappa is the correlation of classes within one scale: Fleiss and Cohen, 1973', () => {
  fc.assert(
    fc.property(answers, (all) => {
      const rank = (grade: (typeof GRADES)[number]): number => GRADES.indexOf(grade);
      const pairs = all.map(({ truthGrade, guessGrade }) => [rank(truthGrade), rank(guessGrade)] as const);
      const mean = (of: (pair: readonly [number, number]) => number): number =>
        pairs.reduce((sum, pair) => sum + of(pair), 0) / pairs.length;
      const [a, b] = [mean(([t]) => t), mean(([, g]) => g)];
      const covariance = mean(([t, g]) => (t - a) * (g - b));
      const spread = mean(([t]) => (t - a) ** 2) + mean(([, g]) => (g - b) ** 2) + (a - b) ** 2;
      const { weightedKappa: kappa } = compute('training.agreement', { answers: all });
      if (spread < 1e-9) expect(kappa).toBeNull();
      else expect(kappa).toBeCloseTo((2 * covariance) / spread, 9);
    }),
  );
});

test('the standard error is that of every answer left out once', () => {
  fc.assert(
    fc.property(fc.array(answer, { minLength: 2, maxLength: 25 }), (all) => {
      const { kappaStandardError } = compute('training.agreement', { answers: all });
      const without = all.map(
        (_, i) => compute('training.agreement', { answers: all.filter((_each, j) => j !== i) }).weightedKappa,
      );
      if (without.includes(null)) {
        expect(kappaStandardError).toBeNull();
        return;
      }
      const kappas = without.map(Number);
      const mean = kappas.reduce((sum, kappa) => sum + kappa, 0) / kappas.length;
      const squares = kappas.reduce((sum, kappa) => sum + (kappa - mean) ** 2, 0);
      expect(kappaStandardError).toBeCloseTo(Math.sqrt(((all.length - 1) / all.length) * squares), 9);
    }),
  );
});

test('two people agree as far whoever is taken as the truth, and their errors turn round', () => {
  fc.assert(
    fc.property(answers, (all) => {
      const there = compute('training.agreement', { answers: all });
      const back = compute('training.agreement', {
        answers: all.map(({ truthVoid, guessVoid, truthGrade, guessGrade }) => ({
          truthVoid: guessVoid,
          guessVoid: truthVoid,
          truthGrade: guessGrade,
          guessGrade: truthGrade,
        })),
      });
      expect(back.meanError).toBeCloseTo(-there.meanError, 12);
      expect(back.weightedKappa ?? 9).toBeCloseTo(there.weightedKappa ?? 9, 9);
      expect(back.exactShare).toBe(there.exactShare);
    }),
  );
});

test('one class that is off by one costs a ninth of the weight of one that is off by all', () => {
  const off = (by: number): number => {
    const counts = GRADES.map((_, i) => GRADES.map((_each, j): number => (i === j ? 10 : 0)));
    const [row] = counts;
    if (row !== undefined) row[by] = 1;
    return 1 - (weightedKappa(counts).weightedKappa ?? NaN);
  };
  expect(off(3) / off(1)).toBeGreaterThan(8);
  expect(off(3) / off(1)).toBeLessThan(10);
});
