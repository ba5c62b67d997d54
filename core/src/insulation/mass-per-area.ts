import { fallsBelow, type Finding } from '../finding';
import type { Operation } from '../operation';
import { fields, list, number, optional, positive } from '../schema';
import { PLAUSIBLE_DENSITY_KGM3 } from './coverage';
import { MINIMUM_SAMPLE_SHARE } from './density-samples';

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
 */
export function massPerArea(input: MassPerAreaInput): MassPerArea {
  const { specifiedMassKgM2, atThicknessM, minimumShare = MINIMUM_SAMPLE_SHARE } = input;
  const specifiedDensityKgM3 = specifiedMassKgM2 / atThicknessM;
  const least = minimumShare * specifiedMassKgM2;
  const samples = input.samples.map(({ massKg, areaM2, thicknessM = atThicknessM }) => {
    const massKgM2 = ((massKg / areaM2) * atThicknessM) / thicknessM;
    return { massKgM2, belowMinimum: fallsBelow(massKgM2, least) };
  });
  const meanMassKgM2 = samples.reduce((sum, { massKgM2 }) => sum + massKgM2, 0) / samples.length;
  const findings: MassPerArea['findings'][number][] = samples.flatMap(
    ({ massKgM2, belowMinimum }, sample): MassPerArea['findings'] =>
      belowMinimum
        ? [
            {
              rule: 'sample-mass-low',
              severity: 'fail',
              message: 'A sample is too light: the cavity needs more, or settles.',
              value: massKgM2,
              limit: least,
              sample,
            },
          ]
        : [],
  );
  if (fallsBelow(meanMassKgM2, specifiedMassKgM2)) {
    findings.push({
      rule: 'mean-mass-low',
      severity: 'fail',
      message: 'The samples are lighter on average than specified.',
      value: meanMassKgM2,
      limit: specifiedMassKgM2,
    });
  }
  const accepted = findings.length === 0;
  if (
    specifiedDensityKgM3 < PLAUSIBLE_DENSITY_KGM3.low ||
    specifiedDensityKgM3 > PLAUSIBLE_DENSITY_KGM3.high
  ) {
    findings.push({
      rule: 'specification-implausible',
      severity: 'warn',
      message: 'No blown insulation has this density: is the figure per area, and the thickness right?',
      value: specifiedDensityKgM3,
    });
  }
  return {
    specifiedDensityKgM3,
    samples,
    meanMassKgM2,
    overfill: meanMassKgM2 / specifiedMassKgM2 - 1,
    accepted,
    findings,
  };
}

export const massPerAreaOperation: Operation<MassPerAreaInput, MassPerArea> = {
  schema: fields<MassPerAreaInput>({
    specifiedMassKgM2: positive(),
    atThicknessM: positive(),
    samples: list(
      fields<MassPerAreaInput['samples'][number]>({
        massKg: positive(),
        areaM2: positive(),
        thicknessM: optional(positive()),
      }),
      1,
    ),
    minimumShare: optional(number({ above: 0 })),
  }),
  run: massPerArea,
};
