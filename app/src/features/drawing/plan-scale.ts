import type { PlanPlace } from '@calvet/contract/plan/storey';

/** How places of a plan, in m, lie on a picture, in pixels: right stays right, up stays up. */
export interface PlanScale {
  readonly x: (xM: number) => number;
  readonly y: (yM: number) => number;
  readonly pixelsPerM: number;
}

/** The scale at which places fill a picture, as large as they can be. */
export function scaleOver(
  places: readonly PlanPlace[],
  { width, height, margin }: { readonly width: number; readonly height: number; readonly margin: number },
): PlanScale {
  const [xs, ys] = [places.map(({ xM }) => xM), places.map(({ yM }) => yM)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const [acrossM, upM] = [Math.max(x1 - x0, 0.1), Math.max(y1 - y0, 0.1)];
  const pixelsPerM = Math.min((width - 2 * margin) / acrossM, (height - 2 * margin) / upM);
  const [left, top] = [(width - acrossM * pixelsPerM) / 2, (height - upM * pixelsPerM) / 2];
  return {
    x: (xM) => left + (xM - x0) * pixelsPerM,
    y: (yM) => top + (y1 - yM) * pixelsPerM,
    pixelsPerM,
  };
}

/** How wide a sign of the pictures' letters is, about, of their size. */
const SIGN_WIDTH = 0.62;

/** Words that find room in so many pixels, the rest of them left out. */
export function wordsWithin(words: string, pixels: number, fontSize: number): string {
  const room = Math.floor(pixels / (SIGN_WIDTH * fontSize));
  return words.length <= room ? words : `${words.slice(0, Math.max(0, room - 1))}…`;
}
