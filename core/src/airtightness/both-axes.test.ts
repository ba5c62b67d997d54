import { compute } from '../operations';
import { normalFrom, seededRandom } from '../random/distributions';
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

interface Weather {
  /** Scatter of a single pressure reading. */
  readonly windPa: number;
  /** Baseline readings before, and as many after. */
  readonly baselines: number;
  readonly pressuresPa: readonly number[];
  readonly flowShare: number;
}

/** Share of simulated tests whose 95 % interval holds the truth: of the fit that weighs, and of the ordinary one. */
function coverage({ windPa, baselines, pressuresPa, flowShare }: Weather) {
  const tests = 1500;
  const [coefficient, exponent, baselinePa] = [40, 0.63, -1.5];
  const truth = coefficient * 50 ** exponent;
  const random = seededRandom(3);
  const normal = normalFrom(random, 0, 1);
  const within = (limit: number) => (2 * random() - 1) * limit;
  const stillPa = () => Array.from({ length: baselines }, () => baselinePa + windPa * normal());
  let [weighed, ordinary] = [0, 0];
  for (let i = 0; i < tests; i++) {
    const { runs } = compute('airtightness.bothAxes', {
      method: 'iso9972',
      building: BUILDING,
      conditions: CALM_AIR,
      accuracy: { flowShare },
      runs: [
        {
          direction: 'depressurise',
          baselineBeforePa: stillPa(),
          baselineAfterPa: stillPa(),
          readings: pressuresPa.map((pressurePa) => ({
            pressurePa:
              baselinePa - pressurePa + windPa * normal() + within(Math.max(0.01 * pressurePa, 0.15)),
            flowM3h: coefficient * pressurePa ** exponent * (1 + within(flowShare)),
          })),
        },
      ],
    });
    const holds = (fit: { q50Low95M3h: number; q50High95M3h: number }) =>
      fit.q50Low95M3h <= truth && truth <= fit.q50High95M3h ? 1 / tests : 0;
    weighed += holds(runs[0]!);
    ordinary += holds(runs[0]!.ordinary);
  }
  return { weighed, ordinary };
}

describe('in wind the interval of the fit that weighs holds the truth 93 to 97 % of the time', () => {
  const many = Array.from({ length: 24 }, (_, i) => 11 + 1.7 * i);
  const mostlyLow = [12, 14, 16, 18, 20, 25, 30, 50, 60];

  test('where the ordinary one promises too much', () => {
    const { weighed, ordinary } = coverage({ windPa: 2.2, baselines: 5, pressuresPa: many, flowShare: 0.01 });
    expect(weighed).toBeGreaterThan(0.93);
    expect(weighed).toBeLessThan(0.97);
    expect(ordinary).toBeLessThan(0.93);
  });

  test('where the ordinary one is wide beyond use', () => {
    const { weighed, ordinary } = coverage({
      windPa: 3,
      baselines: 10,
      pressuresPa: mostlyLow,
      flowShare: 0.02,
    });
    expect(weighed).toBeGreaterThan(0.93);
    expect(weighed).toBeLessThan(0.97);
    expect(ordinary).toBeGreaterThan(0.97);
  });
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
  const { runs, result, findings } = compute('airtightness.bothAxes', input);
  expect(runs[0]!.exponent).toBeCloseTo(0.63, 9);
  expect(result.q50M3h).toBeCloseTo(40 * 50 ** 0.63, 6);
  expect(runs[0]!.ordinary.q50M3h).toBeCloseTo(result.q50M3h, 6);
  expect(runs[0]!.readings.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
  const weights = runs[0]!.readings.map(({ weight }) => weight);
  expect([...weights].sort((a, b) => b - a)).toEqual(weights);
  expect(findings).toEqual([]);
});

test('a reading off the line by more than anything stated is said so', () => {
  const off = readings.map((reading, i) =>
    i === 2 ? { ...reading, flowM3h: reading.flowM3h * 1.25 } : reading,
  );
  const { findings } = compute('airtightness.bothAxes', {
    ...input,
    runs: [{ ...input.runs[0], readings: off }],
  });
  expect(findings).toEqual([expect.objectContaining({ rule: 'scatter-unexplained', run: 0 })]);
});

test('one baseline reading a side shows no scatter: it must be stated', () => {
  const single = { ...input.runs[0], baselineBeforePa: [0], baselineAfterPa: [0] };
  expect(() => compute('airtightness.bothAxes', { ...input, runs: [single] })).toThrow(
    expect.objectContaining({ code: 'too-few-readings', field: 'runs[0].baselineBeforePa' }),
  );
  const stated = { ...input, runs: [single], accuracy: { pressureScatterPa: 1 } };
  expect(compute('airtightness.bothAxes', stated).runs[0]!.pressureScatterPa).toBe(1);
});
