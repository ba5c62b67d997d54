import { fallsBelow, type Finding } from '../finding';
import type { Operation } from '../operation';
import { PLAUSIBLE_DENSITY_KGM3 } from './coverage';
import { fields, list, number, optional, positive } from '../schema';

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

export const MINIMUM_SAMPLE_SHARE = 0.9;

/**
 * Density of blown insulation from samples, ρ = m/(A·t): accepted where the mean reaches what is specified and no
 * sample falls short of its minimum share. kg/m³. A specified density that no blown insulation has is asked about.
 * @example densitySamples({ specifiedDensityKgM3: 56, samples: [{ massKg: 0.8, areaM2: 0.1, thicknessM: 0.14 }] }).accepted // true
 */
export function densitySamples(input: DensitySamplesInput): DensitySamples {
  const { specifiedDensityKgM3, minimumShare = MINIMUM_SAMPLE_SHARE } = input;
  const least = minimumShare * specifiedDensityKgM3;
  const samples = input.samples.map(({ massKg, areaM2, thicknessM }) => {
    const densityKgM3 = massKg / (areaM2 * thicknessM);
    return { densityKgM3, belowMinimum: fallsBelow(densityKgM3, least) };
  });
  const meanDensityKgM3 = samples.reduce((sum, { densityKgM3 }) => sum + densityKgM3, 0) / samples.length;
  const findings = samples.flatMap(
    ({ densityKgM3, belowMinimum }, sample): DensitySamples['findings'][number][] =>
      belowMinimum
        ? [
            {
              rule: 'sample-density-low',
              severity: 'fail',
              message: 'A sample is too light: the cavity needs more, or settles.',
              value: densityKgM3,
              limit: least,
              sample,
            },
          ]
        : [],
  );
  if (fallsBelow(meanDensityKgM3, specifiedDensityKgM3)) {
    findings.push({
      rule: 'mean-density-low',
      severity: 'fail',
      message: 'The samples are lighter on average than specified.',
      value: meanDensityKgM3,
      limit: specifiedDensityKgM3,
    });
  }
  const accepted = findings.length === 0;
  const { low, high } = PLAUSIBLE_DENSITY_KGM3;
  if (specifiedDensityKgM3 < low || specifiedDensityKgM3 > high) {
    findings.push({
      rule: 'specification-implausible',
      severity: 'warn',
      message: 'No blown insulation has this density: is the figure a mass per area?',
      value: specifiedDensityKgM3,
    });
  }
  return {
    samples,
    meanDensityKgM3,
    overfill: meanDensityKgM3 / specifiedDensityKgM3 - 1,
    accepted,
    findings,
  };
}

export const densitySamplesOperation: Operation<DensitySamplesInput, DensitySamples> = {
  schema: fields<DensitySamplesInput>({
    specifiedDensityKgM3: positive(),
    samples: list(
      fields<DensitySample>({ massKg: positive(), areaM2: positive(), thicknessM: positive() }),
      1,
    ),
    minimumShare: optional(number({ above: 0 })),
  }),
  run: densitySamples,
};
