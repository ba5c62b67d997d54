import { cavityFill } from '@calvet/core/insulation/cavity-fill';
import { interfaces } from '@calvet/core/moisture/interfaces';
import { assembly } from '@calvet/core/thermal/assembly';
import { ground } from '@calvet/core/thermal/ground';
import { sampleArea } from '../../test/sample-area';
import { sampleHouse as house } from '../../test/sample-house';
import type { AreaInHand } from './area';
import { areaFigures, framesBothWays } from './area-figures';
import { buildUpAssembly } from './build-up-assembly';
import type { BuildUpLayer, LayerFigures, LayerFill } from './layer';
import { MATERIALS, fillOfMaterial } from './material-library';
import { NO_MATTER } from './matter';
import { airSpaceLayer, framedLayer, materialLayer, resistanceLayer } from './plain-layer';
import { sectionOf } from './section';

const surroundings = { filmConvention: 'iso', heatFlow: 'horizontal' } as const;

const layersOf = (...figures: readonly LayerFigures[]): readonly BuildUpLayer[] =>
  figures.map((each, i) => ({ id: `layer ${i}`, ...each }));

const areaOf = (layers: readonly BuildUpLayer[], more: Partial<AreaInHand> = {}): AreaInHand => ({
  ...sampleArea,
  ...more,
  buildUp: { name: 'Wall', layers, frameAlignment: null, gradedLayer: 'layer 1', costPerM2: null },
});

function figuresOf(area: AreaInHand) {
  const figures = areaFigures(house, area);
  if (figures.state !== 'figures') throw new Error(figures.refusal.message);
  return figures;
}

const fill = (id: string, more: Partial<LayerFill>): LayerFill => ({
  id,
  name: id,
  pressing: 'fibreLaw',
  conductivityWmK: 0.04,
  thicknessM: 0.1,
  lowestM: null,
  ...NO_MATTER,
  ...more,
});
const frame = (fills: readonly LayerFill[], thicknessM: number | null = 0.14): LayerFigures => ({
  ...framedLayer('Studs', { cavityRsi: 1, frameRsi: 1.17, framingFraction: 0.2, thicknessM }),
  fills,
});
const lining = materialLayer('Plasterboard', 0.0125, 0.25);
const sheathing = materialLayer('Sheathing', 0.012, 0.13);

describe('several fills in one cavity', () => {
  const foam = fill('foam', { pressing: 'rigid', conductivityWmK: 0.026, thicknessM: 0.06 });
  const batt = fill('batt', { thicknessM: 0.1 });
  const pressed = areaOf(layersOf(lining, frame([batt, foam]), sheathing));

  test('a wall with foam, a batt and a gap has three values, and says what is pressed', () => {
    const { labelled, framed, built, fillings, findings } = figuresOf({ ...pressed, grade: 'II' });
    const filling = fillings.get('layer 1');
    expect(filling?.pressedTo).toBeCloseTo(0.8, 9);
    expect(labelled.effectiveRsi).toBeGreaterThan(framed.effectiveRsi);
    expect(framed.effectiveRsi).toBeGreaterThan(built.effectiveRsi);
    expect(findings).toEqual([]);
    const thin = figuresOf(areaOf(layersOf(lining, frame([fill('thin', { thicknessM: 0.05 }), foam]))));
    expect(thin.findings).toContainEqual(expect.objectContaining({ rule: 'does-not-fill-cavity', layer: 1 }));
  });

  test('labels count as they are printed, with nothing pressed and no gap', () => {
    const { labelled } = figuresOf(pressed);
    expect(labelled.effectiveRsi).toBeCloseTo(
      0.17 + 0.0125 / 0.25 + 0.1 / 0.04 + 0.06 / 0.026 + 0.012 / 0.13,
      9,
    );
  });

  test('the cavity is that of core, and its R as it was typed no longer counts', () => {
    const { layers } = buildUpAssembly(pressed.buildUp, surroundings);
    const filling = cavityFill({
      depthM: 0.14,
      fills: [
        { pressing: 'fibreLaw', conductivityWmK: 0.04, thicknessM: 0.1 },
        { pressing: 'rigid', conductivityWmK: 0.026, thicknessM: 0.06 },
      ],
    });
    expect(layers[1]?.cavityRsi).toBe(filling.cavityRsi);
  });

  test('fills thicker than the cavity, and a cavity of no depth, are refused at their layer', () => {
    const board = fill('board', { pressing: 'rigid', thicknessM: 0.2 });
    expect(areaFigures(house, areaOf(layersOf(lining, frame([board]))))).toMatchObject({
      state: 'refused',
      refusal: { code: 'fills-exceed-cavity', field: 'layers[1].fills' },
    });
    expect(areaFigures(house, areaOf(layersOf(lining, frame([batt], null))))).toMatchObject({
      state: 'refused',
      refusal: { code: 'required', field: 'layers[1].thicknessM' },
    });
  });
});

