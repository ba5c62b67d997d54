import { as, fields, nonNegative, optional, positive, share } from '../schema';
import { Refusal } from '../refusal';

/** A layer as it is given: its resistance, or thickness and conductivity, or cavity and frame. */
export interface LayerInput {
  readonly rsi?: number;
  readonly thicknessM?: number;
  readonly conductivityWmK?: number;
  readonly cavityRsi?: number;
  readonly frameRsi?: number;
  readonly framingFraction?: number;
}

/** A layer with its resistances found; a homogeneous one has the framing fraction 0. */
export interface Layer {
  readonly kind: 'homogeneous' | 'framed';
  /** Resistance beside the frame; of the whole layer where it is homogeneous. */
  readonly cavityRsi: number;
  readonly frameRsi: number;
  readonly framingFraction: number;
  readonly thicknessM: number | undefined;
}

function required(value: number | undefined, field: string): number {
  if (value === undefined) throw new Refusal('required', field, 'The layer needs this figure.');
  return value;
}

function framedLayer(layer: LayerInput, field: string): Layer {
  const homogeneous =
    layer.rsi !== undefined ? 'rsi' : layer.conductivityWmK !== undefined ? 'conductivityWmK' : null;
  if (homogeneous !== null) {
    throw new Refusal(
      'conflict',
      `${field}.${homogeneous}`,
      'A framed layer has a cavity and a frame R, no other.',
    );
  }
  return {
    kind: 'framed',
    cavityRsi: required(layer.cavityRsi, `${field}.cavityRsi`),
    frameRsi: required(layer.frameRsi, `${field}.frameRsi`),
    framingFraction: required(layer.framingFraction, `${field}.framingFraction`),
    thicknessM: layer.thicknessM,
  };
}

function homogeneousLayer(layer: LayerInput, field: string): Layer {
  const { rsi, thicknessM, conductivityWmK } = layer;
  const build = (resistance: number): Layer => ({
    kind: 'homogeneous',
    cavityRsi: resistance,
    frameRsi: resistance,
    framingFraction: 0,
    thicknessM,
  });
  if (rsi !== undefined) {
    if (conductivityWmK !== undefined) {
      throw new Refusal('conflict', `${field}.rsi`, 'Give the resistance or the conductivity, not both.');
    }
    return build(rsi);
  }
  if (thicknessM === undefined && conductivityWmK === undefined) {
    throw new Refusal('required', `${field}.rsi`, 'Give the resistance, or thickness and conductivity.');
  }
  return build(
    required(thicknessM, `${field}.thicknessM`) / required(conductivityWmK, `${field}.conductivityWmK`),
  );
}

/**
 * The resistances of a layer, whichever way it was given.
 * @param field path of the layer in the input, for refusals
 * @example layerOf({ thicknessM: 0.1, conductivityWmK: 0.04 }, 'layers[0]').cavityRsi // 2.5
 * @throws {Refusal} `required`, `conflict`
 */
export function layerOf(layer: LayerInput, field: string): Layer {
  const isFramed =
    layer.cavityRsi !== undefined || layer.frameRsi !== undefined || layer.framingFraction !== undefined;
  return isFramed ? framedLayer(layer, field) : homogeneousLayer(layer, field);
}

/**
 * The resistances of a build-up's layers.
 * @example layersOf([{ rsi: 1.1 }])[0].framingFraction // 0
 * @throws {Refusal} `required`, `conflict`
 */
export const layersOf = (layers: readonly LayerInput[]): readonly Layer[] =>
  layers.map((layer, i) => layerOf(layer, `layers[${i}]`));

export const layerInput = fields<LayerInput>({
  rsi: as('R', optional(nonNegative('resistance'))),
  thicknessM: optional(positive('thickness')),
  conductivityWmK: optional(positive('conductivity')),
  cavityRsi: as('R of the cavity', optional(positive('resistance'))),
  frameRsi: as('R of the frame', optional(positive('resistance'))),
  framingFraction: as('Framing share', optional(share())),
});
