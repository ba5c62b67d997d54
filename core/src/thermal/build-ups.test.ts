import fc from 'fast-check';
import { airSpace } from './air-space';
import { assembly } from './assembly';
import { carbon } from './carbon';
import { ground, type GroundInput } from './ground';
import { houseThermal } from './house';
import { mixedFrame } from './mixed-frame';
import { payback } from './payback';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const slab: GroundInput = {
  kind: 'slab',
  areaM2: 96,
  exposedPerimeterM: 40,
  wallThicknessM: 0.35,
  floorRsi: 1.2,
};

describe('air spaces', () => {
  test('heat that falls is held best, heat that rises worst', () => {
    fc.assert(
      fc.property(between(0.001, 0.3), (thicknessM) => {
        const rsiOf = (heatFlow: 'up' | 'horizontal' | 'down') => airSpace({ thicknessM, heatFlow }).rsi;
        expect(rsiOf('up')).toBeLessThanOrEqual(rsiOf('horizontal'));
        expect(rsiOf('horizontal')).toBeLessThanOrEqual(rsiOf('down'));
      }),
    );
  });

  test('by the formula two dull faces come within a tenth of the table', () => {
    for (const thicknessM of [0.015, 0.025, 0.05]) {
      for (const heatFlow of ['up', 'horizontal'] as const) {
        const byFormula = airSpace({
          thicknessM,
          heatFlow,
          emissivityInside: 0.9,
          emissivityOutside: 0.9,
        }).rsi;
        expect(byFormula / airSpace({ thicknessM, heatFlow }).rsi).toBeGreaterThan(0.9);
        expect(byFormula / airSpace({ thicknessM, heatFlow }).rsi).toBeLessThan(1.1);
      }
    }
  });

  test('a brighter face never holds less', () => {
    fc.assert(
      fc.property(between(0.005, 0.3), between(0.02, 1), between(0.02, 1), (thicknessM, one, other) => {
        const rsiOf = (emissivityInside: number) =>
          airSpace({ thicknessM, heatFlow: 'horizontal', emissivityInside, emissivityOutside: 0.9 }).rsi;
        expect(rsiOf(Math.min(one, other))).toBeGreaterThanOrEqual(rsiOf(Math.max(one, other)));
      }),
    );
  });
});

describe('ground', () => {
  test('a board under the edge is worth what one half as wide is that stands upright', () => {
    const edge = { rsi: 2.9, thicknessM: 0.1 };
    const lying = ground({ ...slab, edge: { ...edge, position: 'horizontal', widthM: 1.2 } });
    const upright = ground({ ...slab, edge: { ...edge, position: 'vertical', widthM: 0.6 } });
    expect(lying.floorUValue).toBeCloseTo(upright.floorUValue, 12);
  });

  test('more under a slab or a basement never loses more, and more edge neither', () => {
    fc.assert(
      fc.property(
        between(0, 6),
        between(0, 6),
        between(20, 200),
        between(0.5, 3.5),
        (one, other, areaM2, λ) => {
          const lossOf = (floorRsi: number) =>
            ground({ ...slab, areaM2, groundConductivityWmK: λ, floorRsi }).transmissionWK;
          expect(lossOf(Math.max(one, other))).toBeLessThanOrEqual(lossOf(Math.min(one, other)) + 1e-9);
          const withEdge = (rsi: number) =>
            ground({
              ...slab,
              areaM2,
              groundConductivityWmK: λ,
              edge: { position: 'vertical', rsi, thicknessM: 0.1, widthM: 0.6 },
            });
          expect(withEdge(Math.max(one, other)).edgePsiWmK).toBeLessThanOrEqual(
            withEdge(Math.min(one, other)).edgePsiWmK + 1e-12,
          );
        },
      ),
    );
  });

  test('a deeper basement has better walls and a better floor', () => {
    const basement = (depthM: number) => ground({ ...slab, kind: 'basement', depthM, wallRsi: 0.5 });
    const depths = [0.5, 1, 1.5, 2, 2.5].map(basement);
    depths.slice(1).forEach((deeper, i) => {
      expect(deeper.wallUValue).toBeLessThan(depths[i]?.wallUValue ?? NaN);
      expect(deeper.floorUValue).toBeLessThan(depths[i]?.floorUValue ?? NaN);
    });
  });

  test('what belongs to the other kind is refused by name', () => {
    const edge = { position: 'vertical', rsi: 2, thicknessM: 0.1, widthM: 0.6 } as const;
    expect(() => ground({ ...slab, kind: 'basement', edge })).toThrow(
      expect.objectContaining({ field: 'edge' }),
    );
    expect(() => ground({ ...slab, wallRsi: 1 })).toThrow(
      expect.objectContaining({ field: 'wallRsi', code: 'conflict' }),
    );
    expect(() => ground({ ...slab, floorRsi: 0, edge: { ...edge, rsi: 0, thicknessM: 1 } })).toThrow(
      expect.objectContaining({ field: 'edge.thicknessM', code: 'out-of-range' }),
    );
  });
});

