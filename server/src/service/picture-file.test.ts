import { onlyPicture } from '@calvet/contract/photos/jpeg-parts';
import fc from 'fast-check';
import sharp, { type Sharp } from 'sharp';
import { withSegment } from '../../test/hostile-pictures';
import { testPicture } from '../../test/pictures';
import { NotOnlyPicture, readPictureFile } from './picture-file';

const speckled = async (): Promise<Sharp> => sharp((await testPicture(7, 96)).bytes);
const transparent = async (): Promise<Sharp> => (await speckled()).ensureAlpha(0.5);

test.each<[string, () => Promise<Buffer>]>([
  ['JPEG', async () => (await speckled()).jpeg().toBuffer()],
  ['JPEG in steps', async () => (await speckled()).jpeg({ progressive: true }).toBuffer()],
  ['JPEG in grey', async () => (await speckled()).greyscale().jpeg().toBuffer()],
  ['JPEG with restarts', async () => (await speckled()).jpeg({ mozjpeg: true }).toBuffer()],
  ['JPEG in four inks', async () => (await speckled()).toColourspace('cmyk').jpeg().toBuffer()],
  [
    'JPEG that says which colours it has',
    async () => (await speckled()).withIccProfile('p3').jpeg().toBuffer(),
  ],
  ['PNG', async () => (await speckled()).png().toBuffer()],
  ['PNG in lines that come apart', async () => (await speckled()).png({ progressive: true }).toBuffer()],
  ['PNG with a palette', async () => (await speckled()).png({ palette: true }).toBuffer()],
  ['PNG that is seen through', async () => (await transparent()).png().toBuffer()],
  ['PNG of 16 bits', async () => (await speckled()).toColourspace('rgb16').png().toBuffer()],
  ['WebP', async () => (await speckled()).webp().toBuffer()],
  ['WebP without loss', async () => (await speckled()).webp({ lossless: true }).toBuffer()],
  ['WebP that is seen through', async () => (await transparent()).webp().toBuffer()],
])('%s is read, and its size is the decoder’s', async (_name, make) => {
  const bytes = await make();
  const { width, height, format } = await sharp(bytes).metadata();
  expect(readPictureFile(bytes)).toEqual({ mediaType: `image/${format}`, widthPx: width, heightPx: height });
});

/** What becomes of bytes: read, refused, or something that must not be. */
function outcome(bytes: Buffer): string {
  try {
    readPictureFile(bytes);
    return 'read';
  } catch (error) {
    return error instanceof NotOnlyPicture ? 'refused' : String(error);
  }
}

test('cut off anywhere it is refused', async () => {
  for (const bytes of [
    (await testPicture(8, 24)).bytes,
    await (await speckled()).png({ palette: true }).toBuffer(),
    await (await transparent()).resize(20).webp().toBuffer(),
  ]) {
    for (let end = 0; end < bytes.length; end++) expect(outcome(bytes.subarray(0, end))).toBe('refused');
  }
});

test('whatever is in it, it is read or refused, and in no time', async () => {
  const begins = [
    (await testPicture(9, 24)).bytes,
    await (await speckled()).png().toBuffer(),
    await (await transparent()).webp().toBuffer(),
  ];
  fc.assert(
    fc.property(
      fc.constantFrom(...begins),
      fc.array(fc.tuple(fc.nat(), fc.nat(255)), { maxLength: 6 }),
      fc.uint8Array({ maxLength: 40 }),
      (bytes, changes, behind) => {
        const changed = Buffer.concat([bytes, behind]);
        for (const [at, value] of changes) changed[at % Math.min(changed.length, 200)] = value;
        expect(['read', 'refused']).toContain(outcome(changed));
      },
    ),
    { numRuns: 2000 },
  );
});

test('what a device writes beside the pixels goes, and the pixels stay', async () => {
  const { bytes } = await testPicture(10, 64);
  const written = withSegment(
    withSegment(
      Buffer.concat([bytes, Buffer.from('behind')]),
      0xe1,
      Buffer.from('Exif\0\0where it was taken'),
    ),
    0xe2,
    Buffer.from('ICC_PROFILE\0what the screen is'),
  );
  expect(outcome(written)).toBe('refused');
  const only = Buffer.from(onlyPicture(written));
  expect(only.equals(bytes)).toBe(true);
  expect(readPictureFile(only)).toMatchObject({ widthPx: 64, heightPx: 64 });
});
