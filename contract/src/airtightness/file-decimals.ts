/** The mark that stands before decimals in a file. */
export type DecimalMark = '.' | ',';

/** One mark with three figures after it: decimals, or a thousand. */
const EITHER = /^([+-]?[1-9]\d{0,2})([.,])(\d{3})$/;
/** Decimals and nothing else: another number of figures after the mark, or what no thousand begins with. */
const DECIMALS = /^[+-]?(?:\d*([.,])(?:\d{1,2}|\d{4,})|(?:0|\d{4,})?([.,])\d+)$/;
/** Thousands parted by one mark, with decimals after the other or with more than one group. */
const THOUSANDS = /^[+-]?\d{1,3}(?:([.,])\d{3})(?:\1\d{3})*(?:([.,])\d+)?$/;

const plain = (text: string): string => text.trim().replace(/[\u2212\u2012\u2013]/g, '-');
const other = (mark: string): DecimalMark => (mark === '.' ? ',' : '.');

/** The mark that a text shows to stand before decimals; null where it shows none. */
function markShown(text: string): DecimalMark | null {
  const decimals = DECIMALS.exec(text);
  if (decimals !== null) return (decimals[1] ?? decimals[2]) as DecimalMark;
  const thousands = EITHER.test(text) ? null : THOUSANDS.exec(text);
  return thousands === null ? null : other(thousands[1] ?? '');
}

/**
 * The mark before decimals that the figures of a file give away; null where they show none, or both.
 * @example decimalMarkOf(['-0,8', '1.200']) // ','
 */
export function decimalMarkOf(texts: readonly string[]): DecimalMark | null {
  const shown = new Set(texts.flatMap((text) => markShown(plain(text)) ?? []));
  const [only] = shown;
  return shown.size === 1 && only !== undefined ? only : null;
}

/** One way to read a figure: its value, where this mark stands before decimals. */
export interface FigureReading {
  readonly value: number;
  readonly decimalMark: DecimalMark;
}

/** Both readings of a text that could be either, decimals first; null where it can be one alone. */
export function eitherReading(
  text: string,
): readonly [decimals: FigureReading, thousands: FigureReading] | null {
  const found = EITHER.exec(plain(text));
  if (found === null) return null;
  const [, before = '', mark = '', after = ''] = found;
  return [
    { value: Number(`${before}.${after}`), decimalMark: mark as DecimalMark },
    { value: Number(`${before}${after}`), decimalMark: other(mark) },
  ];
}
