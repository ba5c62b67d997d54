import fc from 'fast-check';
import { compute } from '../operations';

const films = { filmConvention: 'iso', heatFlow: 'horizontal' };
const months = [-6, -4, 1, 7, 12, 16, 18, 17, 13, 8, 2, -3].map((outdoorTemperatureC) => ({
  indoorTemperatureC: 20,
  indoorRelativeHumidity: 0.5,
  outdoorTemperatureC,
  outdoorRelativeHumidity: 0.8,
}));
const layer = fc.record({
  rsi: fc.double({ min: 0.02, max: 4, noNaN: true }),
  sdM: fc.double({ min: 0.02, max: 20, noNaN: true }),
});
const layersOf = fc.array(layer, { minLength: 2, maxLength: 6 });

test('water is neither made nor lost: what is held is what was gained', () => {
  fc.assert(
    fc.property(
      layersOf,
      fc.double({ min: 0.3, max: 0.9, noNaN: true }),
      (layers, indoorRelativeHumidity) => {
        const year = months.map((month) => ({ ...month, indoorRelativeHumidity }));
        const {
          months: balances,
          startMonth,
          endKgM2,
        } = compute('moisture.monthly', { ...films, layers, months: year });
        const gained = balances.reduce(
          (sum, { gainedKgM2 }) => sum + gainedKgM2.reduce((part, kgM2) => part + kgM2, 0),
          0,
        );
        expect(gained).toBeCloseTo(endKgM2, 9);
        if (startMonth === null) return;
        for (let step = 1; step < 12; step++) {
          const [before, now] = [
            balances[(startMonth + step - 1) % 12]!,
            balances[(startMonth + step) % 12]!,
          ];
          now.heldKgM2.forEach((held, i) => {
            expect(held).toBeGreaterThanOrEqual(0);
            expect(held).toBeCloseTo(before.heldKgM2[i]! + now.gainedKgM2[i]!, 12);
          });
        }
      },
    ),
  );
});

test('a tighter layer inside never lets more water condense', () => {
  fc.assert(
    fc.property(layersOf, fc.double({ min: 1, max: 50, noNaN: true }), (layers, factor) => {
      const peak = (inner: number) =>
        compute('moisture.monthly', {
          ...films,
          months,
          layers: layers.map((each, i) => (i === 0 ? { ...each, sdM: each.sdM * inner } : each)),
        }).peakKgM2;
      // An interface may move the month of the peak; the water of a winter never grows.
      expect(peak(factor)).toBeLessThanOrEqual(peak(1) + 1e-6);
    }),
  );
});

describe('two vapour resistances', () => {
  const inside = { rsi: 0.05, sdDryM: 10, sdDampM: 0.2 };
  const rest = [
    { rsi: 5, sdM: 0.2 },
    { rsi: 0.1, sdM: 3 },
  ];
  const both = (layers: readonly object[]) => compute('moisture.dryAndDamp', { ...films, months, layers });

  test('the balance is run with each', () => {
    const { dry, damp } = both([inside, ...rest]);
    const alone = (sdM: number) =>
      compute('moisture.monthly', { ...films, months, layers: [{ rsi: 0.05, sdM }, ...rest] });
    expect(dry).toEqual(alone(10));
    expect(damp).toEqual(alone(0.2));
    expect(damp.peakKgM2).toBeGreaterThan(dry.peakKgM2);
  });

  test.each([
    ['both ways of giving it', { rsi: 0.05, sdM: 1, sdDryM: 10 }, 'conflict', 'layers[0].sdM'],
    ['half of it', { rsi: 0.05, sdDryM: 10 }, 'required', 'layers[0].sdDampM'],
    ['none of it', { rsi: 0.05 }, 'required', 'layers[0].sdM'],
  ])('%s is refused', (_name, first, code, field) => {
    expect(() => both([first, ...rest])).toThrow(expect.objectContaining({ code, field }));
  });
});

describe('interfaces', () => {
  const wall = {
    indoorTemperatureC: 21,
    outdoorTemperatureC: -10,
    indoorRelativeHumidity: 0.4,
    ...films,
  };

  test('temperature falls from inside to outside and never leaves the range', () => {
    fc.assert(
      fc.property(layersOf, (layers) => {
        const { interfaceTemperaturesC: temperatures } = compute('moisture.interfaces', { ...wall, layers });
        expect(temperatures).toHaveLength(layers.length + 1);
        temperatures.forEach((temperature, i) => {
          expect(temperature).toBeLessThanOrEqual(temperatures[i - 1] ?? 21);
          expect(temperature).toBeGreaterThanOrEqual(-10);
        });
      }),
    );
  });

  test('the plane is safe exactly where enough resistance lies outside of it', () => {
    fc.assert(
      fc.property(layersOf, (layers) => {
        const plane = compute('moisture.interfaces', {
          ...wall,
          layers,
          condensingLayer: 1,
        }).condensingPlane!;
        fc.pre(Math.abs(plane.shareOutside - plane.leastShareOutside) > 1e-6);
        expect(plane.safe).toBe(plane.shareOutside > plane.leastShareOutside);
      }),
    );
  });

  test('the vapour resistance of some layers only is asked for', () => {
    const layers = [{ rsi: 1, sdM: 1 }, { rsi: 1 }];
    expect(() => compute('moisture.interfaces', { ...wall, layers })).toThrow(
      expect.objectContaining({ code: 'required', field: 'layers[1].sdM' }),
    );
  });
});
