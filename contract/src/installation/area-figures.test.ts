import type { HouseBody } from '../house/house';
import { sampleHouse as house } from '../../test/sample-house';
import { bodySchemas } from '../schemas';
import { MADE_BY_HAND, PLAIN_AREA, type AreaInHand } from './area';
import { areaFigures, envelopeFigures } from './area-figures';
import { framedLayer } from './plain-layer';
import { BUILD_UP_LIBRARY, buildUpOf, libraryFor } from './build-up-library';

const areaWith = (id: string, grade: AreaInHand['grade'], areaM2: number | null = 50): AreaInHand => {
  const entry = BUILD_UP_LIBRARY.find((each) => each.id === id);
  if (entry === undefined) throw new Error(id);
  return {
    name: id,
    kind: entry.kinds[0] ?? 'wall',
    areaM2,
    buildUp: buildUpOf(entry),
    grade,
    voidFraction: null,
    ...MADE_BY_HAND,
    ...PLAIN_AREA,
  };
};

function figuresOf(area: AreaInHand, of: HouseBody = house) {
  const figures = areaFigures(of, area);
  if (figures.state !== 'figures') throw new Error(JSON.stringify(figures));
  return figures;
}

describe.each(BUILD_UP_LIBRARY)('$name', (entry) => {
  test('fits the schema of an area and can be computed by every method', () => {
    const area = areaWith(entry.id, null);
    expect(bodySchemas.area.validate(area, { convert: false }).error).toBeUndefined();
    for (const assemblyMethod of ['iso6946', 'parallelPath', 'isothermalPlanes'] as const) {
      expect(figuresOf(area, { ...house, assemblyMethod }).framed.uValue).toBeGreaterThan(0.05);
    }
  });

  test('falls from its label to its framing to the work as it was done', () => {
    const grade = entry.gradedLayer === null ? null : 'III';
    const { labelled, framed, built } = figuresOf(areaWith(entry.id, grade));
    expect(labelled.effectiveRsi).toBeGreaterThanOrEqual(framed.effectiveRsi - 1e-12);
    expect(framed.effectiveRsi).toBeGreaterThanOrEqual(built.effectiveRsi);
    if (grade !== null) expect(built.effectiveRsi).toBeLessThan(framed.effectiveRsi);
  });
});

test('an R of the other world of units is asked about at its layer', () => {
  const area = areaWith('framed-wall-140', null);
  const layers = area.buildUp.layers.map((layer) =>
    layer.kind === 'framed' ? { ...layer, cavityRsi: 21 } : layer,
  );
  const { findings } = figuresOf({ ...area, buildUp: { ...area.buildUp, layers } });
  const place = layers.findIndex(({ kind }) => kind === 'framed');
  expect(findings).toContainEqual(expect.objectContaining({ rule: 'implausible', layer: place }));
  expect(figuresOf(area).findings.filter(({ rule }) => rule === 'implausible')).toEqual([]);
});

test('every kind of area has something to start from', () => {
  const kinds = ['wall', 'rim', 'ceiling', 'roof', 'floor', 'opening'] as const;
  expect(kinds.filter((kind) => libraryFor(kind).length === 0)).toEqual([]);
});

test('the envelope adds up: UA over areas, R by area and U, cost by grades', () => {
  const areas = [
    areaWith('framed-wall-140', 'III', 100),
    areaWith('window', null, 20),
    areaWith('rim-board', null, 10),
  ];
  const { built, framed, gradeCostWK, ungraded, refused, shareOfEnvelope } = envelopeFigures(house, areas);
  const sum = areas.reduce((total, area) => total + (area.areaM2 ?? NaN) * figuresOf(area).built.uValue, 0);
  expect(built?.transmissionWK).toBeCloseTo(sum, 9);
  expect(built?.effectiveRsi).toBeCloseTo(130 / sum, 9);
  expect((built?.transmissionWK ?? NaN) - (framed?.transmissionWK ?? NaN)).toBeCloseTo(gradeCostWK, 9);
  expect([ungraded, refused]).toEqual([1, 0]);
  expect(shareOfEnvelope).toBeCloseTo(130 / house.envelopeAreaM2, 12);
});

