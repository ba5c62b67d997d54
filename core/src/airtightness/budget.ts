import type { Operation } from '../operation';
import { as, fields, figure, option, optional, outcome, positive, text } from '../schema';
import { exceeds, type Finding } from '../finding';
import { Refusal } from '../refusal';
import type { Building } from './building';
import { equivalentHoleM2 } from './figures';

/** What a target limits: per volume, per envelope area, per floor area, or the flow itself. */
export type TargetQuantity = 'n50' | 'qE50' | 'qF50' | 'q50';

export interface Target {
  readonly quantity: TargetQuantity;
  /** 1/h, m³/(h·m²) or m³/h, by quantity. */
  readonly limit: number;
}

export interface BudgetInput {
  readonly target: Target;
  /** Only the size that the quantity needs must be there. */
  readonly building?: Partial<Building>;
  readonly q50M3h: number;
  readonly q50High95M3h?: number;
}

export type Verdict = 'fail' | 'pass-not-proven' | 'pass';

export interface Budget {
  readonly limitFlowM3h: number;
  /** q50 less the limit; negative where there is room. */
  readonly excessM3h: number;
  /** The hole left to close, as a sharp-edged opening; 0 where none is left. */
  readonly holeAreaM2: number;
  readonly verdict: Verdict;
  readonly findings: readonly Finding<'over-limit' | 'pass-not-proven'>[];
}

type Size = 'volumeM3' | 'envelopeAreaM2' | 'floorAreaM2';

const SIZE_OF: Readonly<Record<TargetQuantity, Size | null>> = {
  n50: 'volumeM3',
  qE50: 'envelopeAreaM2',
  qF50: 'floorAreaM2',
  q50: null,
};

/**
 * The size of the house that turns a target's limit into a flow; null where the limit is a flow.
 * @example sizeNeededBy('qE50') // 'envelopeAreaM2'
 */
export function sizeNeededBy(quantity: TargetQuantity): Size | null {
  return SIZE_OF[quantity];
}

function limitFlowM3h({ target, building }: BudgetInput): number {
  const size = sizeNeededBy(target.quantity);
  if (size === null) return target.limit;
  const value = building?.[size];
  if (value === undefined) {
    throw new Refusal('required', `building.${size}`, 'The target needs this size of the house.');
  }
  return target.limit * value;
}

function judge(q50M3h: number, limit: number, q50High95M3h: number | undefined): Verdict {
  if (exceeds(q50M3h, limit)) return 'fail';
  return q50High95M3h === undefined || exceeds(q50High95M3h, limit) ? 'pass-not-proven' : 'pass';
}

function findingsOf(verdict: Verdict, value: number, limit: number): Budget['findings'] {
  switch (verdict) {
    case 'fail':
      return [
        {
          rule: 'over-limit',
          severity: 'fail',
          message: 'The house leaks more than its target allows.',
          value,
          limit,
        },
      ];
    case 'pass-not-proven':
      return [
        {
          rule: 'pass-not-proven',
          severity: 'warn',
          message: 'The figure meets the target, but its upper bound does not, or is not known.',
          value,
          limit,
        },
      ];
    case 'pass':
      return [];
  }
}

/**
 * Leakage at 50 Pa held against a target: verdict, excess (m³/h) and the hole left to close (m²).
 * A pass is proven only where the upper 95 % bound meets the limit as well.
 * @example budget({ target: { quantity: 'q50', limit: 600 }, q50M3h: 500 }).verdict // 'pass-not-proven'
 * @throws {Refusal} `required` (the size that the target needs), `out-of-range` (upper bound below the figure)
 */
export function budget(input: BudgetInput): Budget {
  const { q50M3h, q50High95M3h } = input;
  if (q50High95M3h !== undefined && q50High95M3h < q50M3h) {
    throw new Refusal('out-of-range', 'q50High95M3h', 'The upper bound lies below the figure itself.', {
      value: q50High95M3h,
      bound: q50M3h,
    });
  }
  const limit = limitFlowM3h(input);
  const verdict = judge(q50M3h, limit, q50High95M3h);
  const excessM3h = q50M3h - limit;
  return {
    limitFlowM3h: limit,
    excessM3h,
    holeAreaM2: verdict === 'fail' ? equivalentHoleM2(excessM3h, 50) : 0,
    verdict,
    findings: findingsOf(verdict, verdict === 'fail' ? q50M3h : (q50High95M3h ?? q50M3h), limit),
  };
}

export const budgetInput = fields<BudgetInput>({
  target: fields<Target>({
    quantity: option('n50', 'qE50', 'qF50', 'q50'),
    limit: positive({
      by: 'quantity',
      of: { n50: 'airChange', qE50: 'flowPerArea', qF50: 'flowPerArea', q50: 'flow' },
    }),
  }),
  building: optional(
    fields<Partial<Building>>({
      volumeM3: optional(positive('volume')),
      envelopeAreaM2: optional(positive('area')),
      floorAreaM2: optional(positive('area')),
      heightM: optional(positive('length')),
    }),
  ),
  q50M3h: as('q50', positive('flow')),
  q50High95M3h: as('q50, upper bound at 95 %', optional(positive('flow'))),
});

export const budgetOperation: Operation<BudgetInput, Budget> = {
  words: {
    shelf: 'airtightness',
    title: 'Room to the target',
    tells: 'How far a test is from its limit, and the hole that is left to close.',
    alsoCalled: 'target, limit, ACH50, CFM50, n50, pass, fail, hole, ELA, EqLA',
    mainFigures: ['verdict', 'excessM3h', 'holeAreaM2', 'limitFlowM3h'],
  },
  schema: budgetInput,
  run: budget,
  output: outcome<Budget>({
    limitFlowM3h: as('Flow at the limit', figure('flow')),
    excessM3h: as('Over the limit', figure('flow')),
    holeAreaM2: as('Hole', figure('leakArea')),
    verdict: text(),
  }),
};
