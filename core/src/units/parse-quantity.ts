import { parseDecimal } from './decimal';
import { toSi, unitOf, type Quantity, type UnitSystem } from './quantity';
import { unitWritten } from './spellings';

/** A quantity as a person typed it, in SI, or why it cannot be read. */
export type ParsedQuantity =
  | { readonly ok: true; readonly si: number }
  | { readonly ok: false; readonly problem: 'empty' | 'not-a-number' }
  | { readonly ok: false; readonly problem: 'unknown-unit'; readonly unit: string }
  | {
      readonly ok: false;
      readonly problem: 'ambiguous';
      /** The mark between thousands, or before decimals: both as they would be written without doubt, and in SI. */
      readonly either: readonly [AmbiguousReading, AmbiguousReading];
    };

/** One way to read a figure that could be either. */
export interface AmbiguousReading {
  /** To be typed in its place. */
  readonly text: string;
  readonly si: number;
}

const FRACTIONS: Readonly<Record<string, string>> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};
const FRACTION_SIGNS = new RegExp(`(\\d?)[ \\u00A0]*([${Object.keys(FRACTIONS).join('')}])`, 'g');

const NUMBER = String.raw`\d[\d.,'\s]*\d|\d|[.,]\d+`;
const MIXED = new RegExp(String.raw`^(?:(\d+)(?:\s+|\s*-\s*))?(\d+)\s*/\s*(\d+)$`);
const FEET_AND_INCHES = new RegExp(
  String.raw`^(\d+(?:[.,]\d+)?)\s*(?:'|ft\.?|foot|feet)[\s,-]*(.+?)\s*(?:"|''|in\.?|inch|inches)?$`,
  'i',
);
const FIGURE_AND_UNIT = new RegExp(
  String.raw`^((?:\d+(?:\s+|\s*-\s*))?\d+\s*/\s*\d+|(?:${NUMBER})[.,]?(?:e[+-]?\d+)?)\s*(.*)$`,
  'i',
);
/** `R-20`, `R 3.5`: the letter of a resistance is no unit. `RSI` is one. */
const R_VALUE = /^R(?!SI)[\s-]*(?=[\d.,])/i;
const RSI_VALUE = /^RSI[\s-]*(?=[\d.,])/i;
/** One mark with three figures after it, and no nought before it. */
const EITHER = /^([1-9]\d{0,2})([.,])(\d{3})$/;

/** Signs of one kind: a plain minus, plain primes, fractions written out. */
function plain(text: string): string {
  return text
    .trim()
    .replace(/[\u2212\u2012\u2013]/g, '-')
    .replace(/[′’‘]/g, "'")
    .replace(/[″”“]/g, '"')
    .replace(/\u2044/g, '/')
    .replace(
      FRACTION_SIGNS,
      (_, digit: string, sign: string) => `${digit}${digit === '' ? '' : ' '}${FRACTIONS[sign] ?? ''}`,
    );
}

type Figure =
  | { readonly kind: 'one'; readonly value: number }
  | { readonly kind: 'either'; readonly texts: readonly [string, string] }
  | null;

/** @param isPoint true where a dot is known to stand before decimals */
function figureOf(text: string, isPoint = false): Figure {
  const mixed = MIXED.exec(text.trim());
  if (mixed !== null) {
    const [, whole = '0', over = '', under = ''] = mixed;
    const value = Number(whole) + Number(over) / Number(under);
    return Number.isFinite(value) ? { kind: 'one', value } : null;
  }
  const either = EITHER.exec(text);
  if (either !== null && !(isPoint && either[2] === '.')) {
    const [, before = '', , after = ''] = either;
    // Without its last noughts it has no three figures behind the mark; with one more it has four.
    const decimals = after.replace(/0+$/, '');
    const small = decimals === '' ? before : `${before}.${decimals.length === 3 ? `${decimals}0` : decimals}`;
    return { kind: 'either', texts: [small, `${before}${after}`] };
  }
  const [, mantissa = text, exponent] = /^(.*?)(?:e([+-]?\d+))?$/i.exec(text) ?? [];
  const parsed = parseDecimal(mantissa);
  if (!parsed.ok) return null;
  const value = Number(`${parsed.value}e${exponent ?? 0}`);
  return Number.isFinite(value) ? { kind: 'one', value } : null;
}

const NOT_A_NUMBER = { ok: false, problem: 'not-a-number' } as const;

/** Feet and inches, as `5'6"`, `5 ft 6 1/2 in`; null where it is something else. */
function feetAndInches(text: string, sign: number): ParsedQuantity | null {
  const found = FEET_AND_INCHES.exec(text);
  if (found === null) return null;
  const [, feet = '', inches = ''] = found;
  const [ft, inch] = [figureOf(feet), figureOf(inches)];
  if (ft?.kind !== 'one' || inch?.kind !== 'one') return null;
  return { ok: true, si: sign * toSi(ft.value * 12 + inch.value, 'thickness', 'imperial') };
}

/**
 * Reads a quantity as people write it: decimals with a dot or a comma, blanks between thousands, fractions, feet and
 * inches, powers of ten, with a unit or without. A unit that is written wins over the system that is set.
 * @returns SI; `ambiguous` where one mark stands before exactly three figures: it may part thousands
 * @example parseQuantity('1 1/2"', 'thickness', 'metric') // { ok: true, si: 0.0381 }
 * @example parseQuantity('35 cfm', 'flow', 'metric') // { ok: true, si: 59.465… }
 */
export function parseQuantity(text: string, quantity: Quantity, system: UnitSystem): ParsedQuantity {
  let rest = plain(text);
  if (rest === '') return { ok: false, problem: 'empty' };
  const sign = rest.startsWith('-') ? -1 : 1;
  rest = rest.replace(/^[+-]\s*/, '');
  let named = '';
  if (quantity === 'resistance') {
    if (RSI_VALUE.test(rest)) named = 'RSI';
    rest = rest.replace(RSI_VALUE, '').replace(R_VALUE, '');
  }
  if (unitWritten('ft', quantity) !== undefined) {
    const both = feetAndInches(rest, sign);
    if (both !== null) return both;
  }
  const found = FIGURE_AND_UNIT.exec(rest);
  if (found === null) return NOT_A_NUMBER;
  const [, figure = '', written = ''] = found;
  const unitText = written === '' ? named : written;
  const unit = unitText === '' ? null : unitWritten(unitText, quantity);
  // Three decimals are what such a quantity is shown with.
  const read = figureOf(figure.trim(), unitOf(quantity, system).decimals >= 3);
  if (read === null) return NOT_A_NUMBER;
  if (unit === undefined) {
    // A digit or a mark is a slip in the figure, not a unit.
    if (/^[\d.,/-]/.test(unitText)) return NOT_A_NUMBER;
    return { ok: false, problem: 'unknown-unit', unit: unitText };
  }
  const si = (value: number): number =>
    unit === null ? toSi(sign * value, quantity, system) : sign * value * unit.toSi + unit.shift;
  if (read.kind === 'one') return { ok: true, si: si(read.value) };
  const suffix = unitText === '' || named !== '' ? '' : ` ${written}`;
  const reading = (each: string): AmbiguousReading => ({
    text: `${sign < 0 ? '\u2212' : ''}${each}${suffix}`,
    si: si(Number(each)),
  });
  return { ok: false, problem: 'ambiguous', either: [reading(read.texts[0]), reading(read.texts[1])] };
}
