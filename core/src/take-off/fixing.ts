import { exceeds, fallsBelow, type Finding } from '../finding';
import { PASSES_MAX, STOCK_MAX } from '../limits';
import type { Operation } from '../operation';
import { as, fields, figure, list, nonNegative, optional, outcome, positive } from '../schema';
import { wholeUp } from './whole-packs';

export interface FixingInput {
  /** Thicknesses of what it goes through before it holds. */
  readonly passesM: readonly number[];
  /** How deep it has to hold. */
  readonly leastHoldM: number;
  /** From under its head to what must stay whole behind: a sheet. */
  readonly limitM?: number;
  /** Short of that by so much; 3 mm where left out. */
  readonly marginM?: number;
  /** Lengths that can be had. */
  readonly stockM?: readonly number[];
  readonly areaM2?: number;
  readonly perM2?: number;
}

export interface Fixing {
  readonly leastLengthM: number;
  /** Null where nothing must stay whole behind. */
  readonly greatestLengthM: number | null;
  readonly chosenM: number | null;
  /** Null without an area and how many a square metre takes. */
  readonly count: number | null;
  readonly findings: readonly Finding<'no-length-fits' | 'no-stock-fits'>[];
}

export const USUAL_MARGIN_M = 0.003;

/**
 * How long a fixing is: long enough to hold, too short to reach the sheet behind; and how many.
 * @example fixing({ passesM: [0.0125], leastHoldM: 0.02, limitM: 0.0625, stockM: [0.025, 0.035, 0.045] }).chosenM // 0.035
 */
export function fixing(input: FixingInput): Fixing {
  const { passesM, leastHoldM, limitM, marginM = USUAL_MARGIN_M, stockM = [], areaM2, perM2 } = input;
  const leastLengthM = passesM.reduce((sum, each) => sum + each, 0) + leastHoldM;
  const greatestLengthM = limitM === undefined ? null : limitM - marginM;
  const someFits = greatestLengthM === null || !exceeds(leastLengthM, greatestLengthM);
  const fitting = stockM.filter(
    (lengthM) =>
      !fallsBelow(lengthM, leastLengthM) && (greatestLengthM === null || !exceeds(lengthM, greatestLengthM)),
  );
  const chosenM = fitting.length === 0 ? null : Math.min(...fitting);
  const isOutOfStock = someFits && stockM.length > 0 && chosenM === null;
  return {
    leastLengthM,
    greatestLengthM,
    chosenM,
    count: areaM2 === undefined || perM2 === undefined ? null : wholeUp(areaM2 * perM2),
    findings: [
      ...(someFits
        ? []
        : [
            {
              rule: 'no-length-fits' as const,
              severity: 'fail' as const,
              message: 'What holds reaches the sheet: take a thicker batten, or fix it elsewhere.',
              value: leastLengthM,
              limit: greatestLengthM ?? undefined,
            },
          ]),
      ...(isOutOfStock
        ? [
            {
              rule: 'no-stock-fits' as const,
              severity: 'fail' as const,
              message: 'None of these lengths fits: get one between the least and the greatest.',
              value: leastLengthM,
              limit: greatestLengthM ?? undefined,
            },
          ]
        : []),
    ],
  };
}

export const fixingOperation: Operation<FixingInput, Fixing> = {
  words: {
    shelf: 'insulation',
    title: 'Length of a fixing',
    tells: 'How long screws and nails are: long enough to hold, too short to reach the sheet.',
    alsoCalled: 'take-off, order list, screws, nails, penetration, embedment, service batten, counter batten',
    mainFigures: ['chosenM', 'leastLengthM', 'greatestLengthM', 'count'],
  },
  schema: fields<FixingInput>({
    passesM: as('Goes through', list(positive('thickness'), 1, PASSES_MAX)),
    leastHoldM: as('Holds in', positive('thickness')),
    limitM: as('To what must stay whole', optional(positive('thickness'))),
    marginM: as('Short of it by', optional(nonNegative('thickness'))),
    stockM: as('Lengths there are', optional(list(positive('thickness'), 0, STOCK_MAX))),
    areaM2: optional(nonNegative('area')),
    perM2: as('For each square metre', optional(nonNegative('perArea'))),
  }),
  run: fixing,
  output: outcome<Fixing>({
    leastLengthM: as('At least', figure('thickness')),
    greatestLengthM: as('At most', optional(figure('thickness'))),
    chosenM: as('To take', optional(figure('thickness'))),
    count: as('How many', optional(figure('count'))),
  }),
};
