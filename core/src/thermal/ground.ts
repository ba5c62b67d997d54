import { exceeds, type Finding } from '../finding';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, fields, figure, nonNegative, option, optional, outcome, positive } from '../schema';

/** A board along the edge of a slab, lying under it or standing at its outer side. */
export interface EdgeInsulation {
  readonly position: 'horizontal' | 'vertical';
  readonly rsi: number;
  readonly thicknessM: number;
  /** How far it reaches in under the slab, or down. */
  readonly widthM: number;
}

export interface GroundInput {
  readonly kind: 'slab' | 'basement';
  readonly areaM2: number;
  /** Of the floor, where it borders on the outside. */
  readonly exposedPerimeterM: number;
  /** Of the walls that stand on it, whole. */
  readonly wallThicknessM: number;
  /** 2 W/(m·K) where left out: sand and gravel, and what is not known. */
  readonly groundConductivityWmK?: number;
  /** Layers of the floor alone, no films. */
  readonly floorRsi: number;
  /** Of a slab. */
  readonly edge?: EdgeInsulation;
  /** Floor of the basement under the ground outside. */
  readonly depthM?: number;
  /** Layers of the basement's wall alone, no films. */
  readonly wallRsi?: number;
}

export interface Ground {
  /** B = A/(P/2). */
  readonly characteristicDimensionM: number;
  /** d_t: ground that resists as much as the floor. */
  readonly floorEquivalentM: number;
  /** With the edge in it. */
  readonly floorUValue: number;
  /** What the edge changes; below 0 where it helps. */
  readonly edgePsiWmK: number;
  /** Of a basement. */
  readonly wallUValue: number | null;
  /** Floor and walls under the ground. */
  readonly transmissionWK: number;
  readonly findings: readonly Finding<'edge-no-better-than-soil'>[];
}

/** Films of floor, wall and outside, m²·K/W. ISO 13370:2017. */
export const GROUND_FILMS = { floorRsi: 0.17, wallRsi: 0.13, outsideRsi: 0.04 } as const;
export const DEFAULT_GROUND_WMK = 2;

/**
 * U of a floor on the ground, W/(m²·K), with `equivalentM` of ground in its place. ISO 13370:2017, 8.1 and 8.3.
 * @example floorOnGroundU(2, 4.8, 0.77) // 0.7633
 */
export function floorOnGroundU(conductivityWmK: number, dimensionM: number, equivalentM: number): number {
  if (equivalentM >= dimensionM) return conductivityWmK / (0.457 * dimensionM + equivalentM);
  const around = Math.PI * dimensionM;
  return ((2 * conductivityWmK) / (around + equivalentM)) * Math.log(around / equivalentM + 1);
}

/** ψ of the edge of a slab, W/(m·K), and how much more ground its board is worth. ISO 13370:2017, annex B. */
function edgeOf(
  { position, rsi, thicknessM, widthM }: EdgeInsulation,
  conductivityWmK: number,
  floorEquivalentM: number,
): { readonly psiWmK: number; readonly addedM: number } {
  const addedM = conductivityWmK * rsi - thicknessM;
  const withBoardM = floorEquivalentM + addedM;
  if (!(withBoardM > 0)) {
    throw new Refusal(
      'out-of-range',
      'edge.thicknessM',
      'The board at the edge takes the place of more ground than floor and board together are worth.',
      { value: thicknessM, bound: floorEquivalentM + conductivityWmK * rsi },
    );
  }
  const reachM = position === 'vertical' ? 2 * widthM : widthM;
  const gained = Math.log(reachM / withBoardM + 1) - Math.log(reachM / floorEquivalentM + 1);
  return { psiWmK: (conductivityWmK / Math.PI) * gained, addedM };
}

/** U of the wall of a basement under the ground, W/(m²·K). ISO 13370:2017, 8.4. */
function basementWallU(input: GroundInput, conductivityWmK: number, floorEquivalentM: number): number {
  const { depthM: z, wallRsi } = needed(input);
  const wallM = conductivityWmK * (GROUND_FILMS.wallRsi + wallRsi + GROUND_FILMS.outsideRsi);
  const leastM = Math.min(floorEquivalentM, wallM);
  return (
    ((2 * conductivityWmK) / (Math.PI * z)) * (1 + (0.5 * leastM) / (leastM + z)) * Math.log(z / wallM + 1)
  );
}

function needed({ depthM, wallRsi }: GroundInput): { readonly depthM: number; readonly wallRsi: number } {
  if (depthM === undefined) throw new Refusal('required', 'depthM', 'Say how deep the basement is.');
  if (wallRsi === undefined) {
    throw new Refusal('required', 'wallRsi', 'Give the resistance of the basement’s wall.');
  }
  return { depthM, wallRsi };
}

