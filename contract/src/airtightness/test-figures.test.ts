import { baseline } from '../../test/baseline';
import { computeWith } from '@calvet/core/operation';
import { multiPointOperation } from '@calvet/core/airtightness/multi-point';
import { sampleHouse as house } from '../../test/sample-house';
import type { AirtightnessTestBody, TestReading } from './airtightness-test';
import { latestTest, testFigures } from './test-figures';

const reading = (
  id: string,
  pressurePa: number | null,
  flowM3h: number | null,
  more: Partial<TestReading> = {},
): TestReading => ({
  id,
  pressurePa,
  flowM3h,
  fanPressurePa: null,
  fanRange: null,
  struckOut: null,
  ...more,
});

const five = [12, 22, 33, 45, 57].map((pressure, i) =>
  reading(`r${i}`, -pressure - 1, 30 * pressure ** 0.65),
);

function testWith(
  readings: readonly TestReading[],
  more: Partial<AirtightnessTestBody> = {},
): AirtightnessTestBody {
  return {
    stage: 'finished',
    performedOn: '2026-10-01',
    indoorTemperatureC: 20,
    outdoorTemperatureC: 5,
    altitudeM: 100,
    airPressurePa: null,
    windMs: null,
    fanRanges: [],
    note: '',
    depressurise: { baselineBeforePa: baseline(-1), baselineAfterPa: baseline(-1), readings },
    pressurise: null,
    ...more,
  };
}

function figuresOf(test: AirtightnessTestBody) {
  const figures = testFigures(house, test);
  if (figures.state !== 'figures') throw new Error(JSON.stringify(figures));
  return figures;
}

test('a test has the figures of the core, to the last digit', () => {
  const direct = computeWith(multiPointOperation, {
    method: 'iso9972',
    building: house,
    conditions: { indoorTemperatureC: 20, outdoorTemperatureC: 5, altitudeM: 100 },
    runs: [{ direction: 'depressurise', baselineBeforePa: [-1], baselineAfterPa: [-1], readings: five }],
  });
  expect(figuresOf(testWith(five)).fit.result).toEqual(direct.result);
});

test('two directions that disagree leave the verdict open where one of them is over the limit', () => {
  const other = five.map((each) => ({
    ...each,
    id: `${each.id} up`,
    pressurePa: each.pressurePa === null ? null : -each.pressurePa - 2,
    flowM3h: each.flowM3h === null ? null : each.flowM3h * 1.4,
  }));
  const test = testWith(five, {
    pressurise: { baselineBeforePa: baseline(-1), baselineAfterPa: baseline(-1), readings: other },
  });
  const { fit } = figuresOf(test);
  const [one, two] = fit.runs;
  const between = (fit.result.n50PerHour + (two?.q50M3h ?? NaN) / house.volumeM3) / 2;
  const judged = testFigures({ ...house, target: { quantity: 'n50', limit: between } }, test);
  expect(one?.q50M3h ?? NaN).toBeLessThan(fit.result.q50M3h);
  // By the fit alone the mean would be well under the limit.
  expect(fit.result.q50High95M3h / house.volumeM3).toBeLessThan(between);
  expect(judged.state === 'figures' && judged.budget.verdict).toBe('pass-not-proven');
});

test('a gap between pressures and a slip of the unit are said beside the fit, which stays as it is', () => {
  const rulesWith = (...more: ReturnType<typeof reading>[]) => {
    const { findings, fit } = figuresOf(testWith([...five, ...more]));
    return findings.filter((each) => !fit.findings.includes(each as never)).map(({ rule }) => rule);
  };
  expect(rulesWith()).toEqual([]);
  // From 57 Pa on the next is 71, and 12 Pa is the widest gap.
  expect(rulesWith(reading('far', -71, 1250))).toEqual(['pressure-gap']);
  expect(rulesWith(reading('near', -68, 1220))).toEqual([]);
  expect(rulesWith(reading('fan', -250, 2800))).toEqual(['pressure-gap', 'implausible']);
});

test('a reading struck out, or not yet whole, does not count and a struck one stays on the picture', () => {
  const wild = reading('wild', -40, 9000, { struckOut: 'Gust' });
  const half = reading('half', -50, null);
  const figures = figuresOf(testWith([...five, wild, half]));
  expect(figures.fit.result).toEqual(figuresOf(testWith(five)).fit.result);
  expect(figures.points.map(({ readingId }) => readingId)).toEqual(['r0', 'r1', 'r2', 'r3', 'r4', 'wild']);
  expect(figures.points.at(-1)).toMatchObject({ isStruckOut: true });
  expect(figures.points.at(-1)?.offTheLine).toBeGreaterThan(5);
});

test('a struck-out reading may be impossible without standing in the way', () => {
  const impossible = reading('x', 60, 100, { struckOut: 'Sign' });
  expect(figuresOf(testWith([...five, impossible])).points).toHaveLength(5);
});

test.each<[string, AirtightnessTestBody, string, string | null]>([
  ['no readings', testWith([]), 'Enter readings: building pressure and flow, five or more.', null],
  [
    'two readings',
    testWith(five.slice(3)),
    '1 more reading and there is a fit; five make it valid.',
    'readings',
  ],
  [
    'no temperature',
    testWith(five, { outdoorTemperatureC: null }),
    'Enter the temperature outdoors.',
    'outdoorTemperatureC',
  ],
  [
    'no baseline',
    testWith(five, { depressurise: { baselineBeforePa: [], baselineAfterPa: baseline(-1), readings: five } }),
    'Enter the baseline before the readings, with the fan off.',
    'baselineBeforePa',
  ],
])('%s: says what is needed next', (_name, test, needs, field) => {
  const figures = testFigures(house, test);
  expect(figures).toMatchObject({ state: 'incomplete', needs });
  expect(figures.state === 'incomplete' && (figures.field?.name ?? null)).toBe(field);
});

test('a refusal of the core is laid on the reading that it means, past those struck out', () => {
  const struck = reading('s', -30, 50, { struckOut: 'Gust' });
  const wrong = reading('wrong', 50, 300);
  expect(testFigures(house, testWith([struck, ...five, wrong]))).toMatchObject({
    state: 'refused',
    refusal: { code: 'wrong-sign' },
    field: { direction: 'depressurise', readingId: 'wrong', name: 'pressurePa' },
  });
});

test('a fan pressure outside its range is laid on its cell', () => {
  const fanRanges = [{ name: 'A', coefficient: 10, exponent: 0.5, minPa: 20, maxPa: 100 }];
  const beyond = reading('b', -40, null, { fanPressurePa: 150, fanRange: 'A' });
  expect(testFigures(house, testWith([...five, beyond], { fanRanges }))).toMatchObject({
    refusal: { code: 'fan-pressure-out-of-range', bound: 100 },
    field: { readingId: 'b', name: 'fanPressurePa' },
  });
});

test('a reading whose range was removed is refused on its own line', () => {
  const orphan = reading('o', -40, null, { fanPressurePa: 50, fanRange: 'Gone' });
  expect(testFigures(house, testWith([...five, orphan]))).toMatchObject({
    state: 'refused',
    field: { readingId: 'o' },
  });
});

test('the latest test is the one of the latest day, and of one day the one made last', () => {
  const of = (id: string, performedOn: string) => ({ ...testWith([]), id, performedOn });
  expect(latestTest([of('b', '2026-01-02'), of('c', '2026-01-01'), of('a', '2026-01-02')])?.id).toBe('b');
  expect(latestTest([])).toBeNull();
});
