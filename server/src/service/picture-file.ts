import { BrokenFile, jpegParts, jpegRole, jpegSize } from '@calvet/contract/photos/jpeg-parts';

/** A picture's own file, as far as it can be told without reading its pixels. */
export interface PictureFile {
  readonly mediaType: 'image/jpeg' | 'image/png' | 'image/webp';
  readonly widthPx: number;
  readonly heightPx: number;
}

/** Why a file is not taken for a picture, or not for one that may be kept. */
export type FileFault = 'no-picture' | 'picture-tells-more';

/** A file that is not one of a picture and nothing else. */
export class NotOnlyPicture extends Error {
  constructor(readonly code: FileFault) {
    super(code);
  }
}

const broken = (): NotOnlyPicture => new NotOnlyPicture('no-picture');
const more = (): NotOnlyPicture => new NotOnlyPicture('picture-tells-more');

const ascii = (bytes: Buffer, from: number, length: number): string =>
  bytes.toString('latin1', from, from + length);

/** Bytes of a part of a file, which end where it says they do. */
function piece(bytes: Buffer, from: number, length: number): Buffer {
  if (from + length > bytes.length) throw broken();
  return bytes.subarray(from, from + length);
}

/** A progressive picture has about ten scans; thousands of empty ones cost a decoder seconds. */
const SCANS_MAX = 30;
/** Tables are a few hundred bytes a scan. */
const TABLE_BYTES_MAX = 32_000;
/** A header, a profile, and what says that there are four inks. */
const COLOURS_MAX = 3;

type Size = Pick<PictureFile, 'widthPx' | 'heightPx'>;

function readJpeg(bytes: Buffer): PictureFile {
  let size: Size | null = null;
  let scans = 0;
  let tableBytes = 0;
  let colours = 0;
  for (const part of jpegParts(bytes)) {
    switch (jpegRole(part)) {
      case 'frame':
        if (size !== null) throw broken();
        size = jpegSize(part);
        break;
      case 'table':
        tableBytes += part.content.length;
        if (tableBytes > TABLE_BYTES_MAX) throw broken();
        break;
      case 'scan':
        if (size === null || ++scans > SCANS_MAX) throw broken();
        break;
      case 'beside':
        throw more();
      case 'unknown':
        throw broken();
      case 'end':
        if (part.to !== bytes.length) throw more();
        break;
      case 'colour':
        if (++colours > COLOURS_MAX) throw more();
    }
  }
  if (size === null || scans === 0) throw broken();
  return { mediaType: 'image/jpeg', ...size };
}

// PNG, after ISO/IEC 15948: chunks of a length, a name, as many bytes and a check sum.

const PNG_SIGNATURE = Buffer.from('\x89PNG\r\n\x1a\n', 'latin1');
/**
 * Chunks that say what the pixels are, how wide for how high, and what colours they mean, and how many bytes that takes at
 * most; packed text and profiles are not among them.
 */
const PNG_CHUNKS: ReadonlyMap<string, number> = new Map([
  ['IHDR', 13],
  ['PLTE', 768],
  ['IDAT', Infinity],
  ['IEND', 0],
  ['tRNS', 256],
  ['bKGD', 6],
  ['pHYs', 9],
  ['gAMA', 4],
  ['cHRM', 32],
  ['sRGB', 1],
  ['sBIT', 4],
]);

function readPng(bytes: Buffer): PictureFile {
  const header = piece(bytes, PNG_SIGNATURE.length, 25);
  if (header.readUInt32BE(0) !== 13 || ascii(header, 4, 4) !== 'IHDR') throw broken();
  let at = PNG_SIGNATURE.length;
  let pixels = 0;
  for (let name = ''; name !== 'IEND';) {
    const head = piece(bytes, at, 8);
    const length = head.readUInt32BE();
    name = ascii(head, 4, 4);
    if (!/^[A-Za-z]{4}$/.test(name)) throw broken();
    if (length > (PNG_CHUNKS.get(name) ?? -1)) throw more();
    if (name === 'IHDR' && at !== PNG_SIGNATURE.length) throw broken();
    if (name === 'IDAT') pixels += length;
    piece(bytes, at + 8, length + 4);
    at += 12 + length;
  }
  if (pixels === 0) throw broken();
  if (at !== bytes.length) throw more();
  return { mediaType: 'image/png', widthPx: header.readUInt32BE(8), heightPx: header.readUInt32BE(12) };
}

