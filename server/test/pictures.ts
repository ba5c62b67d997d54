import { createHash } from 'node:crypto';
import sharp from 'sharp';

export interface TestPicture {
  readonly bytes: Buffer;
  readonly sha256: string;
}

export const named = (bytes: Buffer): TestPicture => ({
  bytes,
  sha256: createHash('sha256').update(bytes).digest('hex'),
});

/** A picture that no other call gives: speckled, so that it does not pack well. */
export async function testPicture(seed: number, side = 320): Promise<TestPicture> {
  let state = seed + 1;
  const pixels = Buffer.alloc(side * side * 3);
  for (let i = 0; i < pixels.length; i++) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    pixels[i] = state >>> 24;
  }
  return named(
    await sharp(pixels, { raw: { width: side, height: side, channels: 3 } })
      .jpeg()
      .toBuffer(),
  );
}
