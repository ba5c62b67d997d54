import type { RandomSource } from '../random/distributions';
import { project, type Camera, type Pixel, type Place } from './camera';

const rounded = (value: number): string => value.toFixed(1);

/** Pixels joined in turn, as the path of an SVG. */
export function pathOf(pixels: readonly Pixel[], isClosed = true): string {
  return `M${pixels.map(([x, y]) => `${rounded(x)} ${rounded(y)}`).join('L')}${isClosed ? 'Z' : ''}`;
}

/** What is drawn so far, what of it is defined apart, and the means to draw more. */
export interface Ink {
  readonly camera: Camera;
  /** 0…1, the same run of them for the same seed. */
  readonly random: () => number;
  readonly between: (low: number, high: number) => number;
  readonly add: (svg: string) => void;
  readonly define: (svg: string) => void;
  readonly at: (place: Place) => Pixel;
  /** A flat face; gives back its corners in the picture. */
  readonly face: (places: readonly Place[], fill: string) => readonly Pixel[];
  /** Fine lines along one direction of a face that lies flat in the wall, such as the grain of wood. */
  readonly grain: (box: Box, along: 'x' | 'y', count: number, stroke: string, width: number) => void;
  readonly drawn: () => { readonly defs: string; readonly body: string };
}

/** A piece of the wall's plane. */
export interface Box {
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
  readonly top: number;
  readonly z: number;
}

/** An empty picture, to be drawn on with the numbers of a source: the same source draws the same. */
export function openInk(camera: Camera, random: RandomSource): Ink {
  const between = (low: number, high: number) => low + (high - low) * random();
  const body: string[] = [];
  const defs: string[] = [];
  const at = (place: Place) => project(camera, place);
  return {
    camera,
    random,
    between,
    add: (svg) => void body.push(svg),
    define: (svg) => void defs.push(svg),
    at,
    face: (places, fill) => {
      const pixels = places.map(at);
      body.push(`<path d="${pathOf(pixels)}" fill="${fill}"/>`);
      return pixels;
    },
    grain: ({ left, right, bottom, top, z }, along, count, stroke, width) => {
      const lines = Array.from({ length: count }, () => {
        const [x, y] = [between(left, right), between(bottom, top)];
        const length = between(0.04, 0.3);
        const sway = between(-0.006, 0.006);
        const end: Place =
          along === 'x'
            ? [Math.min(right, x + length), Math.min(top, Math.max(bottom, y + sway)), z]
            : [Math.min(right, Math.max(left, x + sway)), Math.min(top, y + length), z];
        return pathOf([at([x, y, z]), at(end)], false);
      });
      body.push(`<path d="${lines.join('')}" fill="none" stroke="${stroke}" stroke-width="${width}"/>`);
    },
    drawn: () => ({ defs: defs.join(''), body: body.join('') }),
  };
}
