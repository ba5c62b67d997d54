import { assembly } from '@calvet/core/thermal/assembly';
import climates from '../house/climates.json';
import { heaterKwh, heatingDegreeDaysOf, paybackOf } from '../house/heating-year';
import { notStored } from '../record';
import { sampleArea } from '../../test/sample-area';
import { sampleHouse } from '../../test/sample-house';
import type { Area } from './area';
import { carbonOf } from './carbon-of-build-up';
import type { Defect } from './defect';
import { MATERIALS, matterOf } from './material-library';
import { framedLayer, materialLayer } from './plain-layer';
import { areaDefects, bestMends } from './priced-defects';

const house = { ...sampleHouse, climateId: 'vale-of-osk', dailySpreadK: 4 };
const wall: Area = { ...notStored('wall', 'h'), ...sampleArea, areaM2: 60 };
const defectOf = (id: string, more: Partial<Defect> = {}): Defect => ({
  ...notStored(id, 'h'),
  name: id,
  area: 'wall',
  sort: 'void',
  areaM2: 0.2,
  fill: null,
  uValue: null,
  minutes: null,
  place: null,
  ...more,
});
function pricesOf(...defects: readonly Defect[]) {
  const priced = areaDefects(house, wall, defects);
  if (priced?.state !== 'figures') throw new Error(JSON.stringify(priced));
  return priced;
}

test('the prices of an area’s defects add up to the price of its measured grade', () => {
  const { prices } = pricesOf(
    defectOf('empty', { areaM2: 0.6 }),
    defectOf('thin', { sort: 'pressed', areaM2: 1.2, fill: 0.8 }),
  );
  const cavitiesM2 = 60 * (1 - 0.23);
  const { price } = assembly({
    layers: [
      { thicknessM: 0.0125, conductivityWmK: 0.25 },
      { cavityRsi: 3.7, frameRsi: 0.14 / 0.12, framingFraction: 0.23, thicknessM: 0.14 },
      { thicknessM: 0.012, conductivityWmK: 0.13 },
      { rsi: 0.08 },
    ],
    method: 'iso6946',
    filmConvention: 'iso',
    heatFlow: 'horizontal',
    areaM2: 60,
    gradeAdjustment: {
      school: 'voidFraction',
      layer: 1,
      measured: {
        voidFraction: 0.6 / cavitiesM2,
        compressedFraction: 1.2 / cavitiesM2,
        meanFill: 0.8,
        compressedAs: 'underfilled',
      },
    },
  });
  expect(prices.totalWK).toBeCloseTo(price?.deltaUAWK ?? NaN, 9);
});

test('a year of it is known once the climate is, and it is like so much wall left empty', () => {
  const { defects, likeEmptyM2, prices } = pricesOf(defectOf('empty'));
  const days = heatingDegreeDaysOf(house) ?? NaN;
  expect(defects[0]?.kwhPerYear).toBeCloseTo(((defects[0]?.deltaUAWK ?? NaN) * 24 * days) / 1000, 9);
  expect((likeEmptyM2 ?? NaN) * (prices.voidUValue - prices.soundUValue)).toBeCloseTo(prices.totalWK, 9);
  expect(areaDefects({ ...house, climateId: null }, wall, [defectOf('empty')])).toMatchObject({
    defects: [{ kwhPerYear: null }],
  });
});

test('the mends of a house are named by what a minute saves, whatever area they are in', () => {
  const other: Area = { ...wall, id: 'other' };
  const mends = bestMends(
    house,
    [wall, other],
    [
      defectOf('slow', { minutes: 60 }),
      defectOf('quick', { area: 'other', minutes: 2 }),
      defectOf('hatch', { sort: 'bare', areaM2: 0.5, uValue: 2, minutes: 20 }),
      defectOf('unknown'),
    ],
  );
  expect(mends.map(({ defect }) => defect.id)).toEqual(['quick', 'hatch', 'slow']);
});

test('more than there is of cavities is refused, and an area without any has no prices', () => {
  expect(areaDefects(house, wall, [defectOf('all', { areaM2: 50 })])).toMatchObject({
    state: 'refused',
    refusal: { code: 'regions-exceed-cavity' },
  });
  expect(areaDefects(house, wall, [])).toBeNull();
  expect(areaDefects(house, { ...wall, areaM2: null }, [defectOf('a')])).toBeNull();
});

test.each(climates.climates)('degree days of $name are those that its climate states', (stated) => {
  const days = heatingDegreeDaysOf({ climateId: stated.id, weather: [], dailySpreadK: null });
  expect(Math.round(days ?? NaN)).toBe(stated.heatingDegreeDaysKd);
});

test('a saving pays by climate, heater and price, and not before all three are known', () => {
  const known = { ...house, heaterEfficiency: 0.9, energyPrice: 0.15 };
  const kwh = heaterKwh(known, 10) ?? NaN;
  expect(kwh).toBeCloseTo((10 * 24 * (heatingDegreeDaysOf(house) ?? NaN)) / 1000 / 0.9, 9);
  expect(paybackOf(known, 10, 500)?.simpleYears).toBeCloseTo(500 / (kwh * 0.15), 9);
  expect(paybackOf(known, 10, 500, 600)?.simpleYears).toBe(0);
  expect(paybackOf({ ...known, energyPrice: null }, 10, 500)).toBeNull();
  expect(paybackOf({ ...known, heaterEfficiency: null }, 10, 500)).toBeNull();
  expect(paybackOf({ ...known, climateId: null }, 10, 500)).toBeNull();
});

describe('greenhouse gases', () => {
  const surroundings = { filmConvention: 'iso', heatFlow: 'horizontal' } as const;
  const [glass] = MATERIALS;
  if (glass === undefined) throw new Error('The library is empty.');
  const fibre = { id: 'fibre', ...materialLayer('Fibre', 0.1, 0.041), ...matterOf(glass, 0.1) };

  test('are told of what is known, and what is not is named', () => {
    const bare = { id: 'bare', ...materialLayer('Board', 0.012, 0.13) };
    const { carbon, unknown } = carbonOf({ layers: [fibre, bare], gradedLayer: null }, surroundings, 2);
    expect(carbon?.emittedKgM2).toBeCloseTo(0.1 * 17.4, 9);
    expect(carbon?.emittedPerRsi).toBeCloseTo((0.1 * 17.4) / 2, 9);
    expect(unknown).toEqual(['Board']);
  });

  test('count a frame as softwood by its share, and what it stores beside', () => {
    const frame = {
      id: 'frame',
      ...framedLayer('Studs', { cavityRsi: 3, frameRsi: 1, framingFraction: 0.2, thicknessM: 0.14 }),
      ...matterOf(glass, 0.14),
    };
    const softwood = MATERIALS.find(({ id }) => id === 'softwood');
    const { carbon } = carbonOf({ layers: [frame], gradedLayer: null }, surroundings, null);
    expect(carbon?.storedKgM2).toBeCloseTo(0.14 * 0.2 * (softwood?.storedKgM3 ?? NaN), 9);
    expect(carbon?.emittedKgM2).toBeCloseTo(0.14 * (0.8 * 17.4 + 0.2 * (softwood?.carbonKgM3 ?? NaN)), 9);
    expect(carbon?.emittedPerRsi).toBeNull();
  });
});
