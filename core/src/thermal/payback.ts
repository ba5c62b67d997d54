import { fallsBelow, type Finding } from '../finding';
import type { Operation } from '../operation';
import { as, fields, figure, nonNegative, number, optional, outcome } from '../schema';

export interface PaybackInput {
  readonly extraCost: number;
  /** What need not be bought because of it: a heater that may be smaller. */
  readonly avoidedCost?: number;
  readonly savedKwhPerYear: number;
  readonly pricePerKwh: number;
  /** Of the energy's price, a year. */
  readonly priceRise?: number;
  readonly discountRate?: number;
  /** Over which it is looked at; 30 where left out. */
  readonly years?: number;
}

export interface Payback {
  /** Extra less avoided cost. */
  readonly netCost: number;
  readonly firstYearSaving: number;
  /** Null where nothing is saved. */
  readonly simpleYears: number | null;
  /** With rising prices and discounted money; null where it is not paid back within the years. */
  readonly discountedYears: number | null;
  /** Of all savings, less the net cost. */
  readonly presentValue: number;
  readonly findings: readonly Finding<'not-paid-back'>[];
}

/**
 * What the saving of one year is worth today: S·(1+g)^(n−1)/(1+r)^n.
 * @param n 1 for the first year
 * @example savingOfYear(240, 1, 0.02, 0.04) // 230.8
 */
export function savingOfYear(firstYear: number, n: number, priceRise: number, discountRate: number): number {
  return (firstYear * (1 + priceRise) ** (n - 1)) / (1 + discountRate) ** n;
}

/**
 * When better insulation has paid for itself, in years, simply and with prices that rise and money that is discounted.
 * Money is in whatever the costs are in.
 * @example payback({ extraCost: 2400, savedKwhPerYear: 1500, pricePerKwh: 0.16 }).simpleYears // 10
 */
export function payback(input: PaybackInput): Payback {
  const { extraCost, avoidedCost = 0, savedKwhPerYear, pricePerKwh } = input;
  const { priceRise = 0, discountRate = 0, years = 30 } = input;
  const netCost = extraCost - avoidedCost;
  const firstYearSaving = savedKwhPerYear * pricePerKwh;
  let [worth, discountedYears]: [number, number | null] = [0, netCost > 0 ? null : 0];
  for (let n = 1; n <= years; n++) {
    const saving = savingOfYear(firstYearSaving, n, priceRise, discountRate);
    if (discountedYears === null && !fallsBelow(worth + saving, netCost)) {
      discountedYears = n - 1 + (netCost - worth) / saving;
    }
    worth += saving;
  }
  return {
    netCost,
    firstYearSaving,
    simpleYears: netCost <= 0 ? 0 : firstYearSaving > 0 ? netCost / firstYearSaving : null,
    discountedYears,
    presentValue: worth - netCost,
    findings:
      discountedYears !== null
        ? []
        : [
            {
              rule: 'not-paid-back',
              severity: 'warn',
              message: 'It does not pay for itself within these years.',
              value: worth,
              limit: netCost,
            },
          ],
  };
}

export const paybackOperation: Operation<PaybackInput, Payback> = {
  words: {
    shelf: 'house',
    title: 'Payback',
    tells: 'When what better work costs has been saved again.',
    alsoCalled: 'return on investment, ROI, simple payback, net present value, NPV, cost, savings',
    mainFigures: ['simpleYears', 'discountedYears', 'firstYearSaving', 'presentValue'],
  },
  schema: fields<PaybackInput>({
    extraCost: figure('money'),
    avoidedCost: as('Cost avoided', optional(nonNegative('money'))),
    savedKwhPerYear: as('Heat saved a year', figure('energy')),
    pricePerKwh: as('Price of energy', nonNegative('pricePerKwh')),
    priceRise: as('Rise of the price a year', optional(number({ quantity: 'share', min: -0.2, max: 0.2 }))),
    discountRate: optional(number({ quantity: 'share', min: 0, max: 0.3 })),
    years: as('Years looked at', optional(number({ quantity: 'years', min: 1, max: 100, whole: true }))),
  }),
  run: payback,
  output: outcome<Payback>({
    netCost: figure('money'),
    firstYearSaving: as('Saved in the first year', figure('money')),
    simpleYears: as('Paid back after, simply', optional(figure('years'))),
    discountedYears: as('Paid back after, discounted', optional(figure('years'))),
    presentValue: figure('money'),
  }),
};
