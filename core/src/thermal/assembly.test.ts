import fc from 'fast-check';
import { compute } from '../operations';
import { Refusal } from '../refusal';
import type { AssemblyInput } from './assembly';

const rsi = fc.double({ min: 0.05, max: 10, noNaN: true });
const fraction = fc.double({ min: 0, max: 0.45, noNaN: true });
const homogeneous = fc.record({ rsi });
const framed = fc.record({ cavityRsi: rsi, frameRsi: rsi, framingFraction: fraction });

const wall = fc
  .tuple(fc.array(homogeneous, { maxLength: 3 }), fc.array(framed, { minLength: 1, maxLength: 2 }))
  .map(([plain, frames]) => [...frames, ...plain]);

const base = { frameAlignment: 'aligned', filmConvention: 'iso', heatFlow: 'horizontal' } as const;
const effective = (input: AssemblyInput): number => compute('thermal.assembly', input).effectiveRsi;

test('parallel paths ≥ combined ≥ isothermal planes, as theory orders them', () => {
  fc.assert(
    fc.property(wall, fc.constantFrom('aligned', 'offset'), (layers, frameAlignment) => {
      const by = (method: AssemblyInput['method']) => effective({ ...base, layers, method, frameAlignment });
      const [parallel, combined, planes] = [by('parallelPath'), by('iso6946'), by('isothermalPlanes')];
      expect(parallel).toBeGreaterThanOrEqual(combined - 1e-9);
      expect(combined).toBeGreaterThanOrEqual(planes - 1e-9);
    }),
  );
});

test('R never rises when the grade falls', () => {
  fc.assert(
    fc.property(
      wall,
      fc.constantFrom('iso6946', 'parallelPath'),
      fc.constantFrom('voidFraction', 'airVoid'),
      (layers, method, school) => {
        const cavity = layers[0] !== undefined && 'cavityRsi' in layers[0] ? layers[0].cavityRsi : 0;
        fc.pre(cavity > 0.18);
        const graded = (grade: 'I' | 'II' | 'III') =>
          effective({ ...base, layers, method, gradeAdjustment: { school, layer: 0, grade } });
        expect(graded('II')).toBeLessThanOrEqual(graded('I') + 1e-12);
        expect(graded('III')).toBeLessThanOrEqual(graded('II') + 1e-12);
      },
    ),
  );
});

test('R never rises when a void grows', () => {
  fc.assert(
    fc.property(wall, fraction, fraction, (layers, one, other) => {
      fc.pre(layers[0] !== undefined && 'cavityRsi' in layers[0] && layers[0].cavityRsi > 0.18);
      const withVoid = (voidFraction: number) =>
        effective({
          ...base,
          layers,
          method: 'iso6946',
          gradeAdjustment: {
            school: 'voidFraction',
            layer: 0,
            measured: { voidFraction, compressedFraction: 0 },
          },
        });
      expect(withVoid(Math.max(one, other))).toBeLessThanOrEqual(withVoid(Math.min(one, other)) + 1e-12);
    }),
  );
});

test('R never rises when poor framing grows', () => {
  fc.assert(
    fc.property(rsi, fraction, fraction, (cavityRsi, one, other) => {
      const withFrame = (framingFraction: number) =>
        effective({
          ...base,
          layers: [{ cavityRsi, frameRsi: cavityRsi / 3, framingFraction }],
          method: 'iso6946',
        });
      expect(withFrame(Math.max(one, other))).toBeLessThanOrEqual(withFrame(Math.min(one, other)) + 1e-12);
    }),
  );
});

test('the price of a grade is the same whichever method the build-up is computed by', () => {
  fc.assert(
    fc.property(wall, (layers) => {
      const price = (method: AssemblyInput['method']) =>
        compute('thermal.assembly', {
          ...base,
          layers,
          method,
          areaM2: 50,
          gradeAdjustment: { school: 'voidFraction', layer: 0, grade: 'III' },
        }).price?.deltaUAWK;
      expect(price('parallelPath')).toBeCloseTo(price('isothermalPlanes') ?? NaN, 9);
    }),
  );
});

