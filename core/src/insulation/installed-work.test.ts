import fc from 'fast-check';
import { compute } from '../operations';
import type { Observation } from './grade';

const clean: Observation = { cavity: { widthM: 0.37, heightM: 2.4 } };
const withVoid = (share: number): Observation => ({
  ...clean,
  regions: [{ areaM2: share * 0.37 * 2.4, fill: 0 }],
});
const rank = { I: 0, II: 1, III: 2, none: 3 };

describe('grade', () => {
  const grade = (observations: readonly Observation[]) =>
    compute('insulation.grade', { netInsulatedAreaM2: 60, observations }).grade;
  const part = fc.double({ min: 0, max: 0.45, noNaN: true });

  test('never improves when a void or a compressed patch grows', () => {
    fc.assert(
      fc.property(part, part, part, fc.double({ min: 0, max: 1, noNaN: true }), (one, other, more, fill) => {
        const rankOf = (share: number) =>
          rank[
            grade([
              {
                ...clean,
                regions: [
                  { areaM2: share * 0.888, fill: 0 },
                  { areaM2: more * 0.888, fill },
                ],
              },
            ])
          ];
        expect(rankOf(Math.max(one, other))).toBeGreaterThanOrEqual(rankOf(Math.min(one, other)));
      }),
    );
  });

  test.each([
    [0.005, 'I'],
    [0.0051, 'II'],
    [0.02, 'II'],
    [0.0201, 'III'],
    [0.05, 'III'],
    [0.0501, 'none'],
  ])('a void of %d of the cavity is grade %s', (share, expected) => {
    expect(grade([withVoid(share)])).toBe(expected);
  });

  test('a requirement not met never betters a grade, and pipes in the cold freeze', () => {
    const unmet = { ...clean, requirements: { pipesOnWarmSide: false, touchesAirBarrier: false } };
    const result = compute('insulation.grade', { netInsulatedAreaM2: 60, observations: [unmet] });
    expect(result.cap).toBe('III');
    expect(result.findings.map(({ rule }) => rule)).toEqual([
      'no-air-barrier-contact',
      'pipe-on-cold-side',
      'pipe-freeze',
    ]);
  });
});

test('bags bought reach the density they were bought for, and one less does not', () => {
  const size = fc.double({ min: 0.05, max: 300, noNaN: true });
  fc.assert(
    fc.property(size, fc.double({ min: 0, max: 0.5, noNaN: true }), (grossAreaM2, framingFraction) => {
      const wall = { bagMassKg: 13.6, grossAreaM2, framingFraction, depthM: 0.14, specifiedDensityKgM3: 56 };
      const { bagsNeeded } = compute('insulation.bags', wall);
      const reached = (bags: number) =>
        compute('insulation.bags', { ...wall, bags }).achievedDensityKgM3 ?? 0;
      expect(reached(bagsNeeded)).toBeGreaterThanOrEqual(56 * (1 - 1e-9));
      if (bagsNeeded > 1) expect(reached(bagsNeeded - 1)).toBeLessThan(56);
    }),
  );
});

test('uneven depth is never worth more than its mean', () => {
  const depths = fc.array(fc.double({ min: 0, max: 0.6, noNaN: true }), { minLength: 1, maxLength: 12 });
  fc.assert(
    fc.property(depths, (depthsM) => {
      const fill = {
        kind: 'looseFill',
        conductivityWmK: 0.04,
        specifiedDepthM: 0.4,
        restRsi: 0.3,
        settlingFraction: 0.1,
      };
      const uneven = compute('insulation.depth', { ...fill, depthsM });
      const even = compute('insulation.depth', { ...fill, depthsM: [uneven.meanDepthM] });
      expect(uneven.effectiveRsi).toBeLessThanOrEqual(even.effectiveRsi + 1e-9);
    }),
  );
});

