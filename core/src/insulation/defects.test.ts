import fc from 'fast-check';
import { assembly } from '../thermal/assembly';
import { cavityFill } from './cavity-fill';
import { defectPrices } from './defect-prices';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const films = { filmConvention: 'iso', heatFlow: 'horizontal' } as const;

test('the prices of what was seen, and of the like elsewhere, add up to the price of the measured shares', () => {
  fc.assert(
    fc.property(
      between(0.05, 0.4),
      between(0, 0.1),
      between(0.001, 0.3),
      between(0.7, 0.99),
      between(0.05, 1),
      (framingFraction, voidFraction, compressedFraction, meanFill, seen) => {
        const layers = [
          { rsi: 0.1 },
          { cavityRsi: 3.7, frameRsi: 1.1, framingFraction, thicknessM: 0.14 },
          { rsi: 0.3 },
        ];
        const areaM2 = 60;
        const cavitiesM2 = areaM2 * (1 - framingFraction);
        const observedM2 = cavitiesM2 * seen;
        const { price } = assembly({
          layers,
          ...films,
          method: 'iso6946',
          areaM2,
          gradeAdjustment: {
            school: 'voidFraction',
            layer: 1,
            measured: { voidFraction, compressedFraction, meanFill, compressedAs: 'underfilled' },
          },
        });
        const half = (voidFraction * observedM2) / 2;
        const { totalWK } = defectPrices({
          layers,
          ...films,
          gradedLayer: 1,
          areaM2,
          observedM2,
          defects: [
            ...(half > 0 ? ['left', 'right'].map((id) => ({ id, kind: 'void' as const, areaM2: half })) : []),
            { id: 'thin', kind: 'pressed', areaM2: compressedFraction * observedM2, rsi: 3.7 * meanFill },
          ],
        });
        expect(totalWK).toBeCloseTo(price?.deltaUAWK ?? NaN, 9);
      },
    ),
  );
});

test('a bare spot is priced by itself: it is in no cavity, and nobody expects the like elsewhere', () => {
  const input = { layers: [{ rsi: 4 }], ...films, gradedLayer: 0, areaM2: 20, observedM2: 1 };
  const { soundUValue, ...answer } = defectPrices({
    ...input,
    defects: [{ id: 'hatch', kind: 'bare', areaM2: 4, uValue: 1.9 }],
  });
  expect(answer.totalWK).toBeCloseTo(4 * (1.9 - soundUValue), 12);
  expect(answer.elsewhereWK).toBe(0);
});

test('a spot that loses no more than what is sound is no mend', () => {
  const { best } = defectPrices({
    layers: [{ rsi: 4 }],
    ...films,
    gradedLayer: 0,
    areaM2: 20,
    defects: [
      { id: 'good', kind: 'bare', areaM2: 1, uValue: 0.1, minutes: 5 },
      { id: 'bad', kind: 'bare', areaM2: 1, uValue: 1, minutes: 5 },
      { id: 'unknown', kind: 'bare', areaM2: 1, uValue: 2 },
    ],
  });
  expect(best).toEqual(['bad']);
});

test.each([
  ['rsi', { id: 'a', kind: 'pressed', areaM2: 1 }],
  ['uValue', { id: 'a', kind: 'bare', areaM2: 1 }],
] as const)('a defect without its %s says what is missing', (member, defect) => {
  const input = { layers: [{ rsi: 4 }], ...films, gradedLayer: 0, areaM2: 20, defects: [defect] };
  expect(() => defectPrices(input)).toThrow(
    expect.objectContaining({ code: 'required', field: `defects[0].${member}` }),
  );
});

describe('fills of one cavity', () => {
  const batt = { pressing: 'fibreLaw', conductivityWmK: 0.04, thicknessM: 0.1 } as const;

  test('they and the gap are as deep as the cavity, whatever is pressed', () => {
    const fill = fc.record({
      pressing: fc.constantFrom('fibreLaw' as const, 'constant' as const),
      conductivityWmK: between(0.034, 0.05),
      thicknessM: between(0.02, 0.2),
    });
    fc.assert(
      fc.property(between(0.05, 0.4), fc.array(fill, { minLength: 1, maxLength: 4 }), (depthM, fills) => {
        const { gapM, fills: inPlace } = cavityFill({ depthM, fills });
        expect(inPlace.reduce((sum, { thicknessM }) => sum + thicknessM, gapM)).toBeCloseTo(depthM, 9);
      }),
    );
  });

  test('at the thickness of its label a batt keeps the R of its label', () => {
    for (const depthM of [0.1 - 1e-9, 0.1, 0.1 + 1e-9]) {
      expect(cavityFill({ depthM, fills: [batt] }).cavityRsi).toBeCloseTo(2.5, 6);
    }
  });

  test('a label that no fibre has is refused, though nothing is pressed', () => {
    const tooGood = { ...batt, conductivityWmK: 0.028 };
    expect(() => cavityFill({ depthM: 0.3, fills: [tooGood] })).toThrow(
      expect.objectContaining({ code: 'no-density-root', field: 'fills[0].conductivityWmK' }),
    );
  });

  test('boards that leave nothing leave no room for a batt', () => {
    const board = { pressing: 'rigid', conductivityWmK: 0.025, thicknessM: 0.14 } as const;
    expect(() => cavityFill({ depthM: 0.14, fills: [board, batt] })).toThrow(
      expect.objectContaining({ code: 'fills-exceed-cavity', field: 'fills' }),
    );
    expect(cavityFill({ depthM: 0.14, fills: [board] }).gapM).toBe(0);
  });

  test('pressed to less than half is an estimate', () => {
    const { findings } = cavityFill({ depthM: 0.08, fills: [batt, batt] });
    expect(findings.map(({ rule }) => rule)).toEqual(['fibre-crushed']);
  });
});
