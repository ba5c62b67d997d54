import { refusalOf, type FieldRefusal } from '@calvet/contract';
import { fromSi, parseDecimal, toSi, unitOf, type Quantity, type UnitSystem } from '@calvet/core';
import type { Schema } from 'joi';

/** What a field makes of what was typed. */
export type Entry =
  | { readonly state: 'empty' }
  | { readonly state: 'value'; readonly si: number }
  | { readonly state: 'wrong'; readonly message: string };

interface EntryRules {
  readonly quantity: Quantity;
  readonly units: UnitSystem;
  /** Schema of the value in SI. */
  readonly schema?: Schema;
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

/** Reads what was typed into a field of a quantity, in the units in force. */
export function readEntry(text: string, rules: EntryRules): Entry {
  const parsed = parseDecimal(text);
  if (!parsed.ok) {
    switch (parsed.problem) {
      case 'empty':
        return { state: 'empty' };
      case 'ambiguous':
        return {
          state: 'wrong',
          message: `Could be ${text.trim().replace(',', '')} or ${text.trim().replace(',', '.')}: write it without the comma.`,
        };
      case 'not-a-number':
        return { state: 'wrong', message: 'Not a number: write it like 12.5 or 12,5.' };
    }
  }
  const si = toSi(parsed.value, rules.quantity, rules.units);
  const error = rules.schema?.validate(si, { convert: false }).error;
  if (error !== undefined) return { state: 'wrong', message: messageOf(refusalOf(error), rules) };
  return { state: 'value', si };
}
