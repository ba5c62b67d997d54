import type { BuildUp } from '../installation/area';
import type { BuildUpLayer } from '../installation/layer';
import { AIR_BARRIER_WORDS, type AirBarrier } from '../plan/schools';

/** What keeps air out of an area, in words: a window or door is tight in itself. */
export const TIGHT_BY_WORDS = { ...AIR_BARRIER_WORDS, frameAndLeaf: 'Frame and leaf' } as const;

export type TightBy = AirBarrier | 'frameAndLeaf';

/** A frame with less in it is a space for services, and no part of what insulates. */
const SERVICE_SPACE_RSI = 0.5;
/** What is thicker stands outside the frame for another end than to sheathe it. */
const SHEATHING_MAX_M = 0.03;
/** What conducts less is no masonry. */
const MASONRY_MIN_WMK = 0.15;

/** How thick a layer is, m; null where only its resistance is known. */
export const thicknessOf = (layer: BuildUpLayer): number | null =>
  layer.kind === 'resistance' ? null : layer.thicknessM;

const isInsulatedFrame = (layer: BuildUpLayer): boolean =>
  layer.kind === 'framed' && layer.cavityRsi >= SERVICE_SPACE_RSI;

/** Position of the layer that is masonry: the thickest that conducts; −1: there is none. */
function masonryAt(layers: readonly BuildUpLayer[]): number {
  const depths = layers.map((layer) =>
    layer.kind === 'material' && layer.conductivityWmK >= MASONRY_MIN_WMK ? layer.thicknessM : 0,
  );
  const most = Math.max(...depths);
  return most > SHEATHING_MAX_M ? depths.indexOf(most) : -1;
}

/**
 * On which face in a build-up its air barrier lies: 0 is the inner face of its first layer, n the outer face of the nth. It goes
 * by what holds the insulation: a sheet or sheathing inside lies on its warm face, outer sheathing is the thin layer that
 * follows it; a lining is the first layer; a coat lies on the warm face of the masonry; of a
 * window or door nothing is told, and it is taken at its inner face.
 */
export function barrierFace(
  { layers, gradedLayer }: Pick<BuildUp, 'layers' | 'gradedLayer'>,
  barrier: TightBy,
): number {
  const frames = layers.flatMap((layer, i) => (isInsulatedFrame(layer) ? [i] : []));
  const graded = layers.findIndex(({ id }) => id === gradedLayer);
  const held = frames.length > 0 ? frames : graded === -1 ? [] : [graded];
  switch (barrier) {
    case 'barrierInnerMembrane':
    case 'barrierInnerSheathing':
      return held[0] ?? Math.min(1, layers.length);
    case 'barrierOuterSheathing': {
      const last = held.at(-1);
      if (last === undefined) return layers.length;
      const next = layers[last + 1];
      const isSheathed = next !== undefined && (thicknessOf(next) ?? Infinity) <= SHEATHING_MAX_M;
      return last + (isSheathed ? 2 : 1);
    }
    case 'barrierGasketedLining':
      return Math.min(1, layers.length);
    case 'frameAndLeaf':
      return 0;
    case 'barrierMasonryCoat':
      return Math.max(0, masonryAt(layers));
  }
}
