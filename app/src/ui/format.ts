import { fromSi, unitOf, type Quantity, type UnitSystem } from '@calvet/core/units/quantity';
import { format as formatDay } from 'date-fns/format';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';

/** The true minus sign. */
export const MINUS = '\u2212';
/** A figure that was typed comes back from SI within this share of itself. */
const TYPED_SLACK = 1e-12;

function withMinus(text: string): string {
  const isZero = /^-0(?:\.0*)?$/.test(text);
  return isZero ? text.slice(1) : text.replace('-', MINUS);
}

/** A figure of plain decimals, with a true minus sign and never a negative zero. */
export function decimals(value: number, digits: number): string {
  return withMinus(value.toFixed(digits));
}

/** Quantities that are whole figures whatever their size: a house of 2 m³ is a slip, not a small house. */
const WHOLE: ReadonlySet<Quantity> = new Set([
  'volume',
  'altitude',
  'count',
  'position',
  'energy',
  'degreeDays',
]);

/**
 * Quantities written without decimals get some where they are small, so that three digits tell; noughts at their end tell
 * nothing.
 */
function decimalsFor(shown: number, quantity: Quantity, usual: number): number {
  const size = Math.abs(shown);
  if (usual > 0 || WHOLE.has(quantity) || size >= 99.5) return usual;
  const digits = size >= 9.95 ? 1 : 2;
  const [, told = ''] = size.toFixed(digits).replace(/0+$/, '').split('.');
  return told.length;
}

/** A figure in SI as it is shown: in its unit, with its usual decimals, without the unit's symbol. */
export function figure(si: number, quantity: Quantity, units: UnitSystem, digits?: number): string {
  const shown = fromSi(si, quantity, units);
  return decimals(shown, digits ?? decimalsFor(shown, quantity, unitOf(quantity, units).decimals));
}

/** A figure with its unit. */
export function figureWithUnit(si: number, quantity: Quantity, units: UnitSystem, digits?: number): string {
  const { symbol } = unitOf(quantity, units);
  const glue = symbol === '%' || symbol === '' ? '' : '\u00A0';
  return `${figure(si, quantity, units, digits)}${glue}${symbol}`;
}

/** A thermal resistance as its trade says it: `R 3.63 m²·K/W`, `R-20.6`. It is never parted at the end of a line. */
export function resistance(rsi: number, units: UnitSystem): string {
  return units === 'metric'
    ? `R\u00A0${figureWithUnit(rsi, 'resistance', units)}`
    : `R\u2011${figure(rsi, 'resistance', units)}`;
}

/**
 * A figure as it stands in a field for entry: as it was typed, where it was typed in these units; else, where it
 * comes from other units and would need many digits, a little finer than it is usually written.
 */
export function entry(si: number | null, quantity: Quantity, units: UnitSystem): string {
  if (si === null) return '';
  const shown = fromSi(si, quantity, units);
  const typed = [0, 1, 2, 3, 4, 5, 6]
    .map((digits) => Number(shown.toFixed(digits)))
    .find((rounded) => Math.abs(rounded - shown) <= TYPED_SLACK * Math.abs(shown));
  const value = typed ?? Number(shown.toFixed(unitOf(quantity, units).decimals + 1));
  return withMinus(String(value));
}

/** A figure as it stands in a field for entry, with its unit. */
export function entryWithUnit(si: number, quantity: Quantity, units: UnitSystem): string {
  const { symbol } = unitOf(quantity, units);
  return symbol === '' ? entry(si, quantity, units) : `${entry(si, quantity, units)}\u00A0${symbol}`;
}

/** A day as it is written here: 22 Sep 2026. */
export function day(isoDay: string): string {
  const date = parseISO(isoDay);
  return isValid(date) ? formatDay(date, 'd MMM yyyy') : isoDay;
}

let lastToday: { readonly key: string; readonly text: string } | null = null;

/** Today on this device's calendar, YYYY-MM-DD. */
export function today(): string {
  const now = new Date();
  // Pages ask for it with whatever is pressed: a day is put in form once, wherever the device is by then.
  const key = now.toDateString();
  if (lastToday?.key !== key) lastToday = { key, text: formatDay(now, 'yyyy-MM-dd') };
  return lastToday.text;
}
