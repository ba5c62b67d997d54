import type { Operation } from '../operation';
import { as, figure, fields, nonNegative, number, optional, outcome, positive } from '../schema';
import { wholeUp } from './whole-packs';

export interface PacksInput {
  /** In whatever the pack is counted in: m², m, kg, pieces. */
  readonly needed: number;
  /** 0.05 where left out. */
  readonly wasteShare?: number;
  /** What is in one pack. */
  readonly packSize: number;
  /** What is there already. */
  readonly onHand?: number;
}

export interface Packs {
  readonly withWaste: number;
  readonly packs: number;
  /** What is over in the end. */
  readonly left: number;
}

/** Share of what is bought that is cut off or spoilt, where nobody says another. */
export const USUAL_WASTE = 0.05;

/**
 * Packs to buy: ⌈(needed·(1 + waste) − on hand)/size⌉, never below 0.
 * @example packs({ needed: 74.3, packSize: 2.88 }).packs // 28
 */
export function packs({ needed, wasteShare = USUAL_WASTE, packSize, onHand = 0 }: PacksInput): Packs {
  const withWaste = needed * (1 + wasteShare);
  const count = Math.max(0, wholeUp((withWaste - onHand) / packSize));
  return { withWaste, packs: count, left: count * packSize + onHand - withWaste };
}

export const wasteShare = as('Waste', optional(number({ quantity: 'share', min: 0, max: 1 })));

export const packsOperation: Operation<PacksInput, Packs> = {
  words: {
    shelf: 'insulation',
    title: 'Packs to buy',
    tells: 'Whole packs of boards, bags or rolls, with what is wasted and what is there already.',
    alsoCalled: 'take-off, order list, quantity, boards, purchase, waste',
    mainFigures: ['packs', 'withWaste', 'left'],
  },
  schema: fields<PacksInput>({
    needed: nonNegative('plain'),
    wasteShare,
    packSize: as('In one pack', positive('plain')),
    onHand: as('There already', optional(nonNegative('plain'))),
  }),
  run: packs,
  output: outcome<Packs>({
    withWaste: figure('plain'),
    packs: figure('count'),
    left: as('Left over', figure('plain')),
  }),
};
