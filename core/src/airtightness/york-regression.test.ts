import { compute } from '../operations';
import { coverageOf, WAYS_OF_TESTING } from '../../test/door-tests';
import { yorkFit } from './york-fit';

const CALM_AIR = {
  indoorTemperatureC: 20,
  outdoorTemperatureC: 20,
  indoorRelativeHumidity: 0,
  outdoorRelativeHumidity: 0,
  pressurePa: 101_325,
};
const BUILDING = { volumeM3: 400, envelopeAreaM2: 420, floorAreaM2: 150, heightM: 5 };

test("York's line on Pearson's data with York's weights, as published", () => {
  const [xs, ys] = [
    [0, 0.9, 1.8, 2.6, 3.3, 4.4, 5.2, 6.1, 6.5, 7.4],
    [5.9, 5.4, 4.4, 4.6, 3.5, 3.7, 2.8, 2.8, 2.4, 1.5],
  ];
  const weightsX = [1000, 1000, 500, 800, 200, 80, 60, 20, 1.8, 1];
  const weightsY = [1, 1.8, 4, 8, 20, 20, 70, 70, 100, 500];
  const line = yorkFit(
    xs.map((x, i) => ({
      x,
      y: ys[i]!,
      ux: 1 / Math.sqrt(weightsX[i]!),
      uy: 1 / Math.sqrt(weightsY[i]!),
    })),
  );
  expect(line.slope).toBeCloseTo(-0.480533407, 8);
  expect(line.intercept).toBeCloseTo(5.47991022, 7);
  expect(line.slopeStandardError).toBeCloseTo(0.057985009, 6);
  expect(line.chiSquared / line.degreesOfFreedom).toBeCloseTo(1.483, 3);
});

/*
 * Simulated tests whose truth is known; `npm run bench` makes 2,000 of each kind. Here some of each, added up by what the
 * errors are like.
 */
describe('the 95 % interval holds the truth 93 to 97 % of the time', () => {
  test.each([...new Set(WAYS_OF_TESTING.map(({ name }) => name))])('%s', (name) => {
    const ways = WAYS_OF_TESTING.filter((way) => way.name === name);
    const found = ways.map((way) => coverageOf(way, 80));
    const mean = (of: 'weighed' | 'ordinary') =>
      found.reduce((sum, each) => sum + each[of], 0) / found.length;
    expect(mean('weighed')).toBeGreaterThan(0.93);
    expect(mean('weighed')).toBeLessThan(0.97);
    // What gauge and fan share, scatter about the line does not show.
    if (name.startsWith('calm') && name.endsWith('shared')) expect(mean('ordinary')).toBeLessThan(0.5);
  });
});

test('without scatter about the law, what gauge and flow range share is all that is left open', () => {
  const { result } = compute('airtightness.yorkRegression', {
    ...input,
    accuracy: { pressureShare: 0, pressureFloorPa: 0, flowShare: 0.03, pressureScatterPa: 0, ownPart: 0.01 },
  });
  // ± 3 % evenly likely: 95 % of it lies within 0.95 of its limits.
  expect(result.q50High95M3h / result.q50M3h).toBeCloseTo(Math.exp(0.03 * 0.95), 3);
  expect(result.sharedUncertaintyLnQ50).toBeCloseTo(0.03 / Math.sqrt(3), 4);
});

test('the mean of two directions is no surer of what both share', () => {
  const other = {
    direction: 'pressurise',
    baselineBeforePa: [0.5, -0.5],
    baselineAfterPa: [0],
    readings: readings.map((each) => ({ ...each, pressurePa: -each.pressurePa })),
  };
  const one = compute('airtightness.yorkRegression', input).result;
  const both = compute('airtightness.yorkRegression', { ...input, runs: [...input.runs, other] }).result;
  expect(both.sharedUncertaintyLnQ50).toBeCloseTo(one.sharedUncertaintyLnQ50, 9);
  expect(both.standardErrorLnQ50).toBeLessThan(one.standardErrorLnQ50);
});

const readings = [60, 50, 40, 30, 20].map((pressurePa) => ({
  pressurePa: -pressurePa,
  flowM3h: 40 * pressurePa ** 0.63,
}));
const input = {
  method: 'iso9972',
  building: BUILDING,
  conditions: CALM_AIR,
  runs: [{ direction: 'depressurise', baselineBeforePa: [0.5, -0.5], baselineAfterPa: [0], readings }],
};

test('without scatter about the law both fits find it, and each reading has its weight', () => {
  const { runs, result, findings } = compute('airtightness.yorkRegression', input);
  expect(runs[0]!.exponent).toBeCloseTo(0.63, 9);
  expect(result.q50M3h).toBeCloseTo(40 * 50 ** 0.63, 6);
  expect(runs[0]!.ordinary.q50M3h).toBeCloseTo(result.q50M3h, 6);
  expect(runs[0]!.readings.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
  const weights = runs[0]!.readings.map(({ weight }) => weight);
  expect([...weights].sort((a, b) => b - a)).toEqual(weights);
  expect(findings.map(({ rule }) => rule)).toEqual(['one-direction-only']);
});

test('a reading off the line by more than anything stated is said so', () => {
  const off = readings.map((reading, i) =>
    i === 2 ? { ...reading, flowM3h: reading.flowM3h * 1.25 } : reading,
  );
  const { findings } = compute('airtightness.yorkRegression', {
    ...input,
    runs: [{ ...input.runs[0], readings: off }],
  });
  expect(findings).toContainEqual(expect.objectContaining({ rule: 'scatter-unexplained', run: 0 }));
  // Those of the ordinary evaluation are not left out.
  expect(findings).toContainEqual(expect.objectContaining({ rule: 'correlation-low', run: 0 }));
});

test('one baseline reading a side shows no scatter: it must be stated', () => {
  const single = { ...input.runs[0], baselineBeforePa: [0], baselineAfterPa: [0] };
  expect(() => compute('airtightness.yorkRegression', { ...input, runs: [single] })).toThrow(
    expect.objectContaining({ code: 'too-few-readings', field: 'runs[0].baselineBeforePa' }),
  );
  const stated = { ...input, runs: [single], accuracy: { pressureScatterPa: 1 } };
  expect(compute('airtightness.yorkRegression', stated).runs[0]!.pressureScatterPa).toBe(1);
});
