import { crc32, deflateSync } from 'node:zlib';
import sharp from 'sharp';

/** A segment of a JPEG file. */
export function jpegSegment(marker: number, content: Buffer): Buffer {
  const head = Buffer.from([0xff, marker, 0, 0]);
  head.writeUInt16BE(content.length + 2, 2);
  return Buffer.concat([head, content]);
}

/** A JPEG file with more after its first two bytes. */
export const withSegment = (jpeg: Buffer, marker: number, content: Buffer): Buffer =>
  Buffer.concat([jpeg.subarray(0, 2), jpegSegment(marker, content), jpeg.subarray(2)]);

/** A chunk of a PNG file. */
export function pngChunk(name: string, content: Buffer): Buffer {
  const named = Buffer.concat([Buffer.from(name, 'latin1'), content]);
  const head = Buffer.alloc(4);
  head.writeUInt32BE(content.length);
  const tail = Buffer.alloc(4);
  tail.writeUInt32BE(crc32(named));
  return Buffer.concat([head, named, tail]);
}

const PNG_HEADER_BYTES = 33;

/** A PNG file with another chunk after its header. */
export const withChunk = (png: Buffer, name: string, content: Buffer): Buffer =>
  Buffer.concat([png.subarray(0, PNG_HEADER_BYTES), pngChunk(name, content), png.subarray(PNG_HEADER_BYTES)]);

/** A WebP file with another chunk at its end. */
export function withWebpChunk(webp: Buffer, name: string, content: Buffer): Buffer {
  const head = Buffer.alloc(8);
  head.write(name, 'latin1');
  head.writeUInt32LE(content.length, 4);
  const filled = content.length % 2 === 0 ? content : Buffer.concat([content, Buffer.alloc(1)]);
  const whole = Buffer.concat([webp, head, filled]);
  whole.writeUInt32LE(whole.length - 8, 4);
  return whole;
}

const plain = (side = 64) =>
  sharp({ create: { width: side, height: side, channels: 3, background: '#a66' } });

/** Text of so many megabytes that packs into a few kilobytes. */
const packed = (megabytes: number): Buffer =>
  Buffer.concat([Buffer.from('Comment\0\0', 'latin1'), deflateSync(Buffer.alloc(megabytes * 1_000_000, 97))]);

/** A picture of a few bytes that says it has many pixels. */
async function pngOf(side: number): Promise<Buffer> {
  const bytes = Buffer.from(await plain().png().toBuffer());
  bytes.writeUInt32BE(side, 16);
  bytes.writeUInt32BE(side, 20);
  bytes.writeUInt32BE(crc32(bytes.subarray(12, 29)), 29);
  return bytes;
}

/** A progressive picture whose last scan comes over and over. */
async function manyScans(count: number): Promise<Buffer> {
  const bytes = await plain(2048).jpeg({ progressive: true }).toBuffer();
  const last = bytes.lastIndexOf(Buffer.from([0xff, 0xda]));
  const scan = bytes.subarray(last, -2);
  return Buffer.concat([
    bytes.subarray(0, -2),
    ...Array.from({ length: count }, () => scan),
    bytes.subarray(-2),
  ]);
}

/** Files that look like pictures and are meant to do harm, or to carry along what nobody sees, and how each is refused. */
export const HOSTILE: readonly (readonly [name: string, make: () => Promise<Buffer>, code: string])[] = [
  [
    'a PNG with text of 48 MB in one packed chunk',
    async () => withChunk(await plain().png().toBuffer(), 'zTXt', packed(48)),
    'picture-tells-more',
  ],
  [
    'a PNG with a packed profile',
    async () => withChunk(await plain().png().toBuffer(), 'iCCP', packed(20)),
    'picture-tells-more',
  ],
  [
    'a PNG with a chunk of its own',
    async () => withChunk(await plain().png().toBuffer(), 'prVt', Buffer.from('secret')),
    'picture-tells-more',
  ],
  [
    'a PNG with bytes after its end',
    async () => Buffer.concat([await plain().png().toBuffer(), Buffer.from('PK\x03\x04 secret')]),
    'picture-tells-more',
  ],
  ['a PNG of 60,000 pixels a side', () => pngOf(60_000), 'picture-too-large'],
  [
    'a JPEG with a comment',
    async () => withSegment(await plain().jpeg().toBuffer(), 0xfe, Buffer.from('secret')),
    'picture-tells-more',
  ],
  ...[0xe1, 0xe2, 0xe5, 0xed, 0xef].map(
    (marker) =>
      [
        `a JPEG with a segment of application ${marker - 0xe0}`,
        async () => withSegment(await plain().jpeg().toBuffer(), marker, Buffer.from('Anything\0secret')),
        'picture-tells-more',
      ] as const,
  ),
  [
    'a JPEG whose header brings a small picture',
    async () => {
      const header = Buffer.concat([
        Buffer.from('JFIF\0\x01\x02\0\0\x01\0\x01\x02\x02', 'latin1'),
        Buffer.alloc(12),
      ]);
      return withSegment(await plain().jpeg().toBuffer(), 0xe0, header);
    },
    'picture-tells-more',
  ],
  [
    'a JPEG with another file behind it',
    async () => Buffer.concat([await plain().jpeg().toBuffer(), await plain().jpeg().toBuffer()]),
    'picture-tells-more',
  ],
  [
    'a JPEG with a profile of 20 kB',
    async () =>
      withSegment(
        await plain().jpeg().toBuffer(),
        0xe2,
        Buffer.concat([Buffer.from('ICC_PROFILE\0\x01\x01', 'latin1'), Buffer.alloc(20_000, 97)]),
      ),
    'picture-tells-more',
  ],
  [
    'a JPEG with one profile after another',
    async () => {
      const profile = Buffer.concat([Buffer.from('ICC_PROFILE\0\x01\x01', 'latin1'), Buffer.alloc(4000, 97)]);
      let picture: Buffer = await plain().jpeg().toBuffer();
      for (let i = 0; i < 5; i++) picture = withSegment(picture, 0xe2, profile);
      return picture;
    },
    'picture-tells-more',
  ],
  ['a JPEG of 3,000 scans', () => manyScans(3000), 'no-picture'],
  [
    'a WebP with what a camera says',
    async () => withWebpChunk(await plain().webp().toBuffer(), 'EXIF', Buffer.from('secret')),
    'picture-tells-more',
  ],
  [
    'a WebP that moves',
    async () => {
      const frames = Buffer.alloc(64 * 128 * 3, 9);
      frames.fill(200, 64 * 64 * 3);
      return sharp(frames, { raw: { width: 64, height: 128, channels: 3, pageHeight: 64 } })
        .webp({ loop: 0, delay: [100, 100] })
        .toBuffer();
    },
    'picture-tells-more',
  ],
  ['a GIF', () => plain().gif().toBuffer(), 'no-picture'],
  ['a TIFF', () => plain().tiff().toBuffer(), 'no-picture'],
];
