import fc from 'fast-check';
import { degreeDays, meanBelow } from './degree-days';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const months = fc.array(between(-40, 40), { minLength: 12, maxLength: 12 });

test('to one base, heating less cooling is what the months lie below it, whatever their days scatter', () => {
  fc.assert(
    fc.property(months, between(0, 15), (temperaturesC, dailySpreadK) => {
      const { heatingKd, coolingKd, yearMeanC } = degreeDays({
        temperaturesC,
        dailySpreadK,
        heatingBaseC: 18,
        coolingBaseC: 18,
      });
      expect(heatingKd - coolingKd).toBeCloseTo(365 * (18 - yearMeanC), 5);
    }),
  );
});

test('days that scatter more ask for no less heat, and a higher base neither', () => {
  fc.assert(
    fc.property(between(-30, 40), between(0, 15), between(0, 15), (meanC, one, other) => {
      const [less, more] = [Math.min(one, other), Math.max(one, other)];
      expect(meanBelow(18, meanC, more)).toBeGreaterThanOrEqual(meanBelow(18, meanC, less) - 1e-9);
      expect(meanBelow(19, meanC, one)).toBeGreaterThanOrEqual(meanBelow(18, meanC, one) - 1e-9);
    }),
  );
});
