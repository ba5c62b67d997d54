import jStat from 'jstat';
import type { Operation } from '../operation';
import { as, fields, figure, list, number, optional, outcome, part, temperatureC } from '../schema';
import { MONTH_DAYS } from './months';

export interface DegreeDaysInput {
  /** Mean of each month, January first. */
  readonly temperaturesC: readonly number[];
  /** Standard deviation of the days' means within a month; 4 K where left out. */
  readonly dailySpreadK?: number;
  readonly heatingBaseC?: number;
  readonly coolingBaseC?: number;
}

export interface MonthDegreeDays {
  readonly heatingKd: number;
  readonly coolingKd: number;
}

export interface DegreeDays extends MonthDegreeDays {
  readonly months: readonly MonthDegreeDays[];
  readonly yearMeanC: number;
}

export const DEGREE_DAY_DEFAULTS = { dailySpreadK: 4, heatingBaseC: 18, coolingBaseC: 24 } as const;

/**
 * Share of the standard normal distribution below z, and its density there.
 * @example standardNormal(0).share // 0.5
 */
export const standardNormal = (z: number): { readonly share: number; readonly density: number } => ({
  share: jStat.normal.cdf(z, 0, 1),
  density: jStat.normal.pdf(z, 0, 1),
});

/**
 * Mean of max(0, b − T) over days whose means are normally distributed, K: (b − m)·Φ(z) + s·φ(z), z = (b − m)/s.
 * @example meanBelow(18, 18, 4) // 1.596
 */
export function meanBelow(baseC: number, meanC: number, spreadK: number): number {
  const difference = baseC - meanC;
  if (spreadK === 0) return Math.max(0, difference);
  const { share, density } = standardNormal(difference / spreadK);
  return Math.max(0, difference * share + spreadK * density);
}

/**
 * Heating and cooling degree days (K·d) from the means of twelve months. The days within a month are taken as normally
 * distributed about its mean, so that a month about the base still counts what its cold days ask for.
 * @example degreeDays({ temperaturesC: Array.from({ length: 12 }, () => 8), dailySpreadK: 0 }).heatingKd // 3650
 */
export function degreeDays(input: DegreeDaysInput): DegreeDays {
  const { temperaturesC } = input;
  const { dailySpreadK, heatingBaseC, coolingBaseC } = withDefaults(input);
  const months = temperaturesC.map((meanC, i): MonthDegreeDays => {
    const days = MONTH_DAYS[i] ?? 0;
    return {
      heatingKd: days * meanBelow(heatingBaseC, meanC, dailySpreadK),
      // What lies above a base lies below it with both signs turned round.
      coolingKd: days * meanBelow(-coolingBaseC, -meanC, dailySpreadK),
    };
  });
  const sum = (of: (month: number) => number): number =>
    temperaturesC.reduce((total, _, i) => total + of(i), 0);
  return {
    heatingKd: sum((i) => months[i]?.heatingKd ?? 0),
    coolingKd: sum((i) => months[i]?.coolingKd ?? 0),
    months,
    yearMeanC: sum((i) => (MONTH_DAYS[i] ?? 0) * (temperaturesC[i] ?? 0)) / sum((i) => MONTH_DAYS[i] ?? 0),
  };
}

/**
 * The input with what is taken where it says nothing.
 * @example withDefaults({ temperaturesC: [] }).heatingBaseC // 18
 */
export function withDefaults(input: DegreeDaysInput): Required<DegreeDaysInput> {
  const { temperaturesC } = input;
  return {
    temperaturesC,
    dailySpreadK: input.dailySpreadK ?? DEGREE_DAY_DEFAULTS.dailySpreadK,
    heatingBaseC: input.heatingBaseC ?? DEGREE_DAY_DEFAULTS.heatingBaseC,
    coolingBaseC: input.coolingBaseC ?? DEGREE_DAY_DEFAULTS.coolingBaseC,
  };
}

const days = {
  heatingKd: as('Heating degree days', figure('degreeDays')),
  coolingKd: as('Cooling degree days', figure('degreeDays')),
};

export const degreeDaysOperation: Operation<DegreeDaysInput, DegreeDays> = {
  words: {
    shelf: 'house',
    title: 'Degree days',
    tells: 'Heating and cooling degree days from the means of twelve months.',
    alsoCalled: 'HDD, CDD, heating season, climate, base temperature, balance point',
    mainFigures: ['heatingKd', 'coolingKd', 'yearMeanC'],
  },
  schema: fields<DegreeDaysInput>({
    temperaturesC: as('Mean of the month', list(temperatureC(), 12, 12), 'Month'),
    dailySpreadK: as(
      'Spread of the days within a month',
      optional(number({ quantity: 'temperatureDifference', min: 0, max: 15 })),
    ),
    heatingBaseC: optional(number({ quantity: 'temperature', min: -10, max: 30 })),
    coolingBaseC: optional(number({ quantity: 'temperature', min: -10, max: 40 })),
  }),
  run: degreeDays,
  output: outcome<DegreeDays>({
    ...days,
    months: list(part(days)),
    yearMeanC: as('Mean of the year', figure('temperature')),
  }),
};
