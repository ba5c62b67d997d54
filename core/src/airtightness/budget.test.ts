import fc from 'fast-check';
import { compute } from '../operations';
import { equivalentHoleM2 } from './figures';

const building = { volumeM3: 400, envelopeAreaM2: 500, floorAreaM2: 160, heightM: 5 };
const flow = fc.double({ min: 1, max: 1e5, noNaN: true });

test.each([
  ['n50', 400],
  ['qE50', 500],
  ['qF50', 160],
  ['q50', 1],
] as const)('a limit on %s is a flow by its size', (quantity, size) => {
  const { limitFlowM3h } = compute('airtightness.budget', {
    target: { quantity, limit: 2 },
    building,
    q50M3h: 100,
  });
  expect(limitFlowM3h).toBe(2 * size);
});

test('excess and limit add up, and the hole passes just the excess', () => {
  fc.assert(
    fc.property(flow, flow, (q50M3h, limit) => {
      const { excessM3h, limitFlowM3h, holeAreaM2, verdict } = compute('airtightness.budget', {
        target: { quantity: 'q50', limit },
        q50M3h,
      });
      expect(excessM3h + limitFlowM3h).toBeCloseTo(q50M3h, 6);
      expect(holeAreaM2).toBeCloseTo(verdict === 'fail' ? equivalentHoleM2(excessM3h, 50) : 0, 12);
    }),
  );
});

test('exactly at the limit passes, and proves it where the bound is there too', () => {
  const target = { quantity: 'q50', limit: 600 } as const;
  expect(compute('airtightness.budget', { target, q50M3h: 600, q50High95M3h: 600 }).verdict).toBe('pass');
  expect(compute('airtightness.budget', { target, q50M3h: 600 + 1e-10 }).verdict).toBe('pass-not-proven');
  expect(compute('airtightness.budget', { target, q50M3h: 600.001 }).verdict).toBe('fail');
});

test('an upper bound below the figure is refused', () => {
  expect(() =>
    compute('airtightness.budget', { target: { quantity: 'q50', limit: 1 }, q50M3h: 5, q50High95M3h: 4 }),
  ).toThrow(expect.objectContaining({ code: 'out-of-range', field: 'q50High95M3h' }));
});

describe('a single point', () => {
  const base = {
    method: 'iso9972',
    direction: 'pressurise',
    building,
    conditions: { indoorTemperatureC: 20, outdoorTemperatureC: 0 },
  } as const;
  const repeat = (pressurePa: number, flowM3h: number) => ({
    pressurePa,
    flowM3h,
    baselineBeforePa: [0],
    baselineAfterPa: [0],
  });

  test('taken at 50 Pa needs no exponent: the range closes but for the density', () => {
    const { result } = compute('airtightness.singlePoint', { ...base, repeats: [repeat(50, 500)] });
    expect(result.q50RangeHighM3h / result.q50RangeLowM3h).toBeLessThan(1.02);
    expect(result.q50High95M3h).toBeNull();
  });

  test('the baseline is judged, and how much hangs on the assumed exponent', () => {
    const rulesOf = (each: ReturnType<typeof repeat>) =>
      compute('airtightness.singlePoint', { ...base, repeats: [each] }).findings.map(({ rule, reading }) => [
        rule,
        reading,
      ]);
    expect(rulesOf(repeat(50, 500))).toEqual([]);
    expect(rulesOf({ ...repeat(50, 500), baselineBeforePa: [6, 5] })).toEqual([['baseline-high', 0]]);
    expect(rulesOf({ ...repeat(20, 300), baselineAfterPa: [4.5] })).toEqual([
      ['lowest-pressure-low', 0],
      ['assumed-exponent-matters', undefined],
    ]);
  });

  test('repeats narrow the interval about their geometric mean', () => {
    const { result } = compute('airtightness.singlePoint', {
      ...base,
      repeats: [repeat(50, 490), repeat(50, 510)],
    });
    const more = compute('airtightness.singlePoint', {
      ...base,
      repeats: [490, 510, 490, 510, 490, 510].map((each) => repeat(50, each)),
    }).result;
    expect(result.q50M3h).toBeCloseTo(more.q50M3h, 9);
    expect(more.q50High95M3h ?? NaN).toBeLessThan(result.q50High95M3h ?? NaN);
  });

  test.each([
    [14.9, 'pressure-too-low'],
    [-30, 'wrong-sign'],
  ])('%d Pa is refused: %s', (pressurePa, code) => {
    expect(() =>
      compute('airtightness.singlePoint', { ...base, repeats: [repeat(pressurePa, 500)] }),
    ).toThrow(expect.objectContaining({ code, field: 'repeats[0].pressurePa' }));
  });
});
