import type { TestStage } from '@calvet/contract';
import type { Direction, Quantity, TargetQuantity, Verdict } from '@calvet/core';
import type { Mark } from '../../ui/line-mark';

export const STAGE_WORDS: Readonly<Record<TestStage, string>> = {
  bareBarrier: 'Bare barrier',
  openingsIn: 'Openings in',
  servicesIn: 'Services in',
  finished: 'Finished',
};

export const DIRECTION_WORDS: Readonly<Record<Direction, string>> = {
  depressurise: 'Depressurise',
  pressurise: 'Pressurise',
};

/** How a result came about. */
export const DIRECTED: Readonly<Record<Direction, string>> = {
  depressurise: 'depressurised',
  pressurise: 'pressurised',
};

interface VerdictWords {
  readonly word: string;
  readonly mark: Mark;
  readonly tone: 'lake' | 'ember' | 'straw';
  readonly tint: 'lakeTint' | 'emberTint' | 'strawTint';
}

export const VERDICT_WORDS: Readonly<Record<Verdict, VerdictWords>> = {
  pass: { word: 'Pass', mark: 'solid', tone: 'lake', tint: 'lakeTint' },
  'pass-not-proven': { word: 'Pass, not proven', mark: 'half', tone: 'straw', tint: 'strawTint' },
  fail: { word: 'Fails', mark: 'broken', tone: 'ember', tint: 'emberTint' },
};

interface TargetWords {
  readonly symbol: string;
  readonly per: string;
  readonly quantity: Quantity;
}

/** How each target quantity is named and in which quantity it is shown. */
export const TARGET_WORDS: Readonly<Record<TargetQuantity, TargetWords>> = {
  n50: { symbol: 'n50', per: 'per volume', quantity: 'airChange' },
  qE50: { symbol: 'qE50', per: 'per envelope area', quantity: 'flowPerArea' },
  qF50: { symbol: 'qF50', per: 'per floor area', quantity: 'flowPerArea' },
  q50: { symbol: 'q50', per: 'flow', quantity: 'flow' },
};
