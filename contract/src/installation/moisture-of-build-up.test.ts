import { dryAndDamp } from '@calvet/core/moisture/dry-and-damp';
import { CLIMATES } from '../house/climates';
import { yearOf } from '../house/indoor-air';
import { NO_HEAT_TERMS } from '../house/heat-terms';
import type { BuildUpLayer, LayerFigures } from './layer';
import { MATERIALS, matterOf } from './material-library';
import { moistureOf } from './moisture-of-build-up';
import { airSpaceLayer, framedLayer, materialLayer, resistanceLayer } from './plain-layer';

const surroundings = { filmConvention: 'iso', heatFlow: 'horizontal' } as const;
const yearIn = (climateId: string) => {
  const climate = CLIMATES.find(({ id }) => id === climateId);
  const months = yearOf({
    ...NO_HEAT_TERMS,
    climateId,
    indoor: {
      rule: climate?.indoorRule ?? 'outdoorTemperature',
      temperatureC: null,
      relativeHumidity: null,
      humidityClass: 3,
      occupancy: 'high',
      cooledToC: climate?.isCooledUsually === true ? 24 : null,
      cooledHumidity: 0.5,
    },
  });
  if (months === null) throw new Error(climateId);
  return months;
};
const cold = yearIn('brennic-plain');
const hot = yearIn('palmarrow-bay');

/** So much of a material of the library. */
function of(id: string, thicknessM: number): LayerFigures {
  const material = MATERIALS.find((each) => each.id === id);
  if (material === undefined) throw new Error(id);
  const matter = matterOf(material, thicknessM);
  if (material.conductivityWmK === null)
    return {
      ...resistanceLayer(material.name, material.rsi ?? 0),
      ...matter,
      thicknessM: material.thicknessM,
    };
  return { ...materialLayer(material.name, thicknessM, material.conductivityWmK), ...matter };
}
const wallOf = (...layers: readonly LayerFigures[]) => ({
  layers: layers.map((layer, i): BuildUpLayer => ({ id: `layer ${i}`, ...layer })),
  gradedLayer: null,
});
function figuresOf(wall: ReturnType<typeof wallOf>, months: Parameters<typeof moistureOf>[2]) {
  const moisture = moistureOf(wall, surroundings, months);
  if (moisture.state !== 'figures') throw new Error(JSON.stringify(moisture));
  return moisture;
}
const lining = of('plasterboard', 0.0125);
const batt = of('glass-batt-dense', 0.19);
const sheathing = of('plywood', 0.012);
const rulesOf = ({ plan }: ReturnType<typeof figuresOf>) => plan.findings.map(({ rule }) => rule);

test('a cold wall without control condenses, and says what is wrong', () => {
  const moisture = figuresOf(wallOf(lining, batt, sheathing), cold);
  expect(moisture.peakKgM2).toBeGreaterThan(0.5);
  expect(moisture.held.at(-1)).toMatchObject({ inner: 'Glass fibre batt, dense', outer: 'Plywood' });
  expect(rulesOf(moisture)).toContain('no-control-inside');
});

test('where what is outside is tight, it adds up from year to year', () => {
  const moisture = figuresOf(wallOf(lining, batt, sheathing, of('bitumen-sheet', 0.003)), cold);
  expect(moisture.dries).toBe(false);
});

test('with foam first it names the share that it needs', () => {
  const thin = figuresOf(wallOf(lining, batt, of('xps', 0.02), sheathing), cold);
  expect(thin.plan.schools).toEqual(['foamFirst']);
  expect(rulesOf(thin)).toContain('foam-too-thin');
  const { plane } = thin.plan;
  expect(plane?.shareOutside).toBeLessThan(plane?.leastShareOutside ?? 0);
  const enough = figuresOf(wallOf(lining, batt, of('xps', 0.3), sheathing), cold);
  expect(rulesOf(enough)).not.toContain('foam-too-thin');
});

test('a sheet inside warns where it is hot and damp, and not where it is cold', () => {
  const wall = wallOf(lining, of('sheet-polyethylene', 0.00015), batt, sheathing);
  expect(rulesOf(figuresOf(wall, cold))).toEqual([]);
  expect(rulesOf(figuresOf(wall, hot))).toContain('tight-inside-inward-drive');
});

test('layers are divided above R 0.25, and what is held adds up to what core finds', () => {
  const moisture = figuresOf(
    wallOf(lining, of('plywood', 0.01), of('glass-batt-dense', 0.034), sheathing),
    cold,
  );
  const direct = dryAndDamp({
    ...surroundings,
    months: cold,
    layers: [
      { rsi: 0.05, sdDryM: 0.125, sdDampM: 0.05 },
      { rsi: 0.01 / 0.13, sdDryM: 2, sdDampM: 0.7 },
      ...Array.from({ length: 4 }, () => ({ rsi: 0.25, sdDryM: 0.0085, sdDampM: 0.0085 })),
      { rsi: 0.012 / 0.13, sdDryM: 2.4, sdDampM: 0.84 },
    ],
  });
  expect(moisture.year.dry.peakKgM2).toBeCloseTo(direct.dry.peakKgM2, 9);
  const { peakMonth } = moisture.year.dry;
  const held = moisture.held.reduce((sum, { dryKgM2 }) => sum + (dryKgM2[peakMonth ?? 0] ?? 0), 0);
  expect(held).toBeCloseTo(moisture.year.dry.peakKgM2, 9);
});

test('foam of uneven depth is judged where it is thinnest', () => {
  const foam = (lowestM: number | null) => ({ ...of('foam-closed-mild', 0.1), lowestM }) as LayerFigures;
  const even = figuresOf(wallOf(lining, batt, foam(null), sheathing), cold).plan.plane;
  const uneven = figuresOf(wallOf(lining, batt, foam(0.04), sheathing), cold).plan.plane;
  expect(uneven?.shareOutside).toBeLessThan(even?.shareOutside ?? 0);
});

test('what nobody said anything of is asked for by name', () => {
  const unknown = framedLayer('Studs', { cavityRsi: 3, frameRsi: 1, framingFraction: 0.2, thicknessM: 0.14 });
  expect(moistureOf(wallOf(lining, unknown, sheathing), surroundings, cold)).toEqual({
    state: 'unknown',
    layers: ['Studs'],
  });
});

test('what is outside of an open air space does not count', () => {
  const open = { ...airSpaceLayer('Rain gap', 0.025), isOpen: true };
  const behind = figuresOf(wallOf(lining, batt, sheathing, open, of('brick-outer', 0.1)), cold);
  expect(behind.parts).toEqual(['Plasterboard', 'Glass fibre batt, dense', 'Plywood']);
});

test('one thin layer holds nothing', () => {
  expect(moistureOf(wallOf(lining), surroundings, cold)).toEqual({ state: 'too-little' });
});
