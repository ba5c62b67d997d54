import fc from 'fast-check';
import { compute } from '../operations';
import { t95 } from './student-t';

const flow = fc.double({ min: 50, max: 5000, noNaN: true });
const error = fc.double({ min: 0, max: 0.1, noNaN: true });

describe('uncertainty carried through', () => {
  const q50 = { q50M3h: 600, standardErrorLnQ50: 0.01, degreesOfFreedom: 8 };

  test('the size of the house widens the interval, and its share is said', () => {
    const { q50: flowFigure, n50 } = compute('airtightness.uncertaintyPropagation', {
      ...q50,
      volumeM3: 400,
      volumeUncertainty: 0.03,
    });
    expect(flowFigure.high95).toBeCloseTo(600 * Math.exp(t95(8) * 0.01), 9);
    expect(n50?.value).toBe(1.5);
    expect(n50?.relativeUncertainty).toBeCloseTo(Math.hypot(0.01, 0.03), 12);
    expect(n50?.shareFromSize).toBeCloseTo(0.9, 12);
    // Welch–Satterthwaite: 8·(0.001/0.0001)².
    expect(n50?.degreesOfFreedom).toBeCloseTo(800, 6);
    expect(n50?.high95).toBeCloseTo(1.5 * Math.exp(t95(800) * Math.hypot(0.01, 0.03)), 6);
  });

  test('a size known for certain adds nothing; a size not given has no figure', () => {
    const {
      q50: flowFigure,
      qE50,
      qF50,
    } = compute('airtightness.uncertaintyPropagation', { ...q50, envelopeAreaM2: 300 });
    expect((qE50?.high95 ?? 0) * 300).toBeCloseTo(flowFigure.high95, 9);
    expect(qF50).toBeNull();
  });

  test('intervals never narrow when anything grows less certain', () => {
    fc.assert(
      fc.property(error, error, error, (one, other, calibration) => {
        const width = (volumeUncertainty: number, flowCalibration: number) => {
          const figure = compute('airtightness.uncertaintyPropagation', {
            ...q50,
            volumeM3: 400,
            volumeUncertainty,
            flowCalibration,
          }).n50!;
          return figure.high95 / figure.low95;
        };
        const [less, more] = [Math.min(one, other), Math.max(one, other)];
        // Degrees of freedom rise with what is stated, and t falls with them: hence the small allowance.
        expect(width(more, calibration)).toBeGreaterThanOrEqual(width(less, calibration) * 0.998);
      }),
    );
  });
});

describe('stages', () => {
  const stages = (a: number, b: number, se: number) =>
    compute('airtightness.stageComparison', {
      stageA: { q50M3h: a, standardErrorLnQ50: se },
      stageB: { q50M3h: b, standardErrorLnQ50: se },
    });

  test('turned about, tighter becomes looser and the hole stays', () => {
    fc.assert(
      fc.property(flow, flow, error, (a, b, se) => {
        const [there, back] = [stages(a, b, se), stages(b, a, se)];
        expect(back.changeM3h).toBe(0 - there.changeM3h);
        expect(back.holeAreaM2).toBe(there.holeAreaM2);
        const opposite = {
          tighter: 'looser',
          looser: 'tighter',
          'no-demonstrable-change': 'no-demonstrable-change',
        };
        expect(back.verdict).toBe(opposite[there.verdict]);
      }),
    );
  });

  test('the fewer the readings, the more two tests have to differ', () => {
    const at = (degreesOfFreedom?: number) => {
      const se = { standardErrorLnQ50: 0.01, degreesOfFreedom };
      return compute('airtightness.stageComparison', {
        stageA: { q50M3h: 500, ...se },
        stageB: { q50M3h: 516, ...se },
      }).verdict;
    };
    // u = 7.18 m³/h, of six degrees in all 2.45 times: 17.6; of sixty 2.00 times: 14.4.
    expect([at(3), at(30), at()]).toEqual(['no-demonstrable-change', 'looser', 'looser']);
  });

  test('a day that is none is refused', () => {
    const stage = { q50M3h: 500, standardErrorLnQ50: 0.01 };
    expect(() =>
      compute('airtightness.stageComparison', { stageA: { ...stage, date: '2031-02-29' }, stageB: stage }),
    ).toThrow(expect.objectContaining({ code: 'not-a-day', field: 'stageA.date' }));
  });
});

