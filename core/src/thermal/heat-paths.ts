import { exceeds } from '../finding';
import { Refusal } from '../refusal';
import type { Films } from './films';
import type { Layer } from './layer';

/** How frames of several layers stand to each other: one behind the other, or never. */
export type FrameAlignment = 'aligned' | 'offset';

/** A way for heat straight through the build-up: its share of the area, and which layers it crosses in the frame. */
export interface HeatPath {
  readonly share: number;
  /** Indices of the layers that this path crosses in their frame. */
  readonly framed: ReadonlySet<number>;
}

type FramedLayer = readonly [index: number, layer: Layer];

function framedLayers(layers: readonly Layer[]): readonly FramedLayer[] {
  return layers.flatMap((layer, index): FramedLayer[] => (layer.kind === 'framed' ? [[index, layer]] : []));
}

/** Frames nested behind the widest one: shares 1−f1, f1−f2, …, fK with f falling. */
function alignedPaths(framed: readonly FramedLayer[]): readonly HeatPath[] {
  const widestFirst = [...framed].sort(([, a], [, b]) => b.framingFraction - a.framingFraction);
  const fractionAt = (i: number): number => (i < 0 ? 1 : (widestFirst[i]?.[1].framingFraction ?? 0));
  return Array.from({ length: widestFirst.length + 1 }, (_, count) => ({
    share: fractionAt(count - 1) - fractionAt(count),
    framed: new Set(widestFirst.slice(0, count).map(([index]) => index)),
  }));
}

/** Frames that never overlap: one path for each, and the rest between them all. */
function offsetPaths(framed: readonly FramedLayer[]): readonly HeatPath[] {
  const sum = framed.reduce((total, [, layer]) => total + layer.framingFraction, 0);
  if (exceeds(sum, 1)) {
    throw new Refusal(
      'framing-fraction-sum',
      'layers',
      'Offset frames cannot fill more than the whole area.',
      {
        value: sum,
        bound: 1,
      },
    );
  }
  return [
    { share: Math.max(0, 1 - sum), framed: new Set() },
    ...framed.map(([index, layer]) => ({ share: layer.framingFraction, framed: new Set([index]) })),
  ];
}

/**
 * The paths of heat through a build-up; their shares sum to 1 and paths without a share are left out.
 * @example heatPaths([{ kind: 'framed', cavityRsi: 3.7, frameRsi: 1.1, framingFraction: 0.15 }], undefined).map(({ share }) => share) // [0.85, 0.15]
 * @throws {Refusal} `required` (alignment of two or more frames), `framing-fraction-sum`
 */
export function heatPaths(
  layers: readonly Layer[],
  alignment: FrameAlignment | undefined,
): readonly HeatPath[] {
  const framed = framedLayers(layers);
  if (framed.length > 1 && alignment === undefined) {
    throw new Refusal('required', 'frameAlignment', 'Say whether the frames are aligned or offset.');
  }
  const paths = alignment === 'offset' ? offsetPaths(framed) : alignedPaths(framed);
  return paths.filter((path) => path.share > 0);
}

/** A cavity taken for another: what its layer would be with this resistance beside the frame. */
export interface CavitySwap {
  readonly layer: number;
  readonly rsi: number;
}

function resistanceAlong(
  path: HeatPath,
  layers: readonly Layer[],
  films: Films,
  swap: CavitySwap | undefined,
): number {
  let sum = films.insideRsi + films.outsideRsi;
  for (let i = 0; i < layers.length; i++) {
    const layer = layers[i];
    if (layer === undefined) continue;
    if (path.framed.has(i)) sum += layer.frameRsi;
    else sum += swap?.layer === i ? swap.rsi : layer.cavityRsi;
  }
  if (sum > 0) return sum;
  throw new Refusal('no-resistance', 'layers', 'The layers and films have no resistance at all.');
}

/**
 * U by parallel paths, W/(m²·K): the upper bound of resistance is its inverse. ISO 6946, 6.7.2.3.
 * @param swap a cavity to be taken for another, alike in every path that crosses it
 * @example parallelPathU([{ share: 0.85, framed: new Set() }, { share: 0.15, framed: new Set([0]) }], [{ cavityRsi: 3.7, frameRsi: 1.1, framingFraction: 0.15 }], { insideRsi: 0.13, outsideRsi: 0.04 }) // 0.3377
 */
export function parallelPathU(
  paths: readonly HeatPath[],
  layers: readonly Layer[],
  films: Films,
  swap?: CavitySwap,
): number {
  let sum = 0;
  for (const path of paths) sum += path.share / resistanceAlong(path, layers, films, swap);
  return sum;
}

/**
 * Resistance of a layer whose faces are as warm all over, m²·K/W. ISO 6946, 6.7.2.4.
 * @example planeRsi({ cavityRsi: 3.7, frameRsi: 1.1, framingFraction: 0.15 }) // 2.732
 */
export function planeRsi({ cavityRsi, frameRsi, framingFraction: f }: Layer): number {
  if (f === 0) return cavityRsi;
  return f === 1 ? frameRsi : 1 / (f / frameRsi + (1 - f) / cavityRsi);
}

/**
 * Resistance by isothermal planes, m²·K/W: the lower bound of resistance. ISO 6946, 6.7.2.4.
 * @example isothermalPlanesRsi([{ cavityRsi: 3.7, frameRsi: 1.1, framingFraction: 0.15 }], { insideRsi: 0.13, outsideRsi: 0.04 }) // 2.902
 */
export function isothermalPlanesRsi(layers: readonly Layer[], films: Films): number {
  return layers.reduce((sum, layer) => sum + planeRsi(layer), films.insideRsi + films.outsideRsi);
}

/**
 * Resistance with thermal bridging ignored, every layer as its cavity, m²·K/W: the R_T,h of ISO 6946, annex F.
 * @example unbridgedTotalRsi([{ cavityRsi: 3.7, frameRsi: 1.1, framingFraction: 0.15 }], { insideRsi: 0.13, outsideRsi: 0.04 }) // 3.87
 */
export function unbridgedTotalRsi(layers: readonly Layer[], films: Films): number {
  return layers.reduce((sum, { cavityRsi }) => sum + cavityRsi, films.insideRsi + films.outsideRsi);
}
