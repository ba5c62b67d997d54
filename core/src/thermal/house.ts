import { AREAS_MAX, JUNCTIONS_MAX } from '../limits';
import type { Operation } from '../operation';
import { as, fields, figure, list, nonNegative, optional, outcome, positive } from '../schema';

export interface HouseThermalInput {
  readonly areas: readonly { readonly areaM2: number; readonly uValue: number }[];
  /** Linear thermal bridges. */
  readonly junctions?: readonly { readonly lengthM: number; readonly psiWmK: number }[];
}

export interface HouseThermal {
  readonly areaM2: number;
  /** Σ(U·A)/ΣA, without junctions. */
  readonly averageUValue: number;
  /** 1 over the average U; null where no heat is lost. */
  readonly effectiveRsi: number | null;
  readonly areasWK: number;
  readonly junctionsWK: number;
  /** UA of the house. */
  readonly transmissionWK: number;
}

/**
 * Heat loss of a house through its envelope, W/K, and its area-weighted U and R. ISO 13789.
 * U is averaged over areas, R never is.
 * @example houseThermal({ areas: [{ areaM2: 100, uValue: 0.2 }] }).transmissionWK // 20
 */
export function houseThermal({ areas, junctions = [] }: HouseThermalInput): HouseThermal {
  const areaM2 = areas.reduce((sum, area) => sum + area.areaM2, 0);
  const areasWK = areas.reduce((sum, area) => sum + area.areaM2 * area.uValue, 0);
  const junctionsWK = junctions.reduce((sum, junction) => sum + junction.lengthM * junction.psiWmK, 0);
  return {
    areaM2,
    averageUValue: areasWK / areaM2,
    effectiveRsi: areasWK > 0 ? areaM2 / areasWK : null,
    areasWK,
    junctionsWK,
    transmissionWK: areasWK + junctionsWK,
  };
}

export const houseThermalInput = fields<HouseThermalInput>({
  areas: list(
    fields<HouseThermalInput['areas'][number]>({
      areaM2: positive('area'),
      uValue: as('U', nonNegative('transmittance')),
    }),
    1,
    AREAS_MAX,
  ),
  junctions: optional(
    list(
      fields<NonNullable<HouseThermalInput['junctions']>[number]>({
        lengthM: nonNegative('length'),
        psiWmK: as('ψ of the junction', figure('linearTransmittance')),
      }),
      0,
      JUNCTIONS_MAX,
    ),
  ),
});

export const houseThermalOperation: Operation<HouseThermalInput, HouseThermal> = {
  words: {
    shelf: 'heat',
    title: 'Heat loss of an envelope',
    tells: 'Heat loss and average U of areas and junctions together.',
    alsoCalled: 'UA, transmission, heat transfer coefficient, psi value, thermal bridge, junction',
    mainFigures: ['transmissionWK', 'averageUValue', 'effectiveRsi'],
  },
  schema: houseThermalInput,
  run: houseThermal,
  output: outcome<HouseThermal>({
    areaM2: figure('area'),
    averageUValue: as('Average U', figure('transmittance')),
    effectiveRsi: optional(as('Effective R', figure('resistance'))),
    areasWK: as('Through areas', figure('heatLoss')),
    junctionsWK: as('Through junctions', figure('heatLoss')),
    transmissionWK: as('Heat loss of the envelope', figure('heatLoss')),
  }),
};
