import { planSizesOperation } from '@calvet/core/plan/sizes';
import { drawingOf, sampleRoof, sampleStorey, shaped } from '../../test/sample-drawing';
import { fittingWings, laidAgain, leaningWing } from './fit-wings';
import { layOutline } from './lay-outline';
import { planInputOf } from './plan-input';
import type { Wall } from './storey';

const part = (outline: readonly Wall[], covered: readonly Wall[] = []) => {
  const corners = (walls: readonly Wall[]) =>
    layOutline({ start: { xM: 0, yM: 0 }, outline: walls }).map(({ from }) => from);
  return { corners: corners(outline), covers: covered.length === 0 ? [] : [corners(covered)] };
};

/** Sizes of a storey under slopes; a roof that does not lie on its walls is refused. */
function sizesUnder(outline: readonly Wall[], end: 'gable' | 'hip') {
  const wings = fittingWings(part(outline), end) ?? [];
  const drawing = drawingOf(sampleStorey('s', { outline }));
  const roofs = [sampleRoof('s', { form: 'slope', pitch: 1, wings })];
  const input = planInputOf({ ...drawing, plans: [], roofs });
  if (input === null) throw new Error('nothing drawn');
  return planSizesOperation.run({ ...input, drawnAt: 'inside' });
}

test('a rectangle is one wing, its ridge along the longer side', () => {
  const wings = fittingWings(part(shaped('rectangle')), 'gable');
  expect(wings).toHaveLength(1);
  expect(wings?.[0]).toMatchObject({ ridge: 'x', lower: { kind: 'gable' }, higher: { kind: 'gable' } });
  // Two gables of 8 m: w²·tan/4 each; 10 m of ridge.
  expect(sizesUnder(shaped('rectangle'), 'gable')).toMatchObject({
    areasM2: { gable: expect.closeTo(2 * 16, 6) as number },
    lengthsM: { ridge: expect.closeTo(10, 6) as number, hip: 0 },
  });
});

test.each(['L', 'T', 'U'] as const)(
  'an %s is a block and what joins its long sides, and lies on the walls',
  (shape) => {
    const wings = fittingWings(part(shaped(shape)), 'hip') ?? [];
    expect(wings.length).toBe(shape === 'U' ? 3 : 2);
    const joins = wings
      .flatMap(({ lower, higher }) => [lower, higher])
      .filter(({ kind }) => kind === 'joins');
    expect(joins).toHaveLength(wings.length - 1);
    expect(sizesUnder(shaped(shape), 'hip').areasM2.slope).toBeGreaterThan(50);
  },
);

test('what another storey stands on is left out', () => {
  const upper = shaped('rectangle', { widthM: 6 });
  const wings = fittingWings(part(shaped('rectangle'), upper), 'gable');
  expect(wings).toHaveLength(1);
  const [only] = wings ?? [];
  expect([only?.x0M, only?.x1M, only?.y0M, only?.y1M].map((m) => Math.round((m ?? NaN) * 1e6) / 1e6)).toEqual(
    [6, 10, -8, 0],
  );
});

test('its ridge runs the other way where that is asked, the whole part still under it', () => {
  const [only] = fittingWings(part(shaped('rectangle')), 'gable', 'y') ?? [];
  expect(only).toMatchObject({ ridge: 'y' });
  expect(only?.x1M).toBeCloseTo(10, 9);
});

test('what another storey and another roof lie over is left out, each', () => {
  const { corners } = part(shaped('rectangle'));
  const strip = (x0M: number, x1M: number) =>
    [x0M, x1M].flatMap((xM, i) => (i === 0 ? [-8, 0] : [0, -8]).map((yM) => ({ xM, yM })));
  const [only] = fittingWings({ corners, covers: [strip(0, 2), strip(7, 10)] }, 'gable') ?? [];
  expect([only?.x0M, only?.x1M].map((m) => Number(m?.toFixed(6)))).toEqual([2, 7]);
});

test('one slope fits a rectangle alone', () => {
  expect(leaningWing(part(shaped('rectangle')), 'y0')).toMatchObject({ low: 'y0' });
  expect(leaningWing(part(shaped('L')), 'y0')).toBeNull();
});

test('walls that are not at right angles, or too many, are for whoever knows the roof', () => {
  const askew = shaped('rectangle').map((wall, i) => (i === 0 ? { ...wall, turnDeg: 80 } : wall));
  expect(fittingWings(part(askew), 'gable')).toBeNull();
  const comb = Array.from({ length: 14 }, (_, i) => [
    { xM: 2 * i, yM: 0 },
    { xM: 2 * i, yM: 1 + i },
    { xM: 2 * i + 1, yM: 1 + i },
    { xM: 2 * i + 1, yM: 0 },
  ]).flat();
  expect(
    fittingWings({ corners: [...comb, { xM: 27, yM: -1 }, { xM: 0, yM: -1 }], covers: [] }, 'gable'),
  ).toBeNull();
});

test('laid again, wings stay the ones that they were, and join as before', () => {
  const wings = fittingWings(part(shaped('T')), 'gable') ?? [];
  const lay = { form: 'slope', end: 'hip', low: 'y0' } as const;
  const again = laidAgain(wings, part(shaped('T', { widthM: 12 })), lay) ?? [];
  expect(again.map(({ id }) => id)).toEqual(wings.map(({ id }) => id));
  expect(again[1]?.lower.kind === 'joins' ? again[1].lower : again[1]?.higher).toEqual({
    kind: 'joins',
    wing: wings[0]?.id,
  });
  expect(laidAgain(wings, part(shaped('T')), { ...lay, form: 'monoSlope' })).toBeNull();

  const mixed = again.map((wing, i) => (i === 0 ? { ...wing, lower: { kind: 'gable' } as const } : wing));
  const [main] = laidAgain(mixed, part(shaped('T')), { form: 'slope', low: 'y0' }) ?? [];
  expect([main?.lower.kind, main?.higher.kind]).toEqual(['gable', 'hip']);
});