describe('hybrid fill', () => {
  const cavity = {
    cavityDepthM: 0.14,
    foamConductivityWmK: 0.025,
    batt: { labelRsi: 2.3, labelThicknessM: 0.09 },
    insideRsi: 0.2,
    outsideRsi: 0.25,
    indoorTemperatureC: 21,
    outdoorTemperatureC: -15,
    indoorRelativeHumidity: 0.38,
  };
  const hybrid = (foamDepthsM: readonly number[]) =>
    compute('insulation.hybridFill', { ...cavity, foamDepthsM });

  test('even foam: one wall, R in series', () => {
    const { effectiveRsi, readings } = hybrid([0.05]);
    expect(readings[0]).toMatchObject({ fibreThicknessM: expect.closeTo(0.09, 9), hasGap: false });
    expect(effectiveRsi).toBeCloseTo(2.3 + 0.05 / 0.025, 6);
  });

  test('the lowest foam decides the condensing plane, the mean stands beside it', () => {
    const { atLowest, atMean, dewPointC, findings } = hybrid([0.03, 0.12, 0.12]);
    expect(atLowest.foamDepthM).toBe(0.03);
    expect(atLowest.temperatureC).toBeLessThan(dewPointC);
    expect(atLowest.safe).toBe(false);
    expect(atMean.temperatureC).toBeGreaterThan(atLowest.temperatureC);
    const rules = findings.map(({ rule }) => rule);
    expect(rules).toEqual(['condensing-plane-cold', 'gap-before-foam', 'fibre-crushed', 'fibre-crushed']);
  });

  test('foam to the studs leaves no fibre; foam beyond them is refused', () => {
    expect(hybrid([0.14]).readings[0]).toMatchObject({ fibreThicknessM: 0, fibreRsi: 0 });
    expect(() => hybrid([0.1, 0.15])).toThrow(
      expect.objectContaining({ code: 'out-of-range', field: 'foamDepthsM[1]' }),
    );
  });
});

describe('coverage table', () => {
  const table = [
    { rsi: 3.35, bagsPerM2: 0.33, leastMassKgM2: 3.6, initialDepthM: 0.15, settledDepthM: 0.13 },
    { rsi: 5.28, bagsPerM2: 0.54, leastMassKgM2: 5.9, initialDepthM: 0.23, settledDepthM: 0.2 },
    { rsi: 8.63, bagsPerM2: 0.92, leastMassKgM2: 10, initialDepthM: 0.37, settledDepthM: 0.32 },
  ];
  const job = { table, wantedRsi: 5, areaM2: 100, bagMassKg: 11.3 };

  test('the first line that reaches the R serves', () => {
    expect(compute('insulation.coverage', job)).toMatchObject({ row: 1, bagsNeeded: 54, accepted: null });
    expect(compute('insulation.coverage', { ...job, bags: 56, depthsM: [0.24, 0.23] }).accepted).toBe(true);
  });

  test('bags, mass and depth are each held against it', () => {
    const short = compute('insulation.coverage', { ...job, bags: 40, depthsM: [0.24, 0.2] });
    expect(short.accepted).toBe(false);
    expect(short.reachedRsi).toBe(3.35);
    expect(short.findings.map(({ rule }) => rule)).toEqual(['too-few-bags', 'mass-low', 'depth-low']);
  });

  test('a mistyped line is asked about; a table out of order or too short is refused', () => {
    const mistyped = [{ ...table[1], leastMassKgM2: 59 }];
    expect(compute('insulation.coverage', { ...job, table: mistyped }).findings).toEqual([
      expect.objectContaining({ rule: 'row-implausible', value: 295 }),
    ]);
    expect(() => compute('insulation.coverage', { ...job, table: [table[1], table[0]] })).toThrow(
      expect.objectContaining({ code: 'not-ascending', field: 'table[1].rsi' }),
    );
    expect(() => compute('insulation.coverage', { ...job, wantedRsi: 12 })).toThrow(
      expect.objectContaining({ code: 'no-such-row', field: 'wantedRsi' }),
    );
  });
});

test('mass per area: samples of any thickness are brought to the specified one', () => {
  const job = { specifiedMassKgM2: 8, atThicknessM: 0.14 };
  const result = compute('insulation.massPerArea', {
    ...job,
    samples: [
      { massKg: 0.8, areaM2: 0.1 },
      { massKg: 0.9, areaM2: 0.1, thicknessM: 0.15 },
    ],
  });
  expect(result.specifiedDensityKgM3).toBeCloseTo(57.14, 2);
  expect(result.samples[1]?.massKgM2).toBeCloseTo(8.4, 9);
  expect(result).toMatchObject({ accepted: true, findings: [] });
  const asDensity = compute('insulation.massPerArea', {
    specifiedMassKgM2: 57,
    atThicknessM: 0.14,
    samples: [{ massKg: 0.8, areaM2: 0.1 }],
  });
  expect(asDensity.findings.map(({ rule }) => rule)).toContain('specification-implausible');
  expect(asDensity.accepted).toBe(false);
});
