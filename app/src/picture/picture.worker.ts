import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import { load } from 'exifreader';
import { onlyPicture } from '@calvet/contract/photos/jpeg-parts';
import { PICTURE_SIDE_MAX_PX } from '@calvet/contract/photos/picture-limits';
import type { PictureAnswer, PictureRequest, ReadyPicture } from './messages';
import { fitted, takenAtOf } from './picture-size';

const THUMBNAIL_PX = 480;
const FULL_QUALITY = 0.85;
const THUMBNAIL_QUALITY = 0.75;

/** What a camera writes beside a picture stands at its beginning. */
const HEAD_BYTES = 256 * 1024;

/** The picture, upright and scaled. Made anew from its pixels, it carries nothing of what the file said beside them. */
async function scaled(source: ImageBitmap, sideMaxPx: number, quality: number): Promise<Blob> {
  const { widthPx, heightPx } = fitted(source.width, source.height, sideMaxPx);
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  const context = canvas.getContext('2d');
  if (context === null) throw new Error('This browser cannot draw.');
  context.imageSmoothingQuality = 'high';
  // What is transparent is white on paper.
  context.fillStyle = '#ffffff';
  context.fillRect(0, 0, widthPx, heightPx);
  context.drawImage(source, 0, 0, widthPx, heightPx);
  const drawn = await canvas.convertToBlob({ type: 'image/jpeg', quality });
  const only = onlyPicture(new Uint8Array(await drawn.arrayBuffer()));
  return new Blob([only as Uint8Array<ArrayBuffer>], { type: drawn.type });
}

async function takenAt(file: File): Promise<string | null> {
  try {
    const tags = load(await file.slice(0, HEAD_BYTES).arrayBuffer());
    return takenAtOf(tags.DateTimeOriginal?.description, tags.OffsetTimeOriginal?.description);
  } catch {
    return null;
  }
}

async function upright(file: File): Promise<ImageBitmap | null> {
  try {
    return await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    return null;
  }
}

async function ready(file: File, source: ImageBitmap): Promise<ReadyPicture> {
  const full = await scaled(source, PICTURE_SIDE_MAX_PX, FULL_QUALITY);
  const name = bytesToHex(sha256(new Uint8Array(await full.arrayBuffer())));
  return {
    sha256: name,
    full,
    thumbnail: await scaled(source, THUMBNAIL_PX, THUMBNAIL_QUALITY),
    ...fitted(source.width, source.height, PICTURE_SIDE_MAX_PX),
    takenAt: await takenAt(file),
  };
}

async function answer(file: File): Promise<PictureAnswer> {
  const source = await upright(file);
  if (source === null) return { kind: 'unreadable' };
  try {
    return { kind: 'ready', picture: await ready(file, source) };
  } catch (error) {
    return { kind: 'failed', message: error instanceof Error ? error.message : String(error) };
  } finally {
    source.close();
  }
}

self.onmessage = ({ data }: MessageEvent<PictureRequest>) => {
  void answer(data).then((message) => self.postMessage(message));
};
