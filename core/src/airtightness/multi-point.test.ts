import fc from 'fast-check';
import { compute } from '../operations';
import { confidenceBand, relativeInterval } from './confidence-band';
import type { MultiPointInput } from './multi-point';
import { t95 } from './student-t';

const building = { volumeM3: 500, envelopeAreaM2: 450, floorAreaM2: 180, heightM: 6 };
const conditions = { indoorTemperatureC: 20, outdoorTemperatureC: 4, windMs: 2 };
const pressures = [12, 18, 25, 33, 41, 50, 58];

interface Law {
  readonly coefficient: number;
  readonly exponent: number;
  readonly scatter?: readonly number[];
}

function runOf({ coefficient, exponent, scatter = [] }: Law, sign = -1): MultiPointInput['runs'][number] {
  return {
    direction: sign < 0 ? 'depressurise' : 'pressurise',
    baselineBeforePa: [-1, -1.4],
    baselineAfterPa: [-1.2],
    readings: pressures.map((pressure, i) => ({
      pressurePa: sign * pressure - 1.2,
      flowM3h: coefficient * pressure ** exponent * (1 + (scatter[i] ?? 0)),
    })),
  };
}

const testOf = (...runs: MultiPointInput['runs']): MultiPointInput => ({
  method: 'iso9972',
  building,
  conditions,
  runs,
});

const law = fc.record({
  coefficient: fc.double({ min: 1, max: 500, noNaN: true }),
  exponent: fc.double({ min: 0.5, max: 1, noNaN: true }),
  scatter: fc.array(fc.double({ min: -0.05, max: 0.05, noNaN: true }), { minLength: 7, maxLength: 7 }),
});

test('the exponent of an exact power law comes back, whatever it is', () => {
  fc.assert(
    fc.property(law, ({ coefficient, exponent }) => {
      const [run] = compute('airtightness.multiPoint', testOf(runOf({ coefficient, exponent }))).runs;
      expect(run?.exponent).toBeCloseTo(exponent, 8);
      expect(run?.rSquared).toBeCloseTo(1, 9);
    }),
  );
});

test('double the flow: q50 doubles, n and its interval stay', () => {
  fc.assert(
    fc.property(law, (each) => {
      const once = compute('airtightness.multiPoint', testOf(runOf(each)));
      const twice = compute(
        'airtightness.multiPoint',
        testOf(runOf({ ...each, coefficient: 2 * each.coefficient })),
      );
      expect(twice.result.q50M3h / once.result.q50M3h).toBeCloseTo(2, 9);
      expect(twice.runs[0]?.exponent).toBeCloseTo(once.runs[0]?.exponent ?? NaN, 9);
      expect(twice.runs[0]?.exponentStandardError).toBeCloseTo(once.runs[0]?.exponentStandardError ?? NaN, 9);
    }),
  );
});

test('figures lie within their interval, and the interval holds on every figure', () => {
  fc.assert(
    fc.property(law, law, (one, other) => {
      const { result } = compute('airtightness.multiPoint', testOf(runOf(one), runOf(other, 1)));
      expect(result.q50Low95M3h).toBeLessThanOrEqual(result.q50M3h);
      expect(result.q50High95M3h).toBeGreaterThanOrEqual(result.q50M3h);
      expect(result.n50PerHour * building.volumeM3).toBeCloseTo(result.q50M3h, 6);
    }),
  );
});

test('order of the readings does not matter', () => {
  fc.assert(
    fc.property(law, (each) => {
      const run = runOf(each);
      const forth = compute('airtightness.multiPoint', testOf(run)).result;
      const back = compute(
        'airtightness.multiPoint',
        testOf({ ...run, readings: run.readings.toReversed() }),
      ).result;
      expect(back.q50M3h).toBeCloseTo(forth.q50M3h, 6);
    }),
  );
});

