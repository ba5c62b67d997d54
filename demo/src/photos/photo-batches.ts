import type { Change, Photo, PhotoBody, PhotoMark } from '@calvet/contract';
import { keptAreas, type SeedBatch } from '../changes';
import { idOf, idsOfHouse } from '../ids';
import { demoHouses, type DemoHouse } from '../scenario';
import type { Pixel } from '@calvet/core/drawing/camera';
import { drawPhoto, type DrawnPhoto } from './draw-photo';
import { photoPlans, type DemoPhoto } from './photo-plans';
import type { PhotoTruth } from './truth';

/** The photos of a house of the scenario: the changes that make their records, and the pictures themselves. */
export interface PhotoBatch extends SeedBatch {
  readonly pictures: readonly DrawnPhoto[];
}

const within = (share: number): number => Math.min(1, Math.max(0, share));

function middleOf(outline: readonly Pixel[]): Pixel {
  const sum = outline.reduce(([x, y], [nextX, nextY]): Pixel => [x + nextX, y + nextY], [0, 0] as Pixel);
  return [sum[0] / outline.length, sum[1] / outline.length];
}

/** Rings around what is wrong, with words at the first: as the person who took the photo drew them. */
function marksOn(
  { flaws, widthPx, heightPx }: PhotoTruth,
  { words, day }: DemoPhoto,
  key: string,
): readonly PhotoMark[] {
  const rings = flaws.map(({ outlinePx }, i) => {
    const [x, y] = middleOf(outlinePx);
    const reach = Math.max(...outlinePx.map(([px, py]) => Math.hypot(px - x, py - y)));
    return {
      id: idOf(`${key} ring ${i}`, day),
      kind: 'ring' as const,
      centre: { x: within(x / widthPx), y: within(y / heightPx) },
      radius: within((reach * 1.12) / widthPx),
    };
  });
  const [first] = rings;
  if (words === undefined || first === undefined) return rings;
  const aspect = widthPx / heightPx;
  const below = within(Math.min(0.94, first.centre.y + first.radius * aspect + 0.06));
  return [
    ...rings,
    {
      id: idOf(`${key} words`, day),
      kind: 'text',
      at: { x: within(first.centre.x - 0.06), y: below },
      text: words,
    },
  ];
}

/** The id of what a photo is of. */
function subjectIdOf(house: DemoHouse, areas: ReturnType<typeof keptAreas>, { of }: DemoPhoto): string {
  const ids = idsOfHouse(house.key, house.begun);
  if (of === undefined) return ids.house;
  if (of.kind === 'airtightnessTest')
    return ids.test(of.index, house.tests[of.index]?.performedOn ?? house.begun);
  const area = areas.find(({ itemName }) => itemName === of.name);
  if (area === undefined) throw new Error(`${house.key} has no “${of.name}”.`);
  return area.id;
}

async function batchOf(house: DemoHouse): Promise<PhotoBatch> {
  const { key: houseKey, begun } = house;
  const plans = photoPlans[houseKey] ?? [];
  const ids = idsOfHouse(houseKey, begun);
  const areas = keptAreas(house);
  const drawn = await Promise.all(plans.map(({ plan }) => drawPhoto(plan)));
  const photoId = (i: number): Photo['id'] => idOf(`${houseKey} photo ${i}`, plans[i]?.day ?? begun, i);
  const changes = plans.map((photo, i): Change<'photo'> => {
    const picture = drawn[i];
    if (picture === undefined) throw new Error('Every plan is drawn.');
    const key = `${houseKey} photo ${i}`;
    const body: PhotoBody = {
      sha256: picture.sha256,
      widthPx: picture.widthPx,
      heightPx: picture.heightPx,
      bytes: picture.jpeg.length,
      takenAt: `${photo.day}T09:${String(10 + i)}:00.000Z`,
      subject: { kind: photo.of?.kind ?? 'house', id: subjectIdOf(house, areas, photo) },
      caption: photo.caption,
      marks: marksOn(picture.truth, photo, key),
      beforeId: photo.before === undefined ? null : photoId(photo.before),
    };
    return {
      changeId: idOf(`change ${key}`, photo.day),
      kind: 'photo',
      id: photoId(i),
      baseRevision: 0,
      op: 'create',
      body,
    };
  });
  return { houseId: ids.house, changes, pictures: drawn };
}

/** The scenario's photos, drawn. Houses without any are left out. */
export async function photoBatches(): Promise<readonly PhotoBatch[]> {
  const batches = await Promise.all(demoHouses.map(batchOf));
  return batches.filter(({ changes }) => changes.length > 0);
}
