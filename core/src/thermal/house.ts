import { AREAS_MAX, JUNCTIONS_MAX } from '../limits';
import type { Operation } from '../operation';
import { as, fields, figure, list, nonNegative, number, optional, outcome, positive } from '../schema';

export interface HouseThermalInput {
  readonly areas: readonly { readonly areaM2: number; readonly uValue: number }[];
  /** Linear thermal bridges. */
  readonly junctions?: readonly { readonly lengthM: number; readonly psiWmK: number }[];
  /** Point thermal bridges: steel through the wall, brackets. */
  readonly points?: readonly { readonly count: number; readonly chiWK: number }[];
}

export interface HouseThermal {
  readonly areaM2: number;
  /** Σ(U·A)/ΣA, without bridges. */
  readonly averageUValue: number;
  /** 1 over the average U; null where no heat is lost. */
  readonly effectiveRsi: number | null;
  readonly areasWK: number;
  readonly junctionsWK: number;
  readonly pointsWK: number;
  /** UA of the house. */
  readonly transmissionWK: number;
}

/**
 * Heat loss of a house through its envelope, W/K, and its area-weighted U and R. ISO 13789, bridges by ISO 14683.
 * U is averaged over areas, R never is.
 * @example houseThermal({ areas: [{ areaM2: 100, uValue: 0.2 }] }).transmissionWK // 20
 */
export function houseThermal({ areas, junctions = [], points = [] }: HouseThermalInput): HouseThermal {
  const areaM2 = areas.reduce((sum, area) => sum + area.areaM2, 0);
  const areasWK = areas.reduce((sum, area) => sum + area.areaM2 * area.uValue, 0);
  const junctionsWK = junctions.reduce((sum, junction) => sum + junction.lengthM * junction.psiWmK, 0);
  const pointsWK = points.reduce((sum, point) => sum + point.count * point.chiWK, 0);
  return {
    areaM2,
    averageUValue: areasWK / areaM2,
    effectiveRsi: areasWK > 0 ? areaM2 / areasWK : null,
    areasWK,
    junctionsWK,
    pointsWK,
    transmissionWK: areasWK + junctionsWK + pointsWK,
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
  points: optional(
    list(
      fields<NonNullable<HouseThermalInput['points']>[number]>({
        count: number({ quantity: 'count', min: 0, whole: true }),
        chiWK: as('χ of the point', figure('pointTransmittance')),
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
    tells: 'Heat loss and average U of areas, junctions and points together.',
    alsoCalled: 'UA, transmission, heat transfer coefficient, psi value, chi value, thermal bridge, junction',
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
    pointsWK: as('Through points', figure('heatLoss')),
    transmissionWK: as('Heat loss of the envelope', figure('heatLoss')),
  }),
};