describe('an air space', () => {
  const brick = materialLayer('Brick', 0.1, 0.8);

  test('that is closed counts as core has it, with a bright face more', () => {
    const dull = figuresOf(areaOf(layersOf(lining, airSpaceLayer('Gap', 0.025), brick)));
    const bright = { ...airSpaceLayer('Gap', 0.025), emissivityInside: 0.05, emissivityOutside: 0.9 };
    const foil = figuresOf(areaOf(layersOf(lining, bright, brick)));
    expect(foil.built.effectiveRsi - dull.built.effectiveRsi).toBeCloseTo(0.66400628 - 0.18, 6);
  });

  test('that is open counts nothing, nor does what is outside of it, and the air behind it is still', () => {
    const open = { ...airSpaceLayer('Rain gap', 0.025), isOpen: true };
    const { built, openFrom } = figuresOf(areaOf(layersOf(lining, sheathing, open, brick)));
    expect(openFrom).toBe(2);
    expect(built.effectiveRsi).toBeCloseTo(2 * 0.13 + 0.0125 / 0.25 + 0.012 / 0.13, 9);
  });

  test('that is open on the inside leaves two surfaces', () => {
    const open = { ...airSpaceLayer('Gap', 0.025), isOpen: true };
    expect(figuresOf(areaOf(layersOf(open, lining))).built.effectiveRsi).toBeCloseTo(0.26, 9);
  });
});

test('fixings lead heat away, those too that missed their stud', () => {
  const board = (missedPerM2: number): LayerFigures => ({
    ...materialLayer('Outside board', 0.1, 0.036),
    fixings: [{ id: 'screws', name: 'Screws', perM2: 5, missedPerM2, areaM2: 2e-5, conductivityWmK: 50 }],
  });
  const asPlanned = figuresOf(areaOf(layersOf(lining, board(0), sheathing)));
  const asFound = figuresOf(areaOf(layersOf(lining, board(5), sheathing)));
  const lost = (figures: typeof asPlanned) => figures.framed.uValue - figures.unfixed.uValue;
  expect(lost(asPlanned)).toBeGreaterThan(0);
  expect(lost(asFound)).toBeCloseTo(2 * lost(asPlanned), 12);
  expect(asPlanned.labelled.effectiveRsi).toBeCloseTo(asPlanned.unfixed.effectiveRsi, 9);
});