test('a fan read by its pressure gives the flow of its calibration', () => {
  const run = runOf({ coefficient: 80, exponent: 0.65 });
  const byFlow = compute('airtightness.multiPoint', testOf(run));
  const range = { coefficient: 60, exponent: 0.5, minPa: 1, maxPa: 1e5 };
  const atReference = Math.sqrt(byFlow.indoorDensityKgM3 / 1.2040973427229398);
  const readings = run.readings.map(({ pressurePa, flowM3h = 0 }) => ({
    pressurePa,
    fanPressurePa: ((flowM3h * atReference) / range.coefficient) ** 2,
    range,
  }));
  const byFan = compute('airtightness.multiPoint', testOf({ ...run, readings }));
  expect(byFan.result.q50M3h).toBeCloseTo(byFlow.result.q50M3h, 6);
});

test('the band is narrowest amid the readings and holds the bounds of q50', () => {
  const [run] = compute(
    'airtightness.multiPoint',
    testOf(runOf({ coefficient: 80, exponent: 0.65, scatter: [0.02, -0.01, 0.01, -0.02, 0.01] })),
  ).runs;
  if (run === undefined) throw new Error('no run');
  const [low, middle, at50, high] = confidenceBand(run, [5, 28, 50, 120]);
  const width = (point = low) => Math.log((point?.high95M3h ?? NaN) / (point?.low95M3h ?? NaN));
  expect(width(middle)).toBeLessThan(width(low));
  expect(width(middle)).toBeLessThan(width(high));
  const toReference = run.referenceCoefficientM3hPaN / run.coefficientM3hPaN;
  expect((at50?.high95M3h ?? NaN) * toReference).toBeCloseTo(run.q50High95M3h, 6);
});

test('the interval of the flow at 50 Pa is that of q50; that of a mean reaches to both of its results', () => {
  fc.assert(
    fc.property(law, law, (one, other) => {
      for (const runs of [[runOf(one)], [runOf(one), runOf(other, 1)]]) {
        const { result, runs: fitted } = compute('airtightness.multiPoint', testOf(...runs));
        const { low, high } = relativeInterval(fitted, 50);
        const flows = fitted.map(({ q50M3h }) => q50M3h);
        expect(result.q50M3h * low).toBeCloseTo(Math.min(result.q50Low95M3h, ...flows), 6);
        expect(result.q50M3h * high).toBeCloseTo(Math.max(result.q50High95M3h, ...flows), 6);
      }
    }),
  );
});

test('the further from the readings, the wider the interval', () => {
  const scatter = [0.02, -0.01, 0.01, -0.02, 0.01];
  const { runs } = compute(
    'airtightness.multiPoint',
    testOf(runOf({ coefficient: 80, exponent: 0.65, scatter })),
  );
  const widths = [28, 10, 4, 1].map((pressure) => relativeInterval(runs, pressure).high);
  expect(widths).toEqual([...widths].sort((a, b) => a - b));
});

test('Student’s t against its table', () => {
  const table: readonly (readonly [number, number])[] = [
    [1, 12.7062047],
    [2, 4.3026527],
    [5, 2.5705818],
    [8, 2.3060041],
    [30, 2.0422725],
  ];
  for (const [degrees, factor] of table) expect(t95(degrees) / factor).toBeCloseTo(1, 7);
  expect(t95(8.3)).toBeLessThan(t95(8));
});

test.each([
  ['few-readings', { readings: 4 }],
  ['baseline-high', { baseline: -6 }],
])('finds %s', (rule, { readings = 7, baseline = -1.2 }: { readings?: number; baseline?: number }) => {
  const run = runOf({ coefficient: 80, exponent: 0.65 });
  const shifted = {
    ...run,
    baselineBeforePa: [baseline],
    baselineAfterPa: [baseline],
    readings: run.readings
      .slice(-readings)
      .map((reading) => ({ ...reading, pressurePa: reading.pressurePa + 1.2 + baseline })),
  };
  const rules = compute('airtightness.multiPoint', testOf(shifted)).findings.map((finding) => finding.rule);
  expect(rules).toContain(rule);
});
