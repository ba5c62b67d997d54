import { fallsBelow, type Finding } from '../finding';
import { PLAUSIBLE_DENSITY_KGM3 } from './coverage';

/** Share of what is specified that no sample may fall short of, where nothing else was agreed. */
export const MINIMUM_SAMPLE_SHARE = 0.9;

/** What samples are held against. */
export interface Acceptance<Rule extends string> {
  /** What their mean must reach, in the samples' unit. */
  readonly specified: number;
  /** Share of it below which none may fall. */
  readonly minimumShare: number;
  readonly rules: { readonly sampleLow: Rule; readonly meanLow: Rule };
}

export interface JudgedSamples<Rule extends string> {
  /** In the order of the samples. */
  readonly belowMinimum: readonly boolean[];
  readonly mean: number;
  /** Mean over specified, less one; negative where too little went in. */
  readonly overfill: number;
  readonly accepted: boolean;
  readonly findings: readonly Finding<Rule>[];
}

/**
 * Samples of blown insulation held against a specification: accepted where their mean reaches it and none falls short of
 * its minimum share.
 * @param values one a sample, one at least
 * @example judgeSamples([57, 49], { specified: 56, minimumShare: 0.9, rules: { sampleLow: 'low', meanLow: 'mean' } }).belowMinimum // [false, true]
 */
export function judgeSamples<Rule extends string>(
  values: readonly number[],
  { specified, minimumShare, rules }: Acceptance<Rule>,
): JudgedSamples<Rule> {
  const limit = minimumShare * specified;
  const belowMinimum = values.map((value) => fallsBelow(value, limit));
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const findings: Finding<Rule>[] = values.flatMap((value, sample): Finding<Rule>[] =>
    belowMinimum[sample] === true
      ? [
          {
            rule: rules.sampleLow,
            severity: 'fail',
            message: 'A sample is too light: the cavity needs more, or settles.',
            value,
            limit,
            sample,
          },
        ]
      : [],
  );
  if (fallsBelow(mean, specified)) {
    findings.push({
      rule: rules.meanLow,
      severity: 'fail',
      message: 'The samples are lighter on average than specified.',
      value: mean,
      limit: specified,
    });
  }
  return { belowMinimum, mean, overfill: mean / specified - 1, accepted: findings.length === 0, findings };
}

/**
 * Asks about a specification that no blown insulation has as its density (kg/m³).
 * @example implausibleSpecification(56, 'Is it a mass per area?') // []
 */
export function implausibleSpecification(
  densityKgM3: number,
  message: string,
): readonly Finding<'specification-implausible'>[] {
  const { low, high } = PLAUSIBLE_DENSITY_KGM3;
  if (densityKgM3 >= low && densityKgM3 <= high) return [];
  return [{ rule: 'specification-implausible', severity: 'warn', message, value: densityKgM3 }];
}
