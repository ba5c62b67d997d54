import fc from 'fast-check';
import { examples } from '../examples';
import { indoorYear } from './indoor-year';
import { monthly } from './monthly';
import { vapourPlan, type VapourPlanInput } from './vapour-plan';

const plan = examples['moisture.vapourPlan'];
const board = { rsi: 0.1, sdDryM: 2.4, kind: 'board' } as const;
const rulesOf = (change: Partial<VapourPlanInput>) =>
  vapourPlan({ ...plan, ...change }).findings.map(({ rule, severity }) => `${rule} ${severity}`);

const cold = plan.months.map((month) => ({ ...month, outdoorTemperatureC: -8 }));
const hot = plan.months.map((month) => ({
  ...month,
  indoorTemperatureC: 24,
  indoorRelativeHumidity: 0.5,
  outdoorTemperatureC: 29,
  outdoorRelativeHumidity: 0.8,
}));
const sheet = { rsi: 0, sdDryM: 50, kind: 'sheet' } as const;
const lining = { rsi: 0.05, sdDryM: 0.13 };
const fill = { rsi: 3.7, sdDryM: 0.2 };

test('a sheet inside warns where it is hot and damp outdoors, and not where it is cold', () => {
  const layers = [lining, sheet, fill, board];
  expect(rulesOf({ layers, months: cold })).toEqual([]);
  expect(rulesOf({ layers, months: hot })).toEqual(['tight-inside-inward-drive warn']);
});

test('a sheet on the outside of the fill is too cold to control anything', () => {
  expect(rulesOf({ layers: [lining, fill, sheet, board] })).toEqual(['no-control-inside warn']);
});

test('with foam first the plane names the share that it needs, and holds from there on', () => {
  const withFoam = (foamRsi: number) =>
    vapourPlan({
      ...plan,
      layers: [lining, { rsi: 2, sdDryM: 0.1 }, { rsi: foamRsi, sdDryM: 4, kind: 'foam' }, board],
    });
  fc.assert(
    fc.property(fc.double({ min: 0.2, max: 8, noNaN: true }), (foamRsi) => {
      const { plane, findings } = withFoam(foamRsi);
      expect(plane?.layer).toBe(2);
      const isEnough = (plane?.shareOutside ?? NaN) >= (plane?.leastShareOutside ?? NaN);
      expect(plane?.holds).toBe(isEnough);
      expect(findings.some(({ rule }) => rule === 'foam-too-thin')).toBe(!isEnough);
    }),
  );
});

test('the tightest within reach controls, though something further out is tighter', () => {
  const { controlLayer, findings } = vapourPlan({
    ...plan,
    layers: [lining, { rsi: 0, sdDryM: 2, kind: 'sheet' }, fill, { rsi: 0.1, sdDryM: 60, kind: 'sheet' }],
  });
  expect(controlLayer).toBe(1);
  expect(findings.map(({ rule }) => rule)).toContain('outer-layer-tighter');
});

test('nothing drives vapour between rooms and weather that are alike', () => {
  const alike = plan.months.map((month) => ({
    ...month,
    outdoorTemperatureC: month.indoorTemperatureC,
    outdoorRelativeHumidity: month.indoorRelativeHumidity,
  }));
  const { drive, outwardShare, plane } = vapourPlan({ ...plan, months: alike });
  expect([drive, outwardShare, plane?.leastShareOutside, plane?.holds]).toEqual(['both', null, null, true]);
});

test('air that is quite dry condenses nowhere', () => {
  const months = plan.months.map((month) => ({ ...month, indoorRelativeHumidity: 0 }));
  expect(vapourPlan({ ...plan, months }).plane).toMatchObject({ leastShareOutside: null, holds: true });
});

test('the year indoors goes straight into the year of a build-up, by every rule', () => {
  const { outdoor } = examples['moisture.indoorYear'];
  const { layers } = examples['moisture.monthly'];
  for (const rule of [
    { rule: 'fixed', relativeHumidity: 0.4 },
    { rule: 'humidityClass', humidityClass: 4 },
    { rule: 'outdoorTemperature', occupancy: 'high' },
  ] as const) {
    const { months } = indoorYear({ outdoor, ...rule });
    const answer = monthly({ layers, months, filmConvention: 'iso', heatFlow: 'horizontal' });
    expect(answer.months).toHaveLength(12);
  }
});

test('a damper class is never drier, and summers that are cooled are as they are kept', () => {
  const { outdoor } = examples['moisture.indoorYear'];
  const yearOf = (humidityClass: 1 | 2 | 3 | 4 | 5) =>
    indoorYear({
      outdoor,
      rule: 'humidityClass',
      humidityClass,
      cooled: { temperatureC: 24, relativeHumidity: 0.5, fromC: 15 },
    }).months;
  ([1, 2, 3, 4] as const).forEach((humidityClass) => {
    const damper = yearOf((humidityClass + 1) as 2 | 3 | 4 | 5);
    yearOf(humidityClass).forEach((month, i) => {
      expect(damper[i]?.indoorRelativeHumidity).toBeGreaterThanOrEqual(month.indoorRelativeHumidity);
      if (month.outdoorTemperatureC >= 15)
        expect(month).toMatchObject({ indoorTemperatureC: 24, indoorRelativeHumidity: 0.5 });
    });
  });
});
