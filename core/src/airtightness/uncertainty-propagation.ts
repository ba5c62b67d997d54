import type { Operation } from '../operation';
import { fields, number, optional, positive, share } from '../schema';
import { intervalOf } from './estimate';

/** A size of the house and its stated standard uncertainty, as a share of it. */
export interface UncertainSizes {
  readonly volumeM3?: number;
  readonly volumeUncertainty?: number;
  readonly envelopeAreaM2?: number;
  readonly envelopeAreaUncertainty?: number;
  readonly floorAreaM2?: number;
  readonly floorAreaUncertainty?: number;
}

export interface UncertaintyPropagationInput extends UncertainSizes {
  readonly q50M3h: number;
  readonly standardErrorLnQ50: number;
  readonly degreesOfFreedom: number;
  /** What calibration leaves open in all flows alike, as a share. */
  readonly flowCalibration?: number;
}

/** A figure with its combined uncertainty and 95 % interval. */
export interface PropagatedFigure {
  readonly value: number;
  readonly relativeUncertainty: number;
  readonly degreesOfFreedom: number;
  readonly low95: number;
  readonly high95: number;
  /** Share of the variance that comes from the size of the house. */
  readonly shareFromSize: number;
}

export interface UncertaintyPropagation {
  readonly q50: PropagatedFigure;
  /** Null where the size is not given. */
  readonly n50: PropagatedFigure | null;
  readonly qE50: PropagatedFigure | null;
  readonly qF50: PropagatedFigure | null;
}

/** Degrees of freedom beyond which Student's t is the normal distribution. */
const MANY = 1e9;

function figure(input: UncertaintyPropagationInput, size: number, sizeUncertainty: number): PropagatedFigure {
  const { standardErrorLnQ50, flowCalibration = 0 } = input;
  const stated = flowCalibration ** 2 + sizeUncertainty ** 2;
  const variance = standardErrorLnQ50 ** 2 + stated;
  const relativeUncertainty = Math.sqrt(variance);
  // Welch–Satterthwaite: what is stated counts as known for certain.
  const degreesOfFreedom =
    standardErrorLnQ50 === 0
      ? MANY
      : Math.min(MANY, input.degreesOfFreedom * (variance / standardErrorLnQ50 ** 2) ** 2);
  const value = input.q50M3h / size;
  const { low, high } = intervalOf({ relativeStandardError: relativeUncertainty, degreesOfFreedom });
  return {
    value,
    relativeUncertainty,
    degreesOfFreedom,
    low95: value * low,
    high95: value * high,
    shareFromSize: variance === 0 ? 0 : sizeUncertainty ** 2 / variance,
  };
}

/**
 * The interval of n50, qE50 and qF50 with the uncertainty of the house's sizes in it: relative variances of flow,
 * calibration and size add, degrees of freedom by Welch–Satterthwaite. JCGM 100, 5.1.6 and G.4.
 * @example uncertaintyPropagation({ q50M3h: 600, standardErrorLnQ50: 0.01, degreesOfFreedom: 8, volumeM3: 400, volumeUncertainty: 0.03 }).n50?.high95 // 1.60
 */
export function uncertaintyPropagation(input: UncertaintyPropagationInput): UncertaintyPropagation {
  const over = (size: number | undefined, uncertainty = 0): PropagatedFigure | null =>
    size === undefined ? null : figure(input, size, uncertainty);
  return {
    q50: figure(input, 1, 0),
    n50: over(input.volumeM3, input.volumeUncertainty),
    qE50: over(input.envelopeAreaM2, input.envelopeAreaUncertainty),
    qF50: over(input.floorAreaM2, input.floorAreaUncertainty),
  };
}

export const uncertaintyPropagationOperation: Operation<UncertaintyPropagationInput, UncertaintyPropagation> =
  {
    schema: fields<UncertaintyPropagationInput>({
      q50M3h: positive(),
      standardErrorLnQ50: share(),
      degreesOfFreedom: number({ min: 1 }),
      flowCalibration: optional(share()),
      volumeM3: optional(positive()),
      volumeUncertainty: optional(share()),
      envelopeAreaM2: optional(positive()),
      envelopeAreaUncertainty: optional(share()),
      floorAreaM2: optional(positive()),
      floorAreaUncertainty: optional(share()),
    }),
    run: uncertaintyPropagation,
  };