test('one frame R leaves the parallel paths of a wall what they are', () => {
  const member = fc.record({ areaM2: between(0.05, 5), rsi: between(0.05, 5) });
  fc.assert(
    fc.property(fc.array(member, { minLength: 1, maxLength: 6 }), between(0.2, 6), (members, cavityRsi) => {
      const rest = 0.5;
      const { areaM2, frameRsi } = mixedFrame({ restRsi: rest + 0.17, members });
      const wallM2 = areaM2 * 4;
      const { upperRsi } = assembly({
        layers: [{ rsi: rest }, { cavityRsi, frameRsi, framingFraction: areaM2 / wallM2 }],
        method: 'parallelPath',
        filmConvention: 'iso',
        heatFlow: 'horizontal',
      });
      const each = members.reduce((sum, { areaM2: a, rsi }) => sum + a / (rest + 0.17 + rsi), 0);
      const direct = (each + (wallM2 - areaM2) / (rest + 0.17 + cavityRsi)) / wallM2;
      expect(1 / upperRsi).toBeCloseTo(direct, 10);
    }),
  );
});

test('stored carbon changes nothing of what is emitted', () => {
  const layer = { thicknessM: 0.1, carbonKgM3: 120 };
  const [without, with_] = [carbon({ layers: [layer] }), carbon({ layers: [{ ...layer, storedKgM3: 700 }] })];
  expect(with_.emittedKgM2).toBe(without.emittedKgM2);
  expect(with_.storedKgM2).toBeCloseTo(70, 12);
});

test('points count into the heat loss of a house, and not into its average U', () => {
  const areas = [{ areaM2: 100, uValue: 0.2 }];
  const house = houseThermal({ areas, points: [{ count: 3, chiWK: 0.5 }] });
  expect([house.pointsWK, house.transmissionWK, house.averageUValue]).toEqual([1.5, 21.5, 0.2]);
});

test('without interest and with a steady price, payback is simple', () => {
  fc.assert(
    fc.property(
      between(1, 5000),
      between(100, 3000),
      between(0.05, 0.5),
      (extraCost, savedKwhPerYear, pricePerKwh) => {
        const { simpleYears, discountedYears } = payback({
          extraCost,
          savedKwhPerYear,
          pricePerKwh,
          years: 100,
        });
        if (simpleYears !== null && simpleYears <= 100) expect(discountedYears).toBeCloseTo(simpleYears, 6);
        else expect(discountedYears).toBeNull();
      },
    ),
  );
});

test('what saves nothing is never paid back, and what costs nothing more is at once', () => {
  const nothing = { savedKwhPerYear: -20, pricePerKwh: 0.2 };
  expect(payback({ extraCost: 10, ...nothing })).toMatchObject({ simpleYears: null, discountedYears: null });
  expect(payback({ extraCost: 10, avoidedCost: 10, ...nothing })).toMatchObject({
    simpleYears: 0,
    discountedYears: 0,
    findings: [],
  });
});