describe('in the ground', () => {
  const slabLayers = layersOf(materialLayer('Board', 0.15, 0.035), materialLayer('Concrete', 0.1, 2));
  const lies = {
    as: 'slab',
    floorM2: null,
    exposedPerimeterM: 40,
    wallThicknessM: 0.35,
    groundConductivityWmK: null,
    edge: null,
    depthM: null,
    otherRsi: null,
  } as const;

  test('a slab has the U of core, by the R of its layers without films', () => {
    const slab = areaOf(slabLayers, { kind: 'slab', areaM2: 96, ground: lies });
    const { floorUValue } = ground({
      kind: 'slab',
      areaM2: 96,
      exposedPerimeterM: 40,
      wallThicknessM: 0.35,
      floorRsi: 0.15 / 0.035 + 0.1 / 2,
    });
    const figures = figuresOf(slab);
    expect(figures.isInGround).toBe(true);
    expect(figures.built.uValue).toBeCloseTo(floorUValue, 9);
  });

  test('floor and wall of a basement have theirs, each with the R of the other', () => {
    const basement = { ...lies, as: 'basement', depthM: 2, floorM2: 80, otherRsi: 2 } as const;
    const wall = figuresOf(areaOf(slabLayers, { kind: 'foundationWall', areaM2: 72, ground: basement }));
    const floor = figuresOf(areaOf(slabLayers, { kind: 'slab', areaM2: 80, ground: basement }));
    const rsi = 0.15 / 0.035 + 0.1 / 2;
    const common = {
      kind: 'basement',
      areaM2: 80,
      exposedPerimeterM: 40,
      wallThicknessM: 0.35,
      depthM: 2,
    } as const;
    expect(wall.built.uValue).toBeCloseTo(
      ground({ ...common, floorRsi: 2, wallRsi: rsi }).wallUValue ?? NaN,
      9,
    );
    expect(floor.built.uValue).toBeCloseTo(ground({ ...common, floorRsi: rsi, wallRsi: 2 }).floorUValue, 9);
  });

  test('a basement without its depth says what is missing', () => {
    const area = areaOf(slabLayers, { kind: 'slab', areaM2: 96, ground: { ...lies, as: 'basement' } });
    expect(areaFigures(house, area)).toMatchObject({ state: 'refused', refusal: { code: 'required' } });
  });
});

describe('a section', () => {
  const air = { indoorC: 20, indoorHumidity: 0.4, outdoorC: -12 };

  test('has the thicknesses that are entered and the temperatures of core', () => {
    const layers = layersOf(lining, materialLayer('Fill', 0.14, 0.04), sheathing);
    const section = sectionOf({ layers, gradedLayer: null }, surroundings, air);
    const { interfaceTemperaturesC, dewPointC } = interfaces({
      ...surroundings,
      indoorTemperatureC: 20,
      outdoorTemperatureC: -12,
      indoorRelativeHumidity: 0.4,
      layers: [
        { thicknessM: 0.0125, conductivityWmK: 0.25 },
        { thicknessM: 0.14, conductivityWmK: 0.04 },
        { thicknessM: 0.012, conductivityWmK: 0.13 },
      ],
    });
    expect(section.cavity.map(({ temperatureC }) => temperatureC)).toEqual(interfaceTemperaturesC);
    [0, 0.0125, 0.1525, 0.1645].forEach((atM, i) => expect(section.cavity[i]?.atM).toBeCloseTo(atM, 12));
    expect(section.thicknessM).toBeCloseTo(0.1645, 12);
    expect(section.dewPointC).toBe(dewPointC);
    expect(section.frame).toBeNull();
  });

  test('is cold from where its line falls below the dew point, outwards', () => {
    const layers = layersOf(lining, materialLayer('Fill', 0.14, 0.04), sheathing);
    const { cold, cavity, dewPointC } = sectionOf({ layers, gradedLayer: null }, surroundings, air);
    const [, inner, outer] = cavity;
    const share =
      ((inner?.temperatureC ?? 0) - dewPointC) / ((inner?.temperatureC ?? 0) - (outer?.temperatureC ?? 0));
    expect(cold?.fromM).toBeCloseTo(0.0125 + share * 0.14, 9);
    expect(
      sectionOf({ layers, gradedLayer: null }, surroundings, { ...air, indoorHumidity: 0.02 }).cold,
    ).toBeNull();
  });

  test('shows fills as they lie and the gap that they leave, and the frame by itself', () => {
    const fills = [
      fill('batt', { thicknessM: 0.06 }),
      fill('foam', { pressing: 'rigid', conductivityWmK: 0.026, thicknessM: 0.05 }),
    ];
    const section = sectionOf(
      { layers: layersOf(lining, frame(fills)), gradedLayer: null },
      surroundings,
      air,
    );
    expect(section.parts.map(({ name, isGap }) => [name, isGap])).toEqual([
      ['Plasterboard', false],
      ['batt', false],
      ['foam', false],
      ['Gap', true],
    ]);
    expect(section.thicknessM).toBeCloseTo(0.1525, 12);
    expect(section.frame?.at(-1)?.atM).toBeCloseTo(0.1525, 12);
  });

  test('what is open to the outside is as cold as it', () => {
    const open = { ...airSpaceLayer('Rain gap', 0.025), isOpen: true };
    const layers = layersOf(lining, open, resistanceLayer('Cladding', 0.1));
    const section = sectionOf({ layers, gradedLayer: null }, surroundings, air);
    expect(section.cavity.at(-1)?.atM).toBeCloseTo(0.0125, 12);
    expect(section.parts.map(({ isOpen }) => isOpen)).toEqual([false, true, true]);
  });
});

