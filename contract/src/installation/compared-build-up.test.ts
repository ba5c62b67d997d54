import { carbon } from '@calvet/core/thermal/carbon';
import { sampleArea } from '../../test/sample-area';
import { sampleHouse } from '../../test/sample-house';
import { areaFigures } from './area-figures';
import { BUILD_UP_LIBRARY, buildUpOf } from './build-up-library';
import { carbonOf } from './carbon-of-build-up';
import { comparedBuildUp } from './compared-build-up';
import { MATERIALS, fillOfMaterial } from './material-library';
import { framedLayer } from './plain-layer';

const buildUp = (id: string) => {
  const entry = BUILD_UP_LIBRARY.find((each) => each.id === id);
  if (entry === undefined) throw new Error(`The library has no ${id}.`);
  return buildUpOf(entry);
};
const material = (id: string) => {
  const found = MATERIALS.find((each) => each.id === id);
  if (found === undefined) throw new Error(`The library has no ${id}.`);
  return found;
};
const surroundings = { filmConvention: 'iso', heatFlow: 'horizontal' } as const;
const cold = { ...sampleHouse, climateId: 'brennic-plain' };

test('two areas of unlike size and kind are compared by what they lose over their own', () => {
  const ceiling = {
    ...sampleArea,
    kind: 'ceiling',
    areaM2: 40,
    buildUp: buildUp('ceiling-loose-fill'),
  } as const;
  const slope = { ...sampleArea, kind: 'roof', areaM2: 60, buildUp: buildUp('roof-slope-220') } as const;
  for (const area of [ceiling, slope]) {
    const compared = comparedBuildUp(cold, area, MATERIALS);
    const figures = areaFigures(cold, area);
    if (compared.state === 'refused' || figures.state === 'refused') throw new Error('Both can be computed.');
    expect(compared.worth).toEqual(figures.framed);
    expect(compared.lossWK).toBeCloseTo(figures.framed.uValue * area.areaM2, 12);
  }
});

test('what is stored stands beside what is emitted, and takes nothing off', () => {
  const { carbon: of, unknown } = carbonOf(buildUp('double-frame'), surroundings, 7);
  const cellulose = material('cellulose-dense');
  const [softwood, board, sheathing] = ['softwood', 'plasterboard', 'osb'].map(material);
  const figuresOf = ({ carbonKgM3, storedKgM3 }: typeof cellulose) => ({
    carbonKgM3: carbonKgM3 ?? NaN,
    storedKgM3: storedKgM3 ?? NaN,
  });
  if (softwood === undefined || board === undefined || sheathing === undefined)
    throw new Error('They are there.');
  const expected = carbon({
    layers: [
      { thicknessM: 0.0125, ...figuresOf(board) },
      { thicknessM: 0.09, share: 0.84, ...figuresOf(cellulose) },
      { thicknessM: 0.09, share: 0.16, ...figuresOf(softwood) },
      { thicknessM: 0.12, ...figuresOf(cellulose) },
      { thicknessM: 0.09, share: 0.8, ...figuresOf(cellulose) },
      { thicknessM: 0.09, share: 0.2, ...figuresOf(softwood) },
      { thicknessM: 0.012, ...figuresOf(sheathing) },
    ],
    effectiveRsi: 7,
  });
  expect(of?.emittedKgM2).toBeCloseTo(expected.emittedKgM2, 12);
  expect(of?.storedKgM2).toBeCloseTo(expected.storedKgM2, 12);
  expect(of?.emittedPerRsi).toBeCloseTo((expected.emittedKgM2 + expected.agentKgM2) / 7, 12);
  expect(of?.storedKgM2).toBeGreaterThan(of?.emittedKgM2 ?? Infinity);
  expect(unknown).toEqual(['Ventilated cladding']);
});

test('the gas that foam was blown with is told apart, and what is pressed keeps what it is made of', () => {
  const foam = material('foam-closed-strong');
  const layer = {
    id: 'studs',
    ...framedLayer('Studs', { cavityRsi: 4, frameRsi: 1.2, framingFraction: 0.2, thicknessM: 0.14 }),
    fills: [fillOfMaterial(foam, 'foam', 0.05), fillOfMaterial(material('glass-batt-dense'), 'batt', 0.14)],
  };
  const { carbon: of } = carbonOf({ layers: [layer], gradedLayer: null }, surroundings, null);
  const { agent } = foam;
  if (agent === null) throw new Error('It was blown with something.');
  expect(of?.agentKgM2).toBeCloseTo(0.8 * 0.05 * agent.kgM3 * agent.gwp * agent.lostShare, 12);
  // 140 mm of batt were brought, however flat they lie.
  expect(of?.layers[1]?.emittedKgM2).toBeCloseTo(0.8 * 0.14 * 34.8, 12);
  expect(of?.emittedPerRsi).toBeNull();
});

test('who comes, and what materials do in water, in fire and with pests, each once', () => {
  const compared = comparedBuildUp(cold, { ...sampleArea, buildUp: buildUp('masonry-cavity') }, MATERIALS);
  if (compared.state === 'refused') throw new Error('It can be computed.');
  expect(compared.trades).toEqual(['plasterer', 'mason', 'insulator']);
  expect(new Set(compared.traits).size).toBe(compared.traits.length);
  const framed = comparedBuildUp(cold, sampleArea, MATERIALS);
  if (framed.state === 'refused') throw new Error('It can be computed.');
  expect(framed.trades).toEqual(['liner', 'carpenter', 'insulator', 'cladder']);
  expect(framed.hasThickness).toBe(false);
  expect(framed.moisture?.state).toBe('figures');
});

test('what cannot be computed says why, and without a climate water is not told', () => {
  const tooThick = {
    ...sampleArea.buildUp,
    layers: sampleArea.buildUp.layers.map((layer) =>
      layer.kind === 'framed' ? { ...layer, fills: [fillOfMaterial(material('xps'), 'board', 0.3)] } : layer,
    ),
  };
  expect(comparedBuildUp(cold, { ...sampleArea, buildUp: tooThick }, MATERIALS)).toMatchObject({
    state: 'refused',
    message: expect.stringMatching(/thicker than the cavity/) as string,
  });
  expect(comparedBuildUp(sampleHouse, sampleArea, MATERIALS)).toMatchObject({ moisture: null });
});
