import type { Page } from '@playwright/test';
import sharp from 'sharp';

export interface PictureFile {
  readonly name: string;
  readonly mimeType: string;
  readonly buffer: Buffer;
}

/** A picture file of a plain colour with a number's worth of difference, so that no two are the same. */
export async function plainPicture(number: number, width = 800, height = 600): Promise<PictureFile> {
  const background = { r: 40 + (number % 200), g: 90 + (number % 7) * 20, b: 160 - (number % 11) * 10 };
  const buffer = await sharp({ create: { width, height, channels: 3, background } })
    .jpeg()
    .toBuffer();
  return { name: `wall-${number}.jpg`, mimeType: 'image/jpeg', buffer };
}

/** A small picture that says when it was taken: YYYY:MM:DD HH:MM:SS. */
export async function datedPicture(taken: string): Promise<PictureFile> {
  const background = { r: 90, g: 120, b: 60 };
  const buffer = await sharp({ create: { width: 640, height: 480, channels: 3, background } })
    .withExif({ IFD2: { DateTimeOriginal: taken } })
    .jpeg()
    .toBuffer();
  return { name: 'dated.jpg', mimeType: 'image/jpeg', buffer };
}

/**
 * What a phone's camera leaves: 12 megapixels, lying on its side with a note that it has to be turned, with the hour
 * and the place where it was taken. Held upright, its upper half is red.
 */
export async function cameraPicture(): Promise<PictureFile> {
  const [width, height] = [4032, 3024];
  const noise = sharp({
    create: {
      width,
      height,
      channels: 3,
      noise: { type: 'gaussian', mean: 110, sigma: 28 },
      background: '#000',
    },
  });
  // Turned a quarter to the right it stands upright: what is on the left then is above.
  const half = { create: { width: width / 2, height, channels: 3 as const, background: '#d02020' } };
  const buffer = await noise
    .composite([{ input: await sharp(half).png().toBuffer(), left: 0, top: 0 }])
    .withMetadata({ orientation: 6 })
    .withExifMerge({
      IFD2: { DateTimeOriginal: '2026:10:03 14:05:59' },
      IFD3: { GPSLatitude: '41/1 20/1 0/1', GPSLatitudeRef: 'N' },
    })
    .jpeg({ quality: 92 })
    .toBuffer();
  return { name: 'IMG_0001.jpg', mimeType: 'image/jpeg', buffer };
}

/** Chooses files where the page has a button for it. */
export async function choosePictures(page: Page, files: readonly PictureFile[] | string): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose photos' }).click();
  await (await chooser).setFiles(typeof files === 'string' ? files : [...files]);
}

/** Tiles of photos on the page, by what is said of them. */
export const tiles = (page: Page) => page.getByRole('link', { name: /^Photo of/ });
