/** A file that ends too early, or in which something is not where it must be. */
export class BrokenFile extends Error {}

/** A segment of a JPEG file; the coded pixels of a scan belong to it. */
export interface JpegPart {
  readonly marker: number;
  /** What it says, without its length and without the pixels. */
  readonly content: Uint8Array;
  /** Where it begins and ends in the file. */
  readonly from: number;
  readonly to: number;
}

const MARK = 0xff;
const EOI = 0xd9;
const SOS = 0xda;
const APP0 = 0xe0;
const APP2 = 0xe2;
const APP14 = 0xee;
/** Baseline, extended and progressive frames, coded after Huffman. */
const FRAMES = new Set([0xc0, 0xc1, 0xc2]);
/** Tables of quantisation and of codes, and how often the decoder begins anew. */
const TABLES = new Set([0xdb, 0xc4, 0xdd]);

/** A header of the usual length brings no small picture of its own. */
const JFIF_BYTES = 14;
const ADOBE_BYTES = 12;
/** A profile that says what the colours of a screen are takes some hundred bytes; the first of one is meant. */
const ICC_BYTES_MAX = 4096;
const ICC = 'ICC_PROFILE\0\u0001\u0001';

/** Where the coded pixels of a scan end: at the next marker that is neither a stuffed byte nor a restart. */
function endOfScan(bytes: Uint8Array, from: number): number {
  for (let at = bytes.indexOf(MARK, from); at !== -1; at = bytes.indexOf(MARK, at + 1)) {
    const next = bytes[at + 1];
    if (next === undefined) break;
    if (next !== 0 && next !== MARK && (next < 0xd0 || next > 0xd7)) return at;
  }
  throw new BrokenFile();
}

function uint16(bytes: Uint8Array, at: number): number {
  const [high, low] = bytes.subarray(at, at + 2);
  if (high === undefined || low === undefined) throw new BrokenFile();
  return high * 256 + low;
}

/**
 * The segments of a JPEG file, from the first after its beginning to its end, which comes last. Each is walked over by the
 * length that it says it has, and none is unpacked (ITU-T T.81, annex B).
 * @throws {BrokenFile} while walking
 */
export function* jpegParts(bytes: Uint8Array): Generator<JpegPart> {
  for (let from = 2; ;) {
    const { [from]: mark, [from + 1]: marker } = bytes;
    if (mark !== MARK || marker === undefined) throw new BrokenFile();
    if (marker === EOI) {
      yield { marker, content: bytes.subarray(0, 0), from, to: from + 2 };
      return;
    }
    const length = uint16(bytes, from + 2);
    const end = from + 2 + length;
    if (length < 2 || end > bytes.length) throw new BrokenFile();
    const to = marker === SOS ? endOfScan(bytes, end) : end;
    yield { marker, content: bytes.subarray(from + 4, end), from, to };
    from = to;
  }
}

/** What a segment is to the picture. */
export type JpegRole = 'frame' | 'table' | 'scan' | 'colour' | 'end' | 'beside' | 'unknown';

const startsWith = (content: Uint8Array, text: string): boolean =>
  [...text].every((letter, i) => content[i] === letter.charCodeAt(0));

/** Tells what a segment is to the picture: `beside` is what says more than the picture shows. */
export function jpegRole({ marker, content }: JpegPart): JpegRole {
  if (FRAMES.has(marker)) return 'frame';
  if (TABLES.has(marker)) return 'table';
  if (marker === SOS) return 'scan';
  if (marker === EOI) return 'end';
  const isJfif = marker === APP0 && content.length === JFIF_BYTES && startsWith(content, 'JFIF\0');
  const isAdobe = marker === APP14 && content.length === ADOBE_BYTES && startsWith(content, 'Adobe');
  const isProfile = marker === APP2 && content.length <= ICC_BYTES_MAX && startsWith(content, ICC);
  if (isJfif || isAdobe || isProfile) return 'colour';
  return (marker >= APP0 && marker <= 0xef) || marker === 0xfe ? 'beside' : 'unknown';
}

/** Size of a picture, from the segment of its frame, in pixels. */
export function jpegSize({ content }: JpegPart): { readonly widthPx: number; readonly heightPx: number } {
  return { heightPx: uint16(content, 1), widthPx: uint16(content, 3) };
}

/**
 * A JPEG file without anything but its picture: some browsers write beside it with which camera, and when, it was drawn.
 * @throws {BrokenFile}
 */
export function onlyPicture(bytes: Uint8Array): Uint8Array {
  const pieces = [bytes.subarray(0, 2)];
  for (const part of jpegParts(bytes)) {
    if (jpegRole(part) !== 'beside') pieces.push(bytes.subarray(part.from, part.to));
  }
  const only = new Uint8Array(pieces.reduce((sum, piece) => sum + piece.length, 0));
  let at = 0;
  for (const piece of pieces) {
    only.set(piece, at);
    at += piece.length;
  }
  return only;
}
