import { SAMPLES_MAX } from '../limits';
import { FOAM } from '../cautions';
import type { Finding } from '../finding';
import type { Operation } from '../operation';
import { boolean, fields, figure, list, number, optional, outcome, part, positive } from '../schema';
import { implausibleSpecification, judgeSamples, MINIMUM_SAMPLE_SHARE } from './sample-acceptance';

/** What was taken out of a cavity and weighed. */
export interface DensitySample {
  readonly massKg: number;
  readonly areaM2: number;
  readonly thicknessM: number;
}

export interface DensitySamplesInput {
  readonly specifiedDensityKgM3: number;
  readonly samples: readonly DensitySample[];
  /** Share of the specified density below which no sample may fall; 0.9 where left out. */
  readonly minimumShare?: number;
}

export interface DensitySamples {
  readonly samples: readonly { readonly densityKgM3: number; readonly belowMinimum: boolean }[];
  /** Mean of the samples' densities. */
  readonly meanDensityKgM3: number;
  /** Mean over specified, less one; negative where too little went in. */
  readonly overfill: number;
  readonly accepted: boolean;
  readonly findings: readonly Finding<
    'sample-density-low' | 'mean-density-low' | 'specification-implausible'
  >[];
}

/**
 * Density of blown insulation from samples, ρ = m/(A·t): accepted where the mean reaches what is specified and no
 * sample falls short of its minimum share. kg/m³. A specified density that no blown insulation has is asked about.
 * @example densitySamples({ specifiedDensityKgM3: 56, samples: [{ massKg: 0.8, areaM2: 0.1, thicknessM: 0.14 }] }).accepted // true
 */
export function densitySamples(input: DensitySamplesInput): DensitySamples {
  const { specifiedDensityKgM3, minimumShare = MINIMUM_SAMPLE_SHARE } = input;
  const densities = input.samples.map(({ massKg, areaM2, thicknessM }) => massKg / (areaM2 * thicknessM));
  const { belowMinimum, mean, overfill, accepted, findings } = judgeSamples(densities, {
    specified: specifiedDensityKgM3,
    minimumShare,
    rules: { sampleLow: 'sample-density-low', meanLow: 'mean-density-low' },
  });
  return {
    samples: densities.map((densityKgM3, i) => ({ densityKgM3, belowMinimum: belowMinimum[i] === true })),
    meanDensityKgM3: mean,
    overfill,
    accepted,
    findings: [
      ...findings,
      ...implausibleSpecification(
        specifiedDensityKgM3,
        'No blown insulation has this density: is the figure a mass per area?',
      ),
    ],
  };
}

export const densitySamplesOperation: Operation<DensitySamplesInput, DensitySamples> = {
  words: {
    shelf: 'insulation',
    title: 'Density from samples',
    tells: 'Whether samples of dense-packed or sprayed fill reach the density that was specified.',
    alsoCalled: 'core sample, spray foam, SPF, closed cell, open cell, dense pack, cellulose, pcf',
    mainFigures: ['meanDensityKgM3', 'accepted', 'overfill'],
    caution: FOAM,
  },
  schema: fields<DensitySamplesInput>({
    specifiedDensityKgM3: positive('density'),
    samples: list(
      fields<DensitySample>({
        massKg: positive('mass'),
        areaM2: positive('smallArea'),
        thicknessM: positive('thickness'),
      }),
      1,
      SAMPLES_MAX,
    ),
    minimumShare: optional(number({ quantity: 'share', above: 0 })),
  }),
  run: densitySamples,
  output: outcome<DensitySamples>({
    samples: list(
      part({
        densityKgM3: figure('density'),
        belowMinimum: boolean(),
      }),
    ),
    meanDensityKgM3: figure('density'),
    overfill: figure('share'),
    accepted: boolean(),
  }),
};
