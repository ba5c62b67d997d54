import fc from 'fast-check';
import { compute } from '../operations';

const films = { filmConvention: 'iso', heatFlow: 'horizontal' };

describe('stud layout', () => {
  const wall = {
    lengthM: 8,
    heightM: 2.7,
    spacingM: 0.6,
    studWidthM: 0.045,
    corners: 2,
    intersections: 1,
    openings: [{ widthM: 1.2, heightM: 1.2, headerDepthM: 0.2 }],
    cavityRsi: 3.7,
    frameRsi: 1.1,
    restRsi: 0.4,
  };
  const layout = (change: object) => compute('thermal.studLayout', { ...wall, ...change });

  test('counted by hand', () => {
    const { members, netAreaM2, framingFraction } = layout({});
    const studM2 = 0.045 * (2.7 - 3 * 0.045);
    expect(netAreaM2).toBeCloseTo(8 * 2.7 - 1.44, 12);
    expect(members.platesM2).toBeCloseTo(3 * 0.045 * 8, 12);
    // 15 on the grid, less two cut over the opening and its header.
    expect(members.studsM2).toBeCloseTo(15 * studM2 - 2 * 0.045 * 1.4, 12);
    expect(members.cornersM2).toBeCloseTo(4 * studM2, 12);
    expect(members.intersectionsM2).toBeCloseTo(2 * studM2, 12);
    expect(members.headersM2).toBeCloseTo(0.2 * 1.29, 12);
    expect(members.openingsM2).toBeCloseTo(2 * studM2 + 2 * 0.045 * 1.2 + 0.045 * 1.2, 12);
    const areas: readonly number[] = Object.values(members);
    expect(framingFraction).toBeCloseTo(areas.reduce((sum, m2) => sum + m2, 0) / netAreaM2, 12);
  });

  test('open corners and insulated headers show their worth', () => {
    const { framingFraction, leanFramingFraction, effectiveRsi, leanEffectiveRsi } = layout({});
    expect(leanFramingFraction).toBeLessThan(framingFraction);
    expect(leanEffectiveRsi ?? 0).toBeGreaterThan(effectiveRsi ?? Infinity);
    const lean = layout({
      cornerKind: 'open',
      intersectionKind: 'open',
      openings: [{ ...wall.openings[0], headerTimberShare: 0.25 }],
    });
    expect(lean.framingFraction).toBeCloseTo(leanFramingFraction, 12);
  });

  test('wider spacing never takes more timber', () => {
    const spacing = fc.double({ min: 0.2, max: 1.2, noNaN: true });
    fc.assert(
      fc.property(spacing, spacing, (one, other) => {
        const framing = (spacingM: number) => layout({ spacingM, openings: [] }).framingFraction;
        expect(framing(Math.max(one, other))).toBeLessThanOrEqual(framing(Math.min(one, other)) + 1e-12);
      }),
    );
  });

  test('a wall that is all plates or all opening is refused', () => {
    expect(() => layout({ heightM: 0.1 })).toThrow(
      expect.objectContaining({ code: 'out-of-range', field: 'heightM' }),
    );
    expect(() => layout({ openings: [{ widthM: 9, heightM: 2.7, headerDepthM: 0 }] })).toThrow(
      expect.objectContaining({ code: 'out-of-range', field: 'openings' }),
    );
  });
});

describe('double frames', () => {
  const frame = fc.record({
    cavityRsi: fc.double({ min: 1, max: 6, noNaN: true }),
    frameRsi: fc.double({ min: 0.3, max: 1, noNaN: true }),
    framingFraction: fc.double({ min: 0.05, max: 0.3, noNaN: true }),
  });

  test('offset studs are never worth less than aligned ones', () => {
    fc.assert(
      fc.property(frame, frame, fc.constantFrom('parallelPath', 'iso6946'), (inner, outer, method) => {
        const { gainedRsi, gainedShare, aligned } = compute('thermal.doubleFrames', {
          layers: [inner, { rsi: 2 }, outer],
          method,
          ...films,
        });
        expect(gainedRsi).toBeGreaterThanOrEqual(-1e-9);
        expect(gainedShare * aligned.effectiveRsi).toBeCloseTo(gainedRsi, 9);
      }),
    );
  });

  test('one frame is no double frame', () => {
    const single = {
      layers: [{ cavityRsi: 3, frameRsi: 1, framingFraction: 0.1 }, { rsi: 1 }],
      method: 'iso6946',
    };
    expect(() => compute('thermal.doubleFrames', { ...single, ...films })).toThrow(
      expect.objectContaining({ code: 'too-little-framing', field: 'layers' }),
    );
  });
});