describe('the library', () => {
  test.each(MATERIALS)('$name can be laid into a wall, and its basis is said', (material) => {
    const made = fillOfMaterial(material, 'a', 0.05);
    expect(material.basis.every((text) => text.length > 3)).toBe(true);
    expect(made.conductivityWmK).toBeGreaterThan(0);
  });

  test('a wall of it is worth what core says', () => {
    const [, dense] = MATERIALS;
    if (dense === undefined) throw new Error('The library is empty.');
    const layers = layersOf(lining, frame([fillOfMaterial(dense, 'a', 0.14)]), sheathing);
    const { framed } = figuresOf(areaOf(layers));
    const { effectiveRsi } = assembly({
      layers: [
        { thicknessM: 0.0125, conductivityWmK: 0.25 },
        { cavityRsi: 0.14 / 0.034, frameRsi: 1.17, framingFraction: 0.2, thicknessM: 0.14 },
        { thicknessM: 0.012, conductivityWmK: 0.13 },
      ],
      method: house.assemblyMethod,
      ...surroundings,
    });
    expect(framed.effectiveRsi).toBeCloseTo(effectiveRsi, 9);
  });
});

test('two frames stand beside each other aligned and offset, as core has them', () => {
  const inner = framedLayer('Inner', {
    cavityRsi: 2.25,
    frameRsi: 0.75,
    framingFraction: 0.16,
    thicknessM: 0.09,
  });
  const layers = layersOf(lining, inner, materialLayer('Gap', 0.12, 0.04), inner, sheathing);
  const both = framesBothWays(house, areaOf(layers));
  const worth = (frameAlignment: 'aligned' | 'offset') => {
    const area = areaOf(layers);
    return figuresOf({ ...area, buildUp: { ...area.buildUp, frameAlignment } }).framed.effectiveRsi;
  };
  expect(both?.aligned.effectiveRsi).toBeCloseTo(worth('aligned'), 12);
  expect(both?.offset.effectiveRsi).toBeCloseTo(worth('offset'), 12);
  expect(both?.gainedRsi).toBeGreaterThan(0);
  expect(framesBothWays(house, areaOf(layersOf(lining, inner)))).toBeNull();
});

test('a tapered layer is worth what its thicknesses are side by side, less than its mean; its label keeps the mean', () => {
  const tapered = { id: 'slope', ...materialLayer('Sloped boards', 0.12, 0.036), lowestM: 0.04 };
  const deck: BuildUpLayer = { id: 'deck', ...materialLayer('Deck', 0.02, 0.13) };
  const uOf = (layers: readonly BuildUpLayer[], labelled = false): number => {
    const made = buildUpAssembly(
      { layers, gradedLayer: null },
      { filmConvention: 'iso', heatFlow: 'up' },
      { labelled },
    );
    return assembly({ layers: made.layers, ...made.films, method: 'iso6946' }).uValue;
  };
  const STRIPS = 4000;
  const strips = Array.from({ length: STRIPS }, (_, i) => 0.04 + (0.16 * (i + 0.5)) / STRIPS);
  const sideBySide =
    strips.reduce((sum, thicknessM) => sum + uOf([deck, { ...tapered, thicknessM, lowestM: null }]), 0) /
    STRIPS;
  expect(uOf([deck, tapered])).toBeCloseTo(sideBySide, 7);
  const even = uOf([deck, { ...tapered, lowestM: null }]);
  expect(uOf([deck, tapered])).toBeGreaterThan(even);
  expect(uOf([deck, tapered], true)).toBeCloseTo(even, 12);
});
