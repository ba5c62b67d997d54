import { exceeds } from '../finding';
import { Refusal } from '../refusal';
import type { TemperatureProfile } from './layers';

export interface VapourLayer {
  readonly rsi: number;
  readonly sdDryM: number;
  /** As when it is dry, where left out; never more. */
  readonly sdDampM?: number;
  readonly kind?: 'sheet' | 'board' | 'foam' | 'other';
}

/** A layer with everything that the rules ask of it. */
export interface PlannedLayer {
  readonly at: number;
  readonly kind: NonNullable<VapourLayer['kind']>;
  readonly sdDryM: number;
  readonly sdDampM: number;
  /** R of the layers inside of it, m²·K/W, without the film. */
  readonly layersInsideRsi: number;
  /** Share of the whole resistance inside of it, film included. */
  readonly shareInside: number;
  /** Within the inner third of the resistance. */
  readonly isInside: boolean;
}

const INNER_SHARE = 1 / 3;
/** A variable sheet lets at least five times as much through when damp. */
const OPENS_TIMES = 5;

/**
 * True for a layer that opens when it is damp.
 * @example isVariable({ kind: 'sheet', sdDryM: 8, sdDampM: 0.3 }) // true
 */
export const isVariable = ({ kind, sdDryM, sdDampM }: PlannedLayer): boolean =>
  kind === 'sheet' && !exceeds(sdDampM, sdDryM / OPENS_TIMES);

/**
 * The layers of a build-up with where each lies in its resistance.
 * @example plannedLayers([{ rsi: 1, sdDryM: 2 }], { layerRsi: [1], totalRsi: 1.17, fallen: [0.11, 0.97] })[0].isInside // true
 * @throws {Refusal} `not-ascending`
 */
export function plannedLayers(
  layers: readonly VapourLayer[],
  profile: TemperatureProfile,
): readonly PlannedLayer[] {
  let inside = 0;
  return layers.map(({ sdDryM, sdDampM = sdDryM, kind = 'other' }, at) => {
    if (exceeds(sdDampM, sdDryM)) {
      throw new Refusal(
        'not-ascending',
        `layers[${at}].sdDampM`,
        'A layer is never tighter when damp than when dry: are the two figures turned round?',
        { value: sdDampM, bound: sdDryM },
      );
    }
    const shareInside = profile.fallen[at] ?? 0;
    const layersInsideRsi = inside;
    inside += profile.layerRsi[at] ?? 0;
    const isInside = !exceeds(shareInside, INNER_SHARE);
    return { at, kind, sdDryM, sdDampM, layersInsideRsi, shareInside, isInside };
  });
}