describe('I-section members', () => {
  const member = {
    spacingM: 0.6,
    depthM: 0.3,
    flangeWidthM: 0.045,
    flangeDepthM: 0.045,
    flangeConductivityWmK: 0.13,
    webThicknessM: 0.01,
    webConductivityWmK: 0.15,
    fillConductivityWmK: 0.038,
    otherRsi: 0.4,
    method: 'iso6946',
    ...films,
  };

  test('its layers, put into a build-up, give its U', () => {
    const { layers, uValue, gainedRsi } = compute('thermal.iSection', member);
    const wall = compute('thermal.assembly', {
      layers: [...layers, { rsi: 0.4 }],
      method: 'iso6946',
      frameAlignment: 'aligned',
      ...films,
    });
    expect(uValue).toBeCloseTo(wall.uValue, 12);
    expect(gainedRsi).toBeGreaterThan(0);
    expect(layers.map(({ framingFraction }) => framingFraction)).toEqual([0.075, 0.01 / 0.6, 0.075]);
  });

  test('a web as thick as its flange is a solid member', () => {
    const solid = { ...member, webThicknessM: 0.045, webConductivityWmK: 0.13, method: 'parallelPath' };
    expect(compute('thermal.iSection', solid).gainedRsi).toBeCloseTo(0, 9);
  });

  test.each([
    ['flangeDepthM', { flangeDepthM: 0.15 }],
    ['flangeWidthM', { flangeWidthM: 0.7 }],
    ['webThicknessM', { webThicknessM: 0.05 }],
  ])('an impossible %s is refused', (field, change) => {
    expect(() => compute('thermal.iSection', { ...member, ...change })).toThrow(
      expect.objectContaining({ code: 'out-of-range', field }),
    );
  });
});

describe('requirements', () => {
  const wall = { id: 'w', kind: 'wall', areaM2: 80, plannedUValue: 0.2 };
  const roof = { id: 'r', kind: 'roof', areaM2: 60, plannedUValue: 0.12, asBuiltUValue: 0.13, grade: 'I' };
  const judge = (input: object) => compute('thermal.requirements', { areas: [wall, roof], ...input });

  test('judged as planned and as built; what is not graded yet is open', () => {
    const { areas, house } = judge({
      requirements: [
        { kind: 'wall', leastRsi: 4.5 },
        { kind: 'roof', greatestUValue: 0.125 },
      ],
      leastGrade: 'II',
      greatestTransmissionWK: 23.5,
      junctionsWK: 2,
    });
    expect(areas).toEqual([
      { id: 'w', greatestUValue: 1 / 4.5, planned: 'meets', asBuilt: 'open', grade: 'open' },
      { id: 'r', greatestUValue: 0.125, planned: 'meets', asBuilt: 'fails', grade: 'meets' },
    ]);
    expect(house).toEqual({ plannedWK: 16 + 7.2 + 2, asBuiltWK: null, planned: 'fails', asBuilt: 'open' });
  });

  test('findings say which area fails what', () => {
    const graded = { ...wall, asBuiltUValue: 0.26, grade: 'none' };
    const { findings } = judge({
      areas: [graded],
      requirements: [{ kind: 'wall', greatestUValue: 0.19 }],
      leastGrade: 'III',
      greatestTransmissionWK: 20,
    });
    expect(findings.map(({ rule, area }) => [rule, area])).toEqual([
      ['planned-below-requirement', 0],
      ['as-built-below-requirement', 0],
      ['grade-below-requirement', 0],
      ['house-over-limit', undefined],
    ]);
  });

  test.each([
    ['nothing asked of a kind', [{ kind: 'wall' }], 'required', 'requirements[0].leastRsi'],
    [
      'two limits',
      [{ kind: 'wall', leastRsi: 4, greatestUValue: 0.2 }],
      'conflict',
      'requirements[0].leastRsi',
    ],
    [
      'one kind twice',
      [
        { kind: 'wall', leastRsi: 4 },
        { kind: 'wall', leastRsi: 5 },
      ],
      'duplicate-id',
      'requirements[1].kind',
    ],
  ])('%s is refused', (_name, requirements, code, field) => {
    expect(() => judge({ requirements })).toThrow(expect.objectContaining({ code, field }));
  });
});

test('design heat load: by transmission, by air, and what the work added', () => {
  const planned = { transmissionWK: 100, infiltrationM3h: 20, ventilationM3h: 120, heatRecovery: 0.75 };
  const load = compute('thermal.designHeatLoad', {
    indoorTemperatureC: 20,
    outdoorTemperatureC: -10,
    planned,
    asBuilt: { ...planned, transmissionWK: 110, infiltrationM3h: 60 },
  });
  expect(load.planned).toEqual({
    transmissionW: 3000,
    airW: 0.336 * 50 * 30,
    totalW: 3000 + 0.336 * 50 * 30,
  });
  expect(load.differenceW).toBeCloseTo(300 + 0.336 * 40 * 30, 9);
  expect(() =>
    compute('thermal.designHeatLoad', { indoorTemperatureC: 5, outdoorTemperatureC: 5, planned }),
  ).toThrow(expect.objectContaining({ code: 'not-warmer-than-outdoors' }));
});