describe('zones', () => {
  const between = fc.record({
    house: fc.double({ min: 10, max: 80, noNaN: true }),
    share: fc.double({ min: 0.05, max: 0.95, noNaN: true }),
  });

  test('both sides of the zone pass one flow', () => {
    fc.assert(
      fc.property(between, flow, flow, ({ house, share }, closed, gain) => {
        const exponent = 0.65;
        const { paths } = compute('airtightness.zone', {
          houseOutdoorPressurePa: -house,
          houseZonePressurePa: -house * share,
          closedFlowM3h: closed,
          openFlowM3h: closed + gain,
        });
        const intoZone = paths!.houseZoneCoefficientM3hPaN * (house * share) ** exponent;
        expect(intoZone / paths!.throughZoneM3h).toBeCloseTo(1, 9);
      }),
    );
  });

  test('one flow without the other is asked for', () => {
    expect(() =>
      compute('airtightness.zone', {
        houseOutdoorPressurePa: -50,
        houseZonePressurePa: -20,
        openFlowM3h: 900,
      }),
    ).toThrow(expect.objectContaining({ code: 'required', field: 'closedFlowM3h' }));
  });
});

test('double the flow: q50 doubles, n and its interval stay', () => {
  const pressures = [60, 50, 40, 30, 20, 12];
  const noise = fc.array(fc.double({ min: 0.97, max: 1.03, noNaN: true }), { minLength: 6, maxLength: 6 });
  fc.assert(
    fc.property(noise, (factors) => {
      const run = (scale: number) =>
        compute('airtightness.multiPoint', {
          method: 'iso9972',
          building: { volumeM3: 400, envelopeAreaM2: 420, floorAreaM2: 150, heightM: 5 },
          conditions: { indoorTemperatureC: 21, outdoorTemperatureC: 3 },
          runs: [
            {
              direction: 'pressurise',
              baselineBeforePa: [0.5],
              baselineAfterPa: [0.2],
              readings: pressures.map((pressurePa, i) => ({
                pressurePa,
                flowM3h: scale * 30 * pressurePa ** 0.65 * factors[i]!,
              })),
            },
          ],
        });
      const [once, twice] = [run(1), run(2)];
      expect(twice.result.q50M3h / once.result.q50M3h).toBeCloseTo(2, 9);
      expect(twice.runs[0]!.exponent).toBeCloseTo(once.runs[0]!.exponent, 9);
      expect(twice.result.standardErrorLnQ50).toBeCloseTo(once.result.standardErrorLnQ50, 9);
    }),
  );
});

test('infiltration falls with shelter and rises with storeys, wind and cold', () => {
  const base = {
    ela4M2: 0.03,
    indoorTemperatureC: 21,
    outdoorTemperatureC: 0,
    windMs: 4,
    storeys: 1,
    shelterClass: 3,
  };
  const leak = (change: object) => compute('ventilation.infiltration', { ...base, ...change }).flowM3h;
  expect(leak({ shelterClass: 4 })).toBeLessThan(leak({}));
  expect(leak({ storeys: 2 })).toBeGreaterThan(leak({}));
  expect(leak({ windMs: 6 })).toBeGreaterThan(leak({}));
  expect(leak({ outdoorTemperatureC: -10 })).toBeGreaterThan(leak({}));
});

test('a leakier house needs no more fan; a tight one needs all of it', () => {
  const need = (ela4M2: number, bedrooms = 3) =>
    compute('ventilation.requirement', {
      floorAreaM2: 150,
      bedrooms,
      ela4M2,
      heightM: 5,
      weatherFactor: 0.6,
      balanced: false,
      detached: true,
    });
  expect(need(0).fanFlowM3h).toBe(need(0).totalM3h);
  expect(need(0, 0)).toEqual(need(0, 1));
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 0.3, noNaN: true }),
      fc.double({ min: 0, max: 0.3, noNaN: true }),
      (a, b) => {
        expect(need(Math.max(a, b)).fanFlowM3h).toBeLessThanOrEqual(need(Math.min(a, b)).fanFlowM3h + 1e-9);
      },
    ),
  );
});
