import type { Operation } from '../operation';
import { fields, number, optional, positive, share } from '../schema';
import { intervalOf } from './confidence-band';

/** A size of the house and its stated standard uncertainty, as a share of it. */
export interface UncertainSizes {
  readonly volumeM3?: number;
  readonly volumeUncertainty?: number;
  readonly envelopeAreaM2?: number;
  readonly envelopeAreaUncertainty?: number;
  readonly floorAreaM2?: number;
  readonly floorAreaUncertainty?: number;
}

export interface CarriedUncertaintyInput extends UncertainSizes {
  readonly q50M3h: number;
  readonly standardErrorLnQ50: number;
  readonly degreesOfFreedom: number;
  /** What calibration leaves open in all flows alike, as a share. */
  readonly flowCalibration?: number;
}

/** A figure with its combined uncertainty and 95 % interval. */
export interface CarriedFigure {
  readonly value: number;
  readonly relativeUncertainty: number;
  readonly degreesOfFreedom: number;
  readonly low95: number;
  readonly high95: number;
  /** Share of the variance that comes from the size of the house. */
  readonly shareFromSize: number;
}

export interface CarriedUncertainty {
  readonly q50: CarriedFigure;
  /** Null where the size is not given. */
  readonly n50: CarriedFigure | null;
  readonly qE50: CarriedFigure | null;
  readonly qF50: CarriedFigure | null;
}

/** Degrees of freedom beyond which Student's t is the normal distribution. */
const MANY = 1e9;

function figure(input: CarriedUncertaintyInput, size: number, sizeUncertainty: number): CarriedFigure {
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
  const { low, high } = intervalOf({ value, relativeStandardError: relativeUncertainty, degreesOfFreedom });
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
 * @example carriedUncertainty({ q50M3h: 600, standardErrorLnQ50: 0.01, degreesOfFreedom: 8, volumeM3: 400, volumeUncertainty: 0.03 }).n50?.high95 // 1.60
 */
export function carriedUncertainty(input: CarriedUncertaintyInput): CarriedUncertainty {
  const over = (size: number | undefined, uncertainty = 0): CarriedFigure | null =>
    size === undefined ? null : figure(input, size, uncertainty);
  return {
    q50: figure(input, 1, 0),
    n50: over(input.volumeM3, input.volumeUncertainty),
    qE50: over(input.envelopeAreaM2, input.envelopeAreaUncertainty),
    qF50: over(input.floorAreaM2, input.floorAreaUncertainty),
  };
}

export const carriedUncertaintyOperation: Operation<CarriedUncertaintyInput, CarriedUncertainty> = {
  schema: fields<CarriedUncertaintyInput>({
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
  run: carriedUncertainty,
};