test('an area without a size has its R and U, and is in no sum', () => {
  const unsized = areaWith('framed-wall-140', 'III', null);
  expect(bodySchemas.area.validate(unsized, { convert: false }).error).toBeUndefined();
  const figures = figuresOf(unsized);
  expect(figures.built).toEqual(figuresOf(areaWith('framed-wall-140', 'III')).built);
  expect([figures.gradeCostWK, figures.equivalentEmptyAreaM2]).toEqual([null, null]);
  const window = areaWith('window', null, 20);
  const alone = envelopeFigures(house, [window]);
  expect(envelopeFigures(house, [unsized, window])).toEqual({ ...alone, unsized: 1 });
  expect(envelopeFigures(house, [unsized])).toMatchObject({ built: null, unsized: 1, refused: 0 });
});

test('both schools of grade are offered and differ', () => {
  const area = areaWith('framed-wall-140', 'III');
  const voids = figuresOf(area).built.uValue;
  const levels = figuresOf(area, { ...house, gradeSchool: 'airVoid' }).built.uValue;
  expect(Math.abs(voids - levels)).toBeGreaterThan(0.001);
});

test('a build-up that cannot be computed says why and leaves the others standing', () => {
  const frame = framedLayer('', { cavityRsi: 3, frameRsi: 1, framingFraction: 0.6, thicknessM: null });
  const broken: AreaInHand = {
    ...areaWith('framed-wall-140', null),
    buildUp: {
      name: '',
      layers: [
        { ...frame, id: 'a' },
        { ...frame, id: 'b' },
      ],
      frameAlignment: 'offset',
      costPerM2: null,
      gradedLayer: 'a',
    },
  };
  expect(areaFigures(house, broken)).toMatchObject({
    state: 'refused',
    refusal: { code: 'framing-fraction-sum' },
  });
  const envelope = envelopeFigures(house, [broken, areaWith('window', null, 20)]);
  expect([envelope.refused, envelope.built?.areaM2]).toEqual([1, 20]);
  expect(envelope.shareOfEnvelope).toBeCloseTo(20 / house.envelopeAreaM2, 12);
});

test('no areas, no figures', () => {
  expect(envelopeFigures(house, [])).toMatchObject({ built: null, gradeCostWK: 0 });
});

test('work too bad for a grade costs what its share of void costs, whatever the school of grades', () => {
  const worst = figuresOf(areaWith('framed-wall-140', 'III'));
  for (const gradeSchool of ['voidFraction', 'airVoid'] as const) {
    const asGraded = figuresOf(areaWith('framed-wall-140', 'III'), { ...house, gradeSchool });
    const bad = { ...areaWith('framed-wall-140', null), voidFraction: 0.12 };
    const figures = figuresOf(bad, { ...house, gradeSchool });
    expect(figures.framed.uValue).toBeCloseTo(worst.framed.uValue, 12);
    expect(figures.built.uValue).toBeGreaterThan(asGraded.built.uValue);
    // Parallel paths: the cost grows with the share of void.
    const perShare = (worst.built.uValue - worst.framed.uValue) / 0.05;
    expect(figures.built.uValue - figures.framed.uValue).toBeCloseTo(0.12 * perShare, 10);
    expect(figures.gradeCostWK).toBeCloseTo(50 * 0.12 * perShare, 8);
  }
  // A share counts in place of a grade that somebody else gave meanwhile.
  const both = { ...areaWith('framed-wall-140', 'I'), voidFraction: 0.3 };
  expect(figuresOf(both).built.uValue).toBeGreaterThan(worst.built.uValue);
});

test('a house of as many areas as somebody draws has its figures', () => {
  const one = envelopeFigures(house, [areaWith('framed-wall-140', 'II')]);
  const many = envelopeFigures(
    house,
    Array.from({ length: 2500 }, () => areaWith('framed-wall-140', 'II')),
  );
  expect(many.built?.averageUValue).toBeCloseTo(one.built?.averageUValue ?? NaN, 9);
  expect(many.built?.areaM2).toBeCloseTo(2500 * (one.built?.areaM2 ?? NaN), 6);
});

test('an area whose share of void is known is judged', () => {
  const bad = { ...areaWith('framed-wall-140', null), voidFraction: 0.06 };
  expect(envelopeFigures(house, [bad, areaWith('rim-board', null)]).ungraded).toBe(1);
});

test.each([[0.05], [0], [-0.1], [1.01], ['0.2'], [Number.NaN]])(
  '%s is no share of void beyond grades',
  (voidFraction) => {
    const { error } = bodySchemas.area.validate(
      { ...areaWith('window', null), voidFraction },
      { convert: false },
    );
    expect(error?.details[0]?.path).toEqual(['voidFraction']);
  },
);
