import { SAMPLES_MAX } from '../limits';
import type { Finding } from '../finding';
import type { Operation } from '../operation';
import { as, boolean, fields, figure, list, number, optional, outcome, part, positive } from '../schema';
import { implausibleSpecification, judgeSamples, MINIMUM_SAMPLE_SHARE } from './sample-acceptance';

export interface MassPerAreaInput {
  /** Mass on a square metre, at the thickness it is specified for. */
  readonly specifiedMassKgM2: number;
  readonly atThicknessM: number;
  readonly samples: readonly {
    readonly massKg: number;
    readonly areaM2: number;
    /** Left out: the specified thickness. */
    readonly thicknessM?: number;
  }[];
  readonly minimumShare?: number;
}

export interface MassPerArea {
  /** What the specification means as a density. */
  readonly specifiedDensityKgM3: number;
  /** Each brought to the specified thickness. */
  readonly samples: readonly { readonly massKgM2: number; readonly belowMinimum: boolean }[];
  readonly meanMassKgM2: number;
  readonly overfill: number;
  readonly accepted: boolean;
  readonly findings: readonly Finding<'sample-mass-low' | 'mean-mass-low' | 'specification-implausible'>[];
}

/**
 * Samples held against a specification of mass per area at a thickness (kg/m²): accepted like densities. A
 * specification whose density no blown insulation has is asked about: it was given per volume, or mistyped.
 * @example massPerArea(examples['insulation.massPerArea']).meanMassKgM2 // 8.3
 */
export function massPerArea(input: MassPerAreaInput): MassPerArea {
  const { specifiedMassKgM2, atThicknessM, minimumShare = MINIMUM_SAMPLE_SHARE } = input;
  const specifiedDensityKgM3 = specifiedMassKgM2 / atThicknessM;
  const masses = input.samples.map(
    ({ massKg, areaM2, thicknessM = atThicknessM }) => ((massKg / areaM2) * atThicknessM) / thicknessM,
  );
  const { belowMinimum, mean, overfill, accepted, findings } = judgeSamples(masses, {
    specified: specifiedMassKgM2,
    minimumShare,
    rules: { sampleLow: 'sample-mass-low', meanLow: 'mean-mass-low' },
  });
  return {
    specifiedDensityKgM3,
    samples: masses.map((massKgM2, i) => ({ massKgM2, belowMinimum: belowMinimum[i] === true })),
    meanMassKgM2: mean,
    overfill,
    accepted,
    findings: [
      ...findings,
      ...implausibleSpecification(
        specifiedDensityKgM3,
        'No blown insulation has this density: is the figure per area, and the thickness right?',
      ),
    ],
  };
}

export const massPerAreaOperation: Operation<MassPerAreaInput, MassPerArea> = {
  words: {
    shelf: 'insulation',
    title: 'Mass per area from samples',
    tells: 'Whether samples reach the mass per area that was specified for a thickness.',
    alsoCalled: 'weight per square foot, core sample, blown-in, loose fill, attic, loft',
    mainFigures: ['meanMassKgM2', 'accepted', 'overfill'],
  },
  schema: fields<MassPerAreaInput>({
    specifiedMassKgM2: positive('massPerArea'),
    atThicknessM: as('At a thickness of', positive('thickness')),
    samples: list(
      fields<MassPerAreaInput['samples'][number]>({
        massKg: positive('mass'),
        areaM2: positive('smallArea'),
        thicknessM: optional(positive('thickness')),
      }),
      1,
      SAMPLES_MAX,
    ),
    minimumShare: optional(number({ quantity: 'share', above: 0 })),
  }),
  run: massPerArea,
  output: outcome<MassPerArea>({
    specifiedDensityKgM3: figure('density'),
    samples: list(
      part({
        massKgM2: as('Mass reached', figure('massPerArea')),
        belowMinimum: boolean(),
      }),
    ),
    meanMassKgM2: figure('massPerArea'),
    overfill: figure('share'),
    accepted: boolean(),
  }),
};
