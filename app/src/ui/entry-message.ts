import type { FieldRefusal } from '@calvet/contract/refusal-of';
import { fromSi, unitOf, type Quantity, type UnitSystem } from '@calvet/core/units/quantity';
import { parseQuantity, type AmbiguousReading } from '@calvet/core/units/parse-quantity';
import { unitsTyped } from '@calvet/core/units/spellings';
import { misfit, type NumberSchema } from '@calvet/core/schema';
import { MINUS } from './format';

/** What a field makes of what was typed. */
export type Entry =
  | { readonly state: 'empty' }
  | { readonly state: 'value'; readonly si: number }
  | {
      readonly state: 'wrong';
      readonly message: string;
      /** Where it could be either: what may stand in its place. */
      readonly choices?: readonly string[];
    };

/** On which side of zero figures of a field lie, so that nobody has to type the sign. */
export interface AssumedSign {
  readonly sign: 1 | -1;
  /** Said where somebody types the other sign: "Depressurising takes the house below zero". */
  readonly because: string;
}

interface EntryRules {
  readonly quantity: Quantity;
  readonly units: UnitSystem;
  /** Of the value in SI. */
  readonly bounds?: NumberSchema;
  readonly assumed?: AssumedSign;
}

const SIGN = /^\s*([+\-\u2212\u2013])\s*/;

/** The sign that stands in a text; null where none does. */
export function signTyped(text: string): 1 | -1 | null {
  const [, sign] = SIGN.exec(text) ?? [];
  return sign === undefined ? null : sign === '+' ? 1 : -1;
}

/** A text with another sign: none where it is the one that is assumed anyway. */
export function withSignTurned(text: string, assumed: 1 | -1 = 1): string {
  const bare = text.replace(SIGN, '');
  const turned = -(signTyped(text) ?? assumed);
  return turned === assumed ? bare : `${turned === 1 ? '+' : MINUS}${bare}`;
}

const shorten = (value: number): string => String(Number(value.toPrecision(5)));

/** A refusal in words for the person who typed, its bound in the units that they type in. */
export function messageOf(
  refusal: FieldRefusal,
  { quantity, units }: Pick<EntryRules, 'quantity' | 'units'>,
): string {
  if (refusal.code !== 'out-of-range' || typeof refusal.bound !== 'number') return refusal.message;
  const bound = `${shorten(fromSi(refusal.bound, quantity, units))} ${unitOf(quantity, units).symbol}`.trim();
  return refusal.message.replace(String(refusal.bound), bound).replace('This must', 'Must');
}

function checked(si: number, rules: EntryRules): Entry {
  const refusal = rules.bounds === undefined ? null : misfit(rules.bounds, si);
  return refusal === null ? { state: 'value', si } : { state: 'wrong', message: messageOf(refusal, rules) };
}

/** What the field takes, in words. */
function takes({ quantity, units }: EntryRules): string {
  const { symbol } = unitOf(quantity, units);
  const like = symbol === 'in' || symbol === 'ft' ? '5.5 or 5 1/2' : '12.5 or 12,5';
  const others = unitsTyped(quantity).map(({ spellings }) => spellings[0]);
  return others.length < 2
    ? `write it like ${like}.`
    : `write it like ${like}, or with ${others.join(', ')}.`;
}

/** A figure that can be read two ways is asked about, unless only one of them can be. */
function either(readings: readonly AmbiguousReading[], rules: EntryRules): Entry {
  const fitting = readings.filter(({ si }) => checked(si, rules).state === 'value');
  const [only] = fitting;
  if (fitting.length === 1 && only !== undefined) return { state: 'value', si: only.si };
  const texts = (fitting.length === 0 ? readings : fitting).map(({ text }) => text);
  return { state: 'wrong', message: `${texts.join(' or ')}?`, choices: texts };
}

/**
 * Reads what was typed into a field of a quantity: in the units in force, or in those that are written. Where a sign is
 * assumed, a figure without one has it, and one with the other is asked about.
 */
export function readEntry(text: string, { assumed, ...rules }: EntryRules): Entry {
  if (assumed === undefined) return readPlain(text, rules);
  const bare = text.replace(SIGN, '');
  const sign = assumed.sign === 1 ? '' : MINUS;
  const entry = readPlain(`${sign}${bare}`, rules);
  const isOther = (signTyped(text) ?? assumed.sign) !== assumed.sign;
  if (!isOther || entry.state !== 'value' || entry.si === 0) return entry;
  const choices = [`${sign}${bare}`, `${assumed.sign === 1 ? MINUS : '+'}${bare}`];
  return { state: 'wrong', message: `${assumed.because}: ${choices.join(' or ')}?`, choices };
}

function readPlain(text: string, rules: EntryRules): Entry {
  const parsed = parseQuantity(text, rules.quantity, rules.units);
  if (parsed.ok) return checked(parsed.si, rules);
  switch (parsed.problem) {
    case 'empty':
      return { state: 'empty' };
    case 'ambiguous':
      return either(parsed.either, rules);
    case 'unknown-unit':
      return { state: 'wrong', message: `“${parsed.unit}” is no unit of this: ${takes(rules)}` };
    case 'not-a-number':
      return { state: 'wrong', message: `Not a number: ${takes(rules)}` };
  }
}
