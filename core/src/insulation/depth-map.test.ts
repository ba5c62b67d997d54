import { examples } from '../examples';
import { compute } from '../operations';

const layer = {
  kind: 'looseFill',
  widthM: 10,
  heightM: 6,
  conductivityWmK: 0.04,
  specifiedDepthM: 0.36,
  restRsi: 0.4,
  settlingFraction: 0.1,
} as const;

/** A grid of readings over a part of the area. */
const grid = (x0: number, x1: number, count: number, depthM: number) =>
  Array.from({ length: count }, (_, i) => ({
    xM: x0 + ((i % 3) + 0.5) * ((x1 - x0) / 3),
    yM: (Math.floor(i / 3) + 0.5) * (6 / Math.ceil(count / 3)),
    depthM,
  }));

test('ten readings in a deep corner hide no shallow rest', () => {
  const deep = grid(0, 1.5, 10, 0.45);
  const shallow = grid(1.5, 10, 3, 0.2);
  const readings = [...deep, ...shallow];
  const onMap = compute('insulation.depthMap', { ...layer, readings });
  const { widthM: _w, heightM: _h, ...rest } = layer;
  const unweighed = compute('insulation.depth', { ...rest, depthsM: readings.map(({ depthM }) => depthM) });
  expect(unweighed.meanDepthM).toBeGreaterThan(0.38);
  expect(onMap.meanDepthM).toBeLessThan(0.28);
  expect(onMap.belowShare).toBeGreaterThan(0.7);
  expect(onMap.effectiveRsi).toBeLessThan(unweighed.effectiveRsi * 0.75);
});

test('even depths are worth what they are anywhere, and a reading that stands for much is told of', () => {
  const readings = grid(0, 10, 9, 0.36);
  const { meanDepthM, effectiveRsi, findings } = compute('insulation.depthMap', { ...layer, readings });
  expect(meanDepthM).toBeCloseTo(0.36, 12);
  expect(effectiveRsi).toBeCloseTo((0.36 * 0.9) / 0.04, 12);
  expect(findings).toEqual([]);
  const alone = compute('insulation.depthMap', { ...layer, readings: readings.slice(0, 1) });
  expect(alone.findings).toMatchObject([{ rule: 'sparse-readings', reading: 0, limit: 28 }]);
});

test('foam is accepted by its weighed mean, and few readings alone do not refuse it', () => {
  const foam = { ...layer, kind: 'sprayedFoam', settlingFraction: undefined, specifiedDepthM: 0.08 } as const;
  const of = (depthM: number) =>
    compute('insulation.depthMap', { ...foam, readings: grid(0, 10, 4, depthM) });
  expect(of(0.08)).toMatchObject({ accepted: true, belowShare: 0 });
  expect(of(0.08).findings.map(({ rule }) => rule)).toContain('sparse-readings');
  expect(of(0.07)).toMatchObject({ accepted: false, belowShare: 0 });
  expect(of(0.05)).toMatchObject({ accepted: false });
  expect(of(0.05).belowShare).toBeCloseTo(1, 12);
});

test.each([
  ['a spot that was read twice', { xM: 1, yM: 1, depthM: 0.2 }, 'duplicate-point', 'readings[5]'],
  ['a reading off the area', { xM: 1, yM: -0.1, depthM: 0.2 }, 'out-of-range', 'readings[5].yM'],
])('%s is refused', (_name, reading, code, field) => {
  const example = examples['insulation.depthMap'];
  expect(() =>
    compute('insulation.depthMap', { ...example, readings: [...example.readings, reading] }),
  ).toThrow(expect.objectContaining({ code, field }));
});
