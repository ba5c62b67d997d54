import type { Operation } from '../operation';
import { fields, nonNegative, number, optional, positive } from '../schema';

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
  schema: fields<BagsInput>({
    bags: optional(nonNegative()),
    bagMassKg: positive(),
    grossAreaM2: positive(),
    framingFraction: number({ min: 0, below: 1 }),
    depthM: positive(),
    specifiedDensityKgM3: positive(),
  }),
  run: bags,
};
