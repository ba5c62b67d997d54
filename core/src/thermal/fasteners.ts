import { as, fields, nonNegative, number, optional, positive } from '../schema';
import { exceeds } from '../finding';
import { Refusal } from '../refusal';
import type { Layer } from './layer';

/** Metal or plastic fixings through one homogeneous layer. */
export interface Fasteners {
  /** Index of the layer that they go through. */
  readonly layer: number;
  readonly conductivityWmK: number;
  /** Cross-section of one fastener. */
  readonly areaM2: number;
  readonly perM2: number;
  /** How deep they reach into the layer; right through where left out. */
  readonly penetrationM?: number;
}

const COEFFICIENT = 0.8;

/**
 * What fasteners add to U, W/(m²·K). ISO 6946, annex F.3.
 * @param unbridgedRsi resistance of the build-up with thermal bridging ignored
 * @example fastenersDeltaU({ layer: 0, conductivityWmK: 50, areaM2: 2e-5, perM2: 5 }, [{ kind: 'homogeneous', cavityRsi: 2.5, frameRsi: 2.5, framingFraction: 0, thicknessM: 0.1 }], 2.67, 'fasteners') // 0.03507
 * @throws {Refusal} `not-homogeneous`, `required`, `out-of-range`
 */
export function fastenersDeltaU(
  fasteners: Fasteners,
  layers: readonly Layer[],
  unbridgedRsi: number,
  field: string,
): number {
  const layer = layers[fasteners.layer];
  if (layer === undefined) {
    throw new Refusal('out-of-range', `${field}.layer`, 'There is no such layer.', {
      value: fasteners.layer,
      bound: layers.length - 1,
    });
  }
  if (layer.kind === 'framed') {
    throw new Refusal(
      'not-homogeneous',
      `${field}.layer`,
      'Fasteners are reckoned in a layer without a frame.',
    );
  }
  const { thicknessM } = layer;
  if (thicknessM === undefined) {
    throw new Refusal(
      'required',
      `layers[${fasteners.layer}].thicknessM`,
      'Fasteners need the thickness of their layer.',
    );
  }
  const depthM = fasteners.penetrationM ?? thicknessM;
  if (exceeds(depthM, thicknessM)) {
    throw new Refusal(
      'out-of-range',
      `${field}.penetrationM`,
      'Fasteners cannot reach deeper than their layer.',
      {
        value: depthM,
        bound: thicknessM,
      },
    );
  }
  const alpha = (COEFFICIENT * depthM) / thicknessM;
  const { conductivityWmK, areaM2, perM2 } = fasteners;
  return ((alpha * conductivityWmK * areaM2 * perM2) / thicknessM) * (layer.cavityRsi / unbridgedRsi) ** 2;
}

export const fastenersInput = fields<Fasteners>({
  layer: number({ quantity: 'position', min: 0, whole: true }),
  conductivityWmK: positive('conductivity'),
  areaM2: positive('smallArea'),
  perM2: as('Fasteners', nonNegative('perArea')),
  penetrationM: as('Depth into the layer', optional(positive('thickness'))),
});
