import { unitOf, type Quantity, type UnitSystem } from '@calvet/core/units/quantity';
import type { Direction } from '@calvet/core/airtightness/conditions';
import type { TargetQuantity, Verdict } from '@calvet/core/airtightness/budget';
import { figure } from '../../ui/format';
import type { Mark } from '../../ui/line-mark';

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
  /** Stands behind the figure: `1.83 /h`, `1.83 ACH50`. */
  readonly unit: string;
  /** Stands over the figure: `n50, /h`, `ACH50`. */
  readonly label: string;
}

const TARGETS: Readonly<Record<TargetQuantity, Pick<TargetWords, 'symbol' | 'per' | 'quantity'>>> = {
  n50: { symbol: 'n50', per: 'per volume', quantity: 'airChange' },
  qE50: { symbol: 'qE50', per: 'per envelope area', quantity: 'flowPerArea' },
  qF50: { symbol: 'qF50', per: 'per floor area', quantity: 'flowPerArea' },
  q50: { symbol: 'q50', per: 'flow', quantity: 'flow' },
};

/** Where figures at 50 Pa are imperial, their trade puts the pressure into the unit. */
const IMPERIAL_UNITS: Readonly<Record<TargetQuantity, string>> = {
  n50: 'ACH50',
  qE50: 'cfm50/ft²',
  qF50: 'cfm50/ft²',
  q50: 'CFM50',
};

/** How a target quantity is named, by who measures in these units, and in which quantity it is shown. */
export function targetWords(target: TargetQuantity, units: UnitSystem): TargetWords {
  const words = TARGETS[target];
  if (units === 'metric') {
    const unit = unitOf(words.quantity, units).symbol;
    return { ...words, unit, label: `${words.symbol}, ${unit}` };
  }
  const unit = IMPERIAL_UNITS[target];
  const isNamedByUnit = target === 'n50' || target === 'q50';
  return isNamedByUnit
    ? { ...words, symbol: unit, unit, label: unit }
    : { ...words, unit, label: `${words.symbol}, ${unit}` };
}

/** A figure of a target quantity with its unit: `1.83 /h`, `1.83 ACH50`. */
export function targetFigureWithUnit(si: number, target: TargetQuantity, units: UnitSystem): string {
  const { quantity, unit } = targetWords(target, units);
  return `${figure(si, quantity, units)}\u00A0${unit}`;
}
