import { HOT } from '../cautions';
import type { Operation } from '../operation';
import { as, fields, figure, nonNegative, number, optional, outcome, positive } from '../schema';

export interface BagsInput {
  /** Bags blown; left out while planning. */
  readonly bags?: number;
  readonly bagMassKg: number;
  readonly grossAreaM2: number;
  readonly framingFraction: number;
  readonly depthM: number;
  readonly specifiedDensityKgM3: number;
}

export interface Bags {
  readonly volumeM3: number;
  /** Null without bags. */
  readonly achievedDensityKgM3: number | null;
  readonly bagsNeeded: number;
}

/** Rounding in volume times density must not cost a bag. */
const WHOLE_BAG_SLACK = 1e-9;

/**
 * Bags that a wall or ceiling takes, and the density that those blown make: V = A·(1 − f)·depth.
 * @example bags({ bagMassKg: 13.6, grossAreaM2: 118, framingFraction: 0.18, depthM: 0.115, specifiedDensityKgM3: 57 }).bagsNeeded // 47
 */
export function bags(input: BagsInput): Bags {
  const volumeM3 = input.grossAreaM2 * (1 - input.framingFraction) * input.depthM;
  return {
    volumeM3,
    achievedDensityKgM3: input.bags === undefined ? null : (input.bags * input.bagMassKg) / volumeM3,
    bagsNeeded: Math.ceil((input.specifiedDensityKgM3 * volumeM3) / input.bagMassKg - WHOLE_BAG_SLACK),
  };
}

export const bagsOperation: Operation<BagsInput, Bags> = {
  words: {
    shelf: 'insulation',
    title: 'Bags of blown fill',
    tells: 'Bags that an area takes, and the density that the bags used come to.',
    alsoCalled: 'dense pack, cellulose, blown-in, loose fill, bag count, density, coverage',
    mainFigures: ['bagsNeeded', 'achievedDensityKgM3', 'volumeM3'],
    caution: HOT,
  },
  schema: fields<BagsInput>({
    bags: as('Bags used', optional(nonNegative('count'))),
    bagMassKg: as('Mass of a bag', positive('mass')),
    grossAreaM2: positive('area'),
    framingFraction: as('Framing share', number({ quantity: 'share', min: 0, below: 1 })),
    depthM: positive('thickness'),
    specifiedDensityKgM3: positive('density'),
  }),
  run: bags,
  output: outcome<Bags>({
    volumeM3: figure('volume'),
    achievedDensityKgM3: as('Density reached', optional(figure('density'))),
    bagsNeeded: figure('count'),
  }),
};