// WebP, after RFC 9649: a RIFF file of chunks of a name, a length and as many bytes, filled up to an even number.

const WEBP_CHUNKS = new Set(['VP8 ', 'VP8L', 'VP8X', 'ALPH']);
/** Of an extended file: a picture that moves, and what is told beside it. */
const WEBP_TELLS_MORE = 0b0010_1110;

function webpSize(name: string, content: Buffer): Size | null {
  if (name === 'VP8 ') {
    // RFC 6386, 9.1: three bytes of the frame, three that are always the same, two numbers of 14 bits.
    if (content.length < 10 || content.readUIntBE(3, 3) !== 0x9d012a) throw broken();
    return { widthPx: content.readUInt16LE(6) & 0x3fff, heightPx: content.readUInt16LE(8) & 0x3fff };
  }
  if (name === 'VP8L') {
    if (content.length < 5 || content[0] !== 0x2f) throw broken();
    const bits = content.readUInt32LE(1);
    return { widthPx: (bits & 0x3fff) + 1, heightPx: ((bits >>> 14) & 0x3fff) + 1 };
  }
  return null;
}

function readWebp(bytes: Buffer): PictureFile {
  if (bytes.readUInt32LE(4) + 8 !== bytes.length) throw more();
  let size: Size | null = null;
  for (let at = 12; at < bytes.length;) {
    const head = piece(bytes, at, 8);
    const name = ascii(head, 0, 4);
    const length = head.readUInt32LE(4);
    if (!WEBP_CHUNKS.has(name)) throw more();
    const content = piece(bytes, at + 8, length);
    if (name === 'VP8X' && ((content[0] ?? 0) & WEBP_TELLS_MORE) !== 0) throw more();
    const found = webpSize(name, content);
    if (found !== null && size !== null) throw broken();
    size = found ?? size;
    at += 8 + length + (length % 2);
  }
  if (size === null) throw broken();
  return { mediaType: 'image/webp', ...size };
}

/** The type of a picture by its first bytes, whatever follows; null where they are of none that is taken. */
export function mediaTypeOf(bytes: Buffer): PictureFile['mediaType'] | null {
  if (bytes[0] === 0xff && bytes[1] === 0xd8) return 'image/jpeg';
  if (bytes.subarray(0, PNG_SIGNATURE.length).equals(PNG_SIGNATURE)) return 'image/png';
  if (bytes.length >= 12 && ascii(bytes, 0, 4) === 'RIFF' && ascii(bytes, 8, 4) === 'WEBP')
    return 'image/webp';
  return null;
}

const READERS: Readonly<Record<PictureFile['mediaType'], (bytes: Buffer) => PictureFile>> = {
  'image/jpeg': readJpeg,
  'image/png': readPng,
  'image/webp': readWebp,
};

function readerOf(mediaType: PictureFile['mediaType'] | null): (bytes: Buffer) => PictureFile {
  if (mediaType === null) throw broken();
  return READERS[mediaType];
}

/**
 * Walks the file of a picture from part to part, by the length that each says it has, and unpacks nothing. What is let
 * through is the picture's size, its colours and its pixels, once each, and the end.
 * @throws {NotOnlyPicture} `no-picture` where it is none of JPEG, PNG and WebP, or is broken; `picture-tells-more` where
 * something else is in it
 */
export function readPictureFile(bytes: Buffer): PictureFile {
  try {
    return readerOf(mediaTypeOf(bytes))(bytes);
  } catch (error) {
    throw error instanceof BrokenFile ? broken() : error;
  }
}