describe('refusals name their field', () => {
  const plain: AssemblyInput = {
    layers: [{ rsi: 2 }],
    method: 'iso6946',
    filmConvention: 'iso',
    heatFlow: 'up',
  };
  const fasteners = [{ layer: 0, conductivityWmK: 50, areaM2: 2e-5, perM2: 4 }];
  test.each<[string, object, string, string]>([
    ['a layer without a figure', { layers: [{}] }, 'required', 'layers[0].rsi'],
    [
      'a frame without its share',
      { layers: [{ cavityRsi: 3, frameRsi: 1 }] },
      'required',
      'layers[0].framingFraction',
    ],
    ['two ways of giving a layer', { layers: [{ rsi: 1, conductivityWmK: 1 }] }, 'conflict', 'layers[0].rsi'],
    ['no layers', { layers: [] }, 'list-length', 'layers'],
    [
      'no resistance at all',
      { layers: [{ rsi: 0 }], filmConvention: null, films: { insideRsi: 0, outsideRsi: 0 } },
      'no-resistance',
      'layers',
    ],
    ['films twice', { films: { insideRsi: 0.1, outsideRsi: 0.1 } }, 'conflict', 'filmConvention'],
    ['no direction of heat', { heatFlow: null }, 'required', 'heatFlow'],
    ['fasteners without a thickness', { fasteners }, 'required', 'layers[0].thicknessM'],
    [
      'a grade and a measurement',
      {
        gradeAdjustment: {
          school: 'voidFraction',
          layer: 0,
          grade: 'I',
          measured: { voidFraction: 0, compressedFraction: 0 },
        },
      },
      'conflict',
      'gradeAdjustment.grade',
    ],
    [
      'neither',
      { gradeAdjustment: { school: 'voidFraction', layer: 0 } },
      'required',
      'gradeAdjustment.grade',
    ],
    [
      'more than the whole cavity',
      {
        gradeAdjustment: {
          school: 'voidFraction',
          layer: 0,
          measured: {
            voidFraction: 0.6,
            compressedFraction: 0.6,
            meanFill: 0.8,
            compressedAs: 'underfilled',
          },
        },
      },
      'fraction-sum',
      'gradeAdjustment.measured',
    ],
    [
      'a layer that is not there',
      { gradeAdjustment: { school: 'airVoid', layer: 4, grade: 'I' } },
      'out-of-range',
      'gradeAdjustment.layer',
    ],
    [
      'half a layer',
      { gradeAdjustment: { school: 'airVoid', layer: 0.5, grade: 'I' } },
      'not-a-whole-number',
      'gradeAdjustment.layer',
    ],
  ])('%s', (_name, change, code, field) => {
    expect(() => compute('thermal.assembly', { ...plain, ...change })).toThrow(
      expect.objectContaining({ code, field }),
    );
  });

  test('a refusal is an error of its own class', () => {
    expect(() => compute('thermal.house', { areas: [] })).toThrow(Refusal);
  });
});

test('a batt pressed into a shallower cavity keeps what its check says', () => {
  const r19 = { rsi: 19 * 0.1761101838, thicknessM: 6.25 * 0.0254 };
  const pressed = (inches: number) =>
    compute('thermal.assembly', {
      layers: [{ cavityRsi: r19.rsi, frameRsi: 1, framingFraction: 0, thicknessM: (inches * 0.0254) / 0.7 }],
      method: 'parallelPath',
      films: { insideRsi: 0, outsideRsi: 0.0001 },
      gradeAdjustment: {
        school: 'voidFraction',
        layer: 0,
        measured: {
          voidFraction: 0,
          compressedFraction: 1,
          meanFill: 0.7,
          compressedAs: 'compressed',
          labelThicknessM: r19.thicknessM,
        },
      },
    }).effectiveRsi / 0.1761101838;
  expect(pressed(5.5)).toBeCloseTo(17.6, 0);
  expect(pressed(3.5)).toBeCloseTo(13.1, 0);
});