function refuseOfOther({ kind, edge, depthM, wallRsi }: GroundInput): void {
  if (kind === 'basement') {
    if (edge === undefined) return;
    throw new Refusal('conflict', 'edge', 'A board at the edge belongs to a slab, not to a basement.');
  }
  const given = depthM !== undefined ? 'depthM' : wallRsi !== undefined ? 'wallRsi' : null;
  if (given !== null) {
    throw new Refusal('conflict', given, 'A slab has no wall under the ground: this belongs to a basement.');
  }
}

/**
 * Heat that a slab on the ground or a heated basement loses to it, W/K, steady, mean of a year. ISO 13370:2017.
 * @example ground(examples['thermal.ground']).floorUValue // 0.2894
 * @throws {Refusal} `conflict`, `required`, `out-of-range`
 */
export function ground(input: GroundInput): Ground {
  const { kind, areaM2, exposedPerimeterM, wallThicknessM, floorRsi, edge } = input;
  const { groundConductivityWmK: λ = DEFAULT_GROUND_WMK } = input;
  refuseOfOther(input);
  const characteristicDimensionM = areaM2 / (exposedPerimeterM / 2);
  const floorEquivalentM = wallThicknessM + λ * (GROUND_FILMS.floorRsi + floorRsi + GROUND_FILMS.outsideRsi);
  if (kind === 'basement') {
    const { depthM } = needed(input);
    const floorUValue = floorOnGroundU(λ, characteristicDimensionM, floorEquivalentM + depthM / 2);
    const wallUValue = basementWallU(input, λ, floorEquivalentM);
    return {
      characteristicDimensionM,
      floorEquivalentM,
      floorUValue,
      edgePsiWmK: 0,
      wallUValue,
      transmissionWK: areaM2 * floorUValue + depthM * exposedPerimeterM * wallUValue,
      findings: [],
    };
  }
  const { psiWmK, addedM } =
    edge === undefined ? { psiWmK: 0, addedM: null } : edgeOf(edge, λ, floorEquivalentM);
  const floorUValue =
    floorOnGroundU(λ, characteristicDimensionM, floorEquivalentM) + (2 * psiWmK) / characteristicDimensionM;
  return {
    characteristicDimensionM,
    floorEquivalentM,
    floorUValue,
    edgePsiWmK: psiWmK,
    wallUValue: null,
    transmissionWK: areaM2 * floorUValue,
    findings:
      addedM === null || exceeds(addedM, 0)
        ? []
        : [
            {
              rule: 'edge-no-better-than-soil',
              severity: 'warn',
              message:
                'The board at the edge insulates no better than the ground that it takes the place of.',
              value: addedM,
              limit: 0,
            },
          ],
  };
}

export const groundInput = fields<GroundInput>({
  kind: option('slab', 'basement'),
  areaM2: as('Floor on the ground', positive('area')),
  exposedPerimeterM: positive('length'),
  wallThicknessM: as('Thickness of the walls on it', nonNegative('thickness')),
  groundConductivityWmK: as('Conductivity of the ground', optional(positive('conductivity'))),
  floorRsi: as('R of the floor’s layers', nonNegative('resistance')),
  edge: as(
    'Board at the edge',
    optional(
      fields<EdgeInsulation>({
        position: option('horizontal', 'vertical'),
        rsi: as('R', nonNegative('resistance')),
        thicknessM: positive('thickness'),
        widthM: as('How far it reaches', positive('length')),
      }),
    ),
  ),
  depthM: as('Depth of the basement’s floor', optional(positive('length'))),
  wallRsi: as('R of the wall’s layers', optional(nonNegative('resistance'))),
});

export const groundOperation: Operation<GroundInput, Ground> = {
  words: {
    shelf: 'heat',
    title: 'Slabs and basements',
    tells: 'U and heat loss of a floor on the ground, or of a heated basement.',
    alsoCalled: 'slab on grade, ground floor, foundation, edge insulation, frost, ISO 13370',
    mainFigures: ['floorUValue', 'wallUValue', 'transmissionWK', 'edgePsiWmK'],
  },
  schema: groundInput,
  run: ground,
  output: outcome<Ground>({
    characteristicDimensionM: figure('length'),
    floorEquivalentM: as('Ground worth as much as the floor', figure('length')),
    floorUValue: as('U of the floor', figure('transmittance')),
    edgePsiWmK: as('ψ of the edge', figure('linearTransmittance')),
    wallUValue: as('U of the walls', optional(figure('transmittance'))),
    transmissionWK: as('Heat loss to the ground', figure('heatLoss')),
  }),
};
