import { designHeatLoad } from '@calvet/core/thermal/design-heat-load';
import { notStored } from '../record';
import { sampleArea } from '../../test/sample-area';
import { sampleHouse } from '../../test/sample-house';
import type { Area } from './area';
import { areaFigures } from './area-figures';
import { claimSteps } from './claim';
import { houseWorth } from './house-worth';
import { resistanceLayer } from './plain-layer';
import type { ThermalBridge } from './thermal-bridge';

const areaOf = (id: string, more: Partial<Area> = {}): Area => ({
  ...notStored(id, 'h'),
  ...sampleArea,
  name: id,
  ...more,
});
const house = { ...sampleHouse, winterDesignC: -15 };
const air = { planned: 40, built: 60 };
const bridge = (id: string, more: Partial<ThermalBridge>): ThermalBridge => ({
  ...notStored(id, 'h'),
  name: id,
  insulation: null,
  lengthM: null,
  psiWmK: null,
  count: null,
  chiWK: null,
  ...more,
});
const asked = (use: Area['kind'], greatestUValue: number) => ({
  id: use,
  use,
  leastRsi: null,
  greatestUValue,
});
const framedU = (() => {
  const figures = areaFigures(house, sampleArea);
  if (figures.state !== 'figures') throw new Error('refused');
  return figures.framed.uValue;
})();

describe('held against what is asked', () => {
  // Met as planned, with Grade I and II, and missed with Grade III.
  const limited = { ...house, requirements: [asked('wall', framedU * 1.1)] };
  const judgedAs = (grade: Area['grade']) =>
    houseWorth(limited, [areaOf('wall', { grade })], [], air).areas[0];

  test('what meets as planned fails once its grade falls, and back', () => {
    expect(judgedAs('I')).toMatchObject({ planned: 'meets', asBuilt: 'meets' });
    expect(judgedAs('III')).toMatchObject({ planned: 'meets', asBuilt: 'fails' });
    expect(judgedAs('I')).toMatchObject({ planned: 'meets', asBuilt: 'meets' });
  });

  test('what is not graded is open, and so is the house', () => {
    const worth = houseWorth(limited, [areaOf('wall')], [], air);
    expect(worth.areas[0]).toMatchObject({ planned: 'meets', asBuilt: 'open', isKnown: false });
    expect(worth.built).toBeNull();
    expect(worth.load?.asBuilt).toBeNull();
  });

  test('the rim may be asked as the wall, and an area something of its own', () => {
    const rim = areaOf('rim', { kind: 'rim' });
    const of = (requirement: Area['requirement']) =>
      houseWorth(limited, [{ ...rim, requirement }], [], air).areas[0];
    const own = { leastRsi: null, greatestUValue: null, asKind: null };
    expect(of(null)).toMatchObject({ planned: 'not-asked', greatestUValue: null });
    expect(of({ ...own, asKind: 'wall' })).toMatchObject({ planned: 'meets' });
    expect(of({ ...own, greatestUValue: 0.1 })).toMatchObject({ planned: 'fails', greatestUValue: 0.1 });
    expect(of({ ...own, leastRsi: 2 })).toMatchObject({ planned: 'meets', greatestUValue: 0.5 });
  });

  test('more void than any grade fails a least grade', () => {
    const graded = { ...house, leastGrade: 'III' as const };
    expect(houseWorth(graded, [areaOf('wall', { voidFraction: 0.1 })], [], air).areas[0]?.grade).toBe(
      'fails',
    );
  });

  test('a heat loss that the house may have counts its bridges, and may be met by what they gain', () => {
    const limit = { ...house, greatestHeatLossWK: framedU * 80 };
    const wall = [areaOf('wall', { grade: 'I' })];
    expect(houseWorth(limit, wall, [], air).house).toEqual({ planned: 'meets', asBuilt: 'meets' });
    const steel = bridge('steel', { count: 2, chiWK: 0.5 });
    const gain = bridge('corner', { lengthM: 10, psiWmK: -0.1 });
    expect(houseWorth(limit, wall, [steel], air)).toMatchObject({
      bridgesWK: 1,
      house: { planned: 'fails' },
    });
    expect(houseWorth(limit, wall, [steel, gain], air).house.planned).toBe('meets');
  });
});

test('labels alone promise most, and every side has the same bridges', () => {
  const { labelled, planned, built } = houseWorth(
    house,
    [areaOf('wall', { grade: 'II' })],
    [bridge('line', { lengthM: 20, psiWmK: 0.15 })],
    air,
  );
  expect(labelled?.transmissionWK).toBeLessThan(planned?.transmissionWK ?? NaN);
  expect(planned?.transmissionWK).toBeLessThan(built?.transmissionWK ?? NaN);
  for (const side of [labelled, planned, built])
    expect((side?.transmissionWK ?? NaN) - (side?.areasWK ?? NaN)).toBeCloseTo(3, 9);
});

test('the coldest day is that of core, with the air that was measured', () => {
  const worth = houseWorth(
    { ...house, ventilationM3h: 120, heatRecovery: 0.7 },
    [areaOf('wall', { grade: 'II' })],
    [],
    air,
  );
  const vented = { ventilationM3h: 120, heatRecovery: 0.7 };
  expect(worth.load).toEqual(
    designHeatLoad({
      indoorTemperatureC: 20,
      outdoorTemperatureC: -15,
      planned: { transmissionWK: worth.planned?.transmissionWK ?? NaN, infiltrationM3h: 40, ...vented },
      asBuilt: { transmissionWK: worth.built?.transmissionWK ?? NaN, infiltrationM3h: 60, ...vented },
    }),
  );
});

test('an area without a size is named and in no sum', () => {
  const { leftOut, planned } = houseWorth(house, [areaOf('wall'), areaOf('bay', { areaM2: null })], [], air);
  expect(leftOut.map(({ name }) => name)).toEqual(['bay']);
  expect(planned?.areasWK).toBeCloseTo(framedU * 80, 9);
});

describe('what is claimed', () => {
  const figuresOf = (area: Area) => {
    const figures = areaFigures(house, area);
    if (figures.state !== 'figures') throw new Error(figures.refusal.message);
    return figures;
  };

  test.each([7.2, 2.1])('%d is broken down to what was built without a remainder', (claimedRsi) => {
    const area = areaOf('wall', { claimedRsi, grade: 'III' });
    const figures = figuresOf(area);
    const steps = claimSteps(area, figures, true);
    expect(steps.map(({ name }) => name)).toEqual(['claimed', 'labelled', 'framed', 'built']);
    const lost = steps.reduce((sum, { lostRsi }) => sum + lostRsi, 0);
    expect(claimedRsi - lost).toBeCloseTo(figures.built.effectiveRsi, 12);
  });

  test('is not broken down beyond what is known', () => {
    const area = areaOf('wall', { claimedRsi: 5 });
    expect(claimSteps(area, figuresOf(area), false).at(-1)?.name).toBe('framed');
  });

  test('a sheet that is said to have an R is asked about at its layer', () => {
    const foil = { id: 'foil', ...resistanceLayer('Foil', 1.2), thicknessM: 0.0002 };
    const { buildUp } = sampleArea;
    const area = areaOf('wall', { buildUp: { ...buildUp, layers: [foil, ...buildUp.layers] } });
    expect(figuresOf(area).findings).toContainEqual(
      expect.objectContaining({ rule: 'sheet-with-r', layer: 0 }),
    );
  });
});
