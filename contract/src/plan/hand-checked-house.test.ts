import { drawingOf, sampleRoof, sampleStorey, shaped } from '../../test/sample-drawing';
import { laidAgain } from './fit-wings';
import { cornersOf, layOutline } from './lay-outline';
import { measureDrawing } from './measured-drawing';
import { withCut, withWall } from './outline-edits';
import { outlineBeside } from './beside-wall';
import { NEW_PLAN } from './plan';
import type { Drawing } from './plan-input';
import { drawnAreas } from './planned-areas';
import type { PlanPlace, Wall } from './storey';

const rectangle = (widthM: number, depthM: number) => shaped('rectangle', { widthM, depthM });

/** The right wall, cut where the garage ends. */
function besideGarage(outline: readonly Wall[]): readonly Wall[] {
  const cut = withCut(outline, 1, 6);
  if (cut === null) throw new Error('It cannot be cut.');
  return withWall(cut.outline, cut.parts[0], { boundary: 'garage' });
}

const cellar = sampleStorey('cellar', { level: -1, heightM: 2.2, outline: rectangle(5, 8) });
const ground = sampleStorey('ground', {
  floorDepthM: 0.25,
  outline: besideGarage(rectangle(12, 8)),
});
/** Steps in at the left and at the front, and hangs over the garage at the right. */
const upper = sampleStorey('upper', {
  level: 1,
  heightM: 2.4,
  floorDepthM: 0.3,
  under: 'outdoors',
  start: { xM: 4, yM: 0 },
  outline: rectangle(12, 6),
});

const box = (x0M: number, x1M: number, y0M: number, y1M: number): readonly PlanPlace[] => [
  { xM: x0M, yM: y1M },
  { xM: x1M, yM: y1M },
  { xM: x1M, yM: y0M },
  { xM: x0M, yM: y0M },
];
const wallBesideGarage = layOutline(ground)[1];
if (wallBesideGarage === undefined) throw new Error('no wall');

const lean = laidAgain(
  [],
  { corners: cornersOf(ground), covers: [cornersOf(upper), box(4, 12, -8, -6)] },
  { form: 'monoSlope', low: 'x1' },
);
const slopes = laidAgain(
  [],
  { corners: cornersOf(upper), covers: [box(4, 8, -6, 0)] },
  { form: 'slope', low: 'y0' },
);

const drawing: Drawing = {
  ...drawingOf(cellar, ground, upper),
  plans: [
    {
      ...NEW_PLAN,
      ...{ id: 'plan', ledgerId: 'h', revision: 1, updatedAt: '', updatedBy: '', deletedAt: null },
      face: 'inside',
      drawnAt: 'inside',
      buildUps: [],
    },
  ],
  zones: [
    {
      ...{ id: 'zone', ledgerId: 'h', revision: 1, updatedAt: '', updatedBy: '', deletedAt: null },
      name: 'Garage',
      storeyId: 'ground',
      use: 'garage',
      outline: outlineBeside(wallBesideGarage, { fromM: 0, toM: 6, depthM: 4 }),
    },
  ],
  roofs: [
    sampleRoof('cellar'),
    sampleRoof('ground', { id: 'terrace', form: 'flatRoof', outline: box(4, 12, -8, -6) }),
    sampleRoof('ground', { id: 'lean', form: 'monoSlope', pitch: 0.5, wings: lean ?? [] }),
    sampleRoof('upper', { id: 'flat', outline: box(4, 8, -6, 0) }),
    sampleRoof('upper', { id: 'slopes', form: 'slope', pitch: 1, wings: slopes ?? [] }),
  ],
};

const measured = measureDrawing(drawing);
if (measured.state !== 'measured') throw new Error(JSON.stringify(measured));

/** Areas of a kind that are named so, added up. */
const areaOf = (kind: string, named: RegExp): number =>
  drawnAreas(drawing, measured)
    .filter((area) => area.kind === kind && named.test(area.name))
    .reduce((sum, { areaM2 }) => sum + (areaM2 ?? NaN), 0);

test('half a basement, a room over the garage and four roofs have the sizes that a pencil gives', () => {
  // Floors: 40 in the cellar, 96 above it, 72 above that.
  expect(measured.house.floorAreaM2).toBeCloseTo(40 + 96 + 72, 9);
  // Clear heights; one slope over 4 m × 8 m: 4²·0.5/2·8; slopes over 8 m × 6 m: 6²·1/4·8.
  expect(measured.house.volumeM3).toBeCloseTo(40 * 2.2 + 96 * 2.5 + 72 * 2.4 + 32 + 72, 9);
  // Ridge 3 m above the upper heads.
  expect(measured.house.heightM).toBeCloseTo(2.2 + 0.25 + 2.5 + 0.3 + 2.4 + 3, 9);

  const walls = 26 * 2.2 + 40 * 2.5 + 36 * 2.4;
  // 18 m over the cellar's walls; 8 m over the ground floor's back wall, 14 m over air.
  const rims = 18 * 0.25 + (8 + 14) * 0.3;
  // The high side of the one slope with its two cheeks; two gables of 6 m.
  const gables = 4 * 0.5 * 8 + 4 ** 2 * 0.5 + 2 * (6 ** 2 / 4);
  const roofs = 16 + 32 * Math.sqrt(1 + 0.5 ** 2) + 24 + 48 * Math.SQRT2;
  const floors = 40 + (96 - 40) + 24;
  expect(measured.house.envelopeAreaM2).toBeCloseTo(walls + rims + gables + roofs + floors, 9);
});

test('each part of it is an area by itself', () => {
  expect(areaOf('floor', /on the ground$/)).toBeCloseTo(40 + 56, 9);
  expect(areaOf('floor', /over Garage$/)).toBeCloseTo(24, 9);
  expect(areaOf('wall', /to garage$/)).toBeCloseTo(6 * 2.5, 9);
  expect(areaOf('rim', /^upper/)).toBeCloseTo(22 * 0.3, 9);
  expect(areaOf('ceiling', /./)).toBeCloseTo(24, 9);
  expect(areaOf('roof', /./)).toBeCloseTo(16 + 32 * Math.sqrt(1.25) + 48 * Math.SQRT2, 9);
});
