import { bodySchemas } from '@calvet/contract/schemas';
import sharp from 'sharp';
import { demoHouses } from '../scenario';
import { areaOf, project, type Camera, type Pixel } from '@calvet/core/drawing/camera';
import { drawPhoto, photoDrawing } from './draw-photo';
import { photoBatches } from './photo-batches';
import { photoPlans } from './photo-plans';
import { shareOf } from './truth';

const allPlans = Object.values(photoPlans).flat();

/** Mean brightness of what lies within some pixels of a place, 0…255. */
async function brightness(jpeg: Buffer, [x, y]: Pixel, reach = 9): Promise<number> {
  const box = {
    left: Math.round(x) - reach,
    top: Math.round(y) - reach,
    width: 2 * reach,
    height: 2 * reach,
  };
  const { channels } = await sharp(await sharp(jpeg).extract(box).toBuffer()).stats();
  return channels.reduce((sum, { mean }) => sum + mean, 0) / channels.length;
}

const middleOf = (outline: readonly Pixel[]): Pixel => [
  outline.reduce((sum, [x]) => sum + x, 0) / outline.length,
  outline.reduce((sum, [, y]) => sum + y, 0) / outline.length,
];

test('a camera straight before the wall sees a metre as so many pixels, the right way up', () => {
  const camera: Camera = { from: [0, 0, 2], yaw: 0, pitch: 0, focalPx: 1000, widthPx: 800, heightPx: 600 };
  expect(project(camera, [0, 0, 0])).toEqual([400, 300]);
  expect(project(camera, [0.5, 0.25, 0])).toEqual([650, 175]);
  // What is farther away is smaller.
  expect(project(camera, [0.5, 0, -2])[0]).toBe(525);
});

test('the same plan gives the same picture, byte by byte; another seed another one', async () => {
  const [photo] = allPlans;
  if (photo === undefined) throw new Error('There are no photos.');
  const [once, again] = await Promise.all([drawPhoto(photo.plan), drawPhoto(photo.plan)]);
  expect(once.sha256).toBe(again.sha256);
  expect((await drawPhoto({ ...photo.plan, seed: 0.9 })).sha256).not.toBe(once.sha256);
});

test('every picture says that it is drawn', () => {
  for (const { plan } of allPlans) expect(photoDrawing(plan).svg).toContain('drawn sample');
});

test.each(allPlans.filter(({ plan }) => photoDrawing(plan).truth.flaws.length > 0))(
  'the truth of “$caption” is where it is seen',
  async ({ plan }) => {
    const { jpeg, truth } = await drawPhoto(plan);
    for (const { what, outlinePx } of truth.flaws) {
      for (const [x, y] of outlinePx) {
        expect(x > 0 && x < truth.widthPx && y > 0 && y < truth.heightPx).toBe(true);
      }
      if (what !== 'void') continue;
      const [x, y] = middleOf(outlinePx);
      const extent = Math.max(...outlinePx.map(([px, py]) => Math.hypot(px - x, py - y)));
      // Through a void one sees the dark behind; beside it the batt is bright.
      const beside = await brightness(jpeg, [x + extent * 1.25, y]);
      expect(await brightness(jpeg, [x, y])).toBeLessThan(0.75 * beside);
    }
  },
);

test('areas of flaws are those that were planned, and make their share of the cavities', () => {
  const { truth } = photoDrawing({
    scene: {
      kind: 'cavities',
      spacingM: 0.645,
      bays: 2,
      depthM: 0.14,
      heightM: 1,
      batt: 'stone',
      flaws: [{ what: 'void', bay: 0, x: 0, y: 0, width: 0.3, height: 0.2 }],
    },
    seed: 0.5,
    distanceM: 1.2,
    daylight: 0.2,
  });
  expect(truth.cavityAreaM2).toBeCloseTo(1.2, 10);
  const [flaw] = truth.flaws;
  // Between an ellipse and the rectangle around it.
  expect(flaw?.areaM2).toBeGreaterThan(0.3 * 0.2 * 0.7);
  expect(flaw?.areaM2).toBeLessThan(0.3 * 0.2);
  expect(shareOf(truth, 'void')).toBeCloseTo((flaw?.areaM2 ?? 0) / 1.2, 10);
  expect(shareOf(truth, 'compressed')).toBe(0);
  expect(
    areaOf([
      [0, 0],
      [2, 0],
      [2, 3],
      [0, 3],
    ]),
  ).toBe(6);
});

test('the records fit their schema and point at records of their house', async () => {
  const batches = await photoBatches();
  expect(batches).toHaveLength(Object.keys(photoPlans).length);
  for (const { changes, pictures } of batches) {
    const ids = new Set(changes.map(({ id }) => id));
    expect(ids.size).toBe(changes.length);
    changes.forEach(({ body }, i) => {
      expect(bodySchemas.photo.validate(body, { convert: false }).error).toBeUndefined();
      expect((body as { sha256: string }).sha256).toBe(pictures[i]?.sha256);
      const { beforeId } = body as { beforeId: string | null };
      if (beforeId !== null) expect(ids.has(beforeId)).toBe(true);
    });
  }
  expect(Object.keys(photoPlans).every((key) => demoHouses.some((house) => house.key === key))).toBe(true);
});
