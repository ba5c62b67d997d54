import fc from 'fast-check';
import { compute } from '../operations';

const figure = (min: number, max: number) => fc.double({ min, max, noNaN: true });

test('packs are enough, and one fewer is not', () => {
  fc.assert(
    fc.property(
      fc.record({
        needed: figure(0, 500),
        wasteShare: figure(0, 1),
        packSize: figure(0.1, 20),
        onHand: figure(0, 600),
      }),
      (input) => {
        const { withWaste, packs, left } = compute('takeOff.packs', input);
        const there = packs * input.packSize + input.onHand;
        expect(there).toBeGreaterThanOrEqual(withWaste - 1e-6);
        expect(left).toBeCloseTo(there - withWaste, 6);
        if (packs > 0) expect(there - input.packSize).toBeLessThan(withWaste);
      },
    ),
  );
});

const cavity = fc.record({
  widthM: figure(0.1, 1.3),
  heightM: figure(0.1, 6),
  count: fc.integer({ min: 1, max: 40 }),
});
const batt = fc.record({
  widthM: figure(0.3, 0.7),
  lengthM: figure(0.8, 2.4),
  perPack: fc.integer({ min: 1, max: 16 }),
});

test('batts cover their cavities, and every piece above another is a joint', () => {
  fc.assert(
    fc.property(fc.array(cavity, { minLength: 1, maxLength: 6 }), batt, (cavities, of) => {
      const { groups, batts, withWaste, packs, joints } = compute('takeOff.batts', { cavities, batt: of });
      const coveredM2 = cavities.reduce(
        (sum, { widthM, heightM, count }) => sum + widthM * heightM * count,
        0,
      );
      expect(batts * of.widthM * of.lengthM).toBeGreaterThanOrEqual(coveredM2 - 1e-6);
      expect(batts).toBe(groups.reduce((sum, group) => sum + group.batts, 0));
      expect(joints).toBe(groups.reduce((sum, group) => sum + group.joints, 0));
      expect(packs * of.perPack).toBeGreaterThanOrEqual(withWaste);
      groups.forEach(({ across, restM }, i) => {
        const { heightM, count } = cavities[i] ?? { heightM: 0, count: 0 };
        expect(restM).toBeLessThan(of.lengthM);
        expect(groups[i]?.joints ?? 0).toBeGreaterThanOrEqual(
          across * count * (Math.floor(heightM / of.lengthM - 1e-6) - 1),
        );
      });
    }),
  );
});

const wall = fc.record({
  lengthM: figure(1, 60),
  heightM: figure(0.5, 6),
  rollWidthM: figure(1, 4),
  rollLengthM: figure(10, 100),
  lapM: figure(0, 0.3),
  floorLapM: figure(0, 0.2),
  topLapM: figure(0, 0.2),
  corners: fc.integer({ min: 0, max: 12 }),
});

test('sheet covers its wall with its laps, along it or up it, and rolls hold it', () => {
  fc.assert(
    fc.property(wall, fc.constantFrom('along' as const, 'up' as const), (of, direction) => {
      const { runs, markHeightM, sheetM, rolls, sealantM } = compute('takeOff.sheet', { ...of, direction });
      const run = of.lengthM + of.corners * 0.05;
      const high = of.heightM + of.topLapM + of.floorLapM;
      if (direction === 'along') {
        expect(markHeightM).toBeCloseTo(of.rollWidthM - of.floorLapM, 12);
        expect(runs * of.rollWidthM - (runs - 1) * of.lapM).toBeGreaterThanOrEqual(high - 1e-6);
        expect(sheetM).toBeCloseTo(runs * run, 9);
        expect(rolls * of.rollLengthM - (rolls - 1) * of.lapM).toBeGreaterThanOrEqual(sheetM - 1e-6);
      } else {
        expect(markHeightM).toBeNull();
        expect(runs * of.rollWidthM - (runs - 1) * of.lapM).toBeGreaterThanOrEqual(run - 1e-6);
        expect(sheetM).toBeCloseTo(runs * high, 9);
        expect(rolls * Math.floor(of.rollLengthM / high + 1e-9)).toBeGreaterThanOrEqual(runs);
      }
      expect(sealantM).toBeCloseTo(of.floorLapM > 0 ? 2 * run : 0, 9);
    }),
  );
});

test('sealant is as much as its joints hold, whatever they are split into', () => {
  fc.assert(
    fc.property(
      figure(0.5, 80),
      figure(0.002, 0.025),
      fc.integer({ min: 2, max: 9 }),
      (lengthM, gapM, parts) => {
        const whole = compute('takeOff.joint', { joints: [{ kind: 'sealant', lengthM, gapM }] });
        const split = compute('takeOff.joint', {
          joints: Array.from({ length: parts }, () => ({ kind: 'sealant', lengthM: lengthM / parts, gapM })),
        });
        expect(split.sealantLitres).toBeCloseTo(whole.sealantLitres, 9);
        expect(split.cartridges).toBe(whole.cartridges);
        expect(whole.cartridges * 0.31).toBeGreaterThanOrEqual(whole.sealantLitres * 1.15 - 1e-6);
      },
    ),
  );
});

test('a fixing holds and reaches nothing that must stay whole', () => {
  fc.assert(
    fc.property(
      fc.array(figure(0.005, 0.2), { minLength: 1, maxLength: 5 }),
      figure(0.01, 0.08),
      figure(0.05, 0.5),
      fc.array(figure(0.02, 0.5), { minLength: 1, maxLength: 8 }),
      (passesM, leastHoldM, limitM, stockM) => {
        const { leastLengthM, greatestLengthM, chosenM, findings } = compute('takeOff.fixing', {
          passesM,
          leastHoldM,
          limitM,
          stockM,
        });
        const fitting = stockM.filter(
          (length) => length >= leastLengthM - 1e-9 && length <= (greatestLengthM ?? Infinity) + 1e-9,
        );
        expect(chosenM).toBe(fitting.length === 0 ? null : Math.min(...fitting));
        expect(findings.length).toBe(fitting.length === 0 ? 1 : 0);
      },
    ),
  );
});
