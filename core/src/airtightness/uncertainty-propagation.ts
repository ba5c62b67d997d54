import type { Operation } from '../operation';
import {
  as,
  fields,
  figure,
  number,
  optional,
  outcome,
  part,
  positive,
  share,
  type FieldsSchema,
  type Measure,
} from '../schema';
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

function propagated(
  input: UncertaintyPropagationInput,
  size: number,
  sizeUncertainty: number,
): PropagatedFigure {
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
    size === undefined ? null : propagated(input, size, uncertainty);
  return {
    q50: propagated(input, 1, 0),
    n50: over(input.volumeM3, input.volumeUncertainty),
    qE50: over(input.envelopeAreaM2, input.envelopeAreaUncertainty),
    qF50: over(input.floorAreaM2, input.floorAreaUncertainty),
  };
}

const interval = (quantity: Measure): FieldsSchema =>
  part({
    value: figure(quantity),
    relativeUncertainty: figure('share'),
    degreesOfFreedom: figure('plain'),
    low95: as('Lower bound at 95 %', figure(quantity)),
    high95: as('Upper bound at 95 %', figure(quantity)),
    shareFromSize: figure('share'),
  });

export const uncertaintyPropagationOperation: Operation<UncertaintyPropagationInput, UncertaintyPropagation> =
  {
    words: {
      shelf: 'airtightness',
      title: 'Uncertainty with that of the sizes',
      tells: 'Intervals of n50 and qE50 when volume and areas are uncertain too.',
      alsoCalled: 'error, tolerance, volume, accuracy, ACH50, n50, blower door',
      mainFigures: ['n50.value', 'n50.low95', 'n50.high95', 'qE50.value'],
    },
    schema: fields<UncertaintyPropagationInput>({
      q50M3h: as('q50', positive('flow')),
      standardErrorLnQ50: as('Standard error of q50', share()),
      degreesOfFreedom: number({ quantity: 'plain', min: 1 }),
      flowCalibration: optional(share()),
      volumeM3: optional(positive('volume')),
      volumeUncertainty: optional(share()),
      envelopeAreaM2: optional(positive('area')),
      envelopeAreaUncertainty: optional(share()),
      floorAreaM2: optional(positive('area')),
      floorAreaUncertainty: optional(share()),
    }),
    run: uncertaintyPropagation,
    output: outcome<UncertaintyPropagation>({
      q50: interval('flow'),
      n50: optional(as('n50', interval('airChange'))),
      qE50: optional(as('qE50', interval('flowPerArea'))),
      qF50: optional(as('qF50', interval('flowPerArea'))),
    }),
  };
