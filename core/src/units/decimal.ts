/** A number as a person typed it, or why it cannot be read. */
export type ParsedDecimal =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly problem: 'empty' | 'not-a-number' | 'ambiguous' };

const PLAIN = /^[+-]?(?:\d+\.?\d*|\.\d+)$/;
/** 1,200 may be a thousand and two hundred, or one and two tenths: never guess. */
const AMBIGUOUS = /^[+-]?[1-9]\d{0,2},\d{3}$/;
const DOT_GROUPS = /^[+-]?\d{1,3}(?:\.\d{3})+,\d+$/;
const COMMA_GROUPS = /^[+-]?\d{1,3}(?:,\d{3})+(?:,\d{3}|\.\d+)$/;

/**
 * Reads a number with a dot or a comma as its decimal mark, blanks or the other mark between thousands.
 * What can be read two ways is refused, so that no figure is ever wrong by a thousand.
 * @example parseDecimal('−12,5') // { ok: true, value: -12.5 }
 */
export function parseDecimal(text: string): ParsedDecimal {
  const trimmed = text.trim().replace(/[\u2212\u2012\u2013]/g, '-');
  if (trimmed === '') return { ok: false, problem: 'empty' };
  const closed = trimmed.replace(/(\d)[ \u00A0\u202F'](?=\d{3}(?:\D|$))/g, '$1');
  if (AMBIGUOUS.test(closed)) return { ok: false, problem: 'ambiguous' };
  const plain = DOT_GROUPS.test(closed)
    ? closed.replaceAll('.', '').replace(',', '.')
    : COMMA_GROUPS.test(closed)
      ? closed.replaceAll(',', '')
      : closed.replace(',', '.');
  const value = PLAIN.test(plain) ? Number(plain) : NaN;
  return Number.isFinite(value) ? { ok: true, value } : { ok: false, problem: 'not-a-number' };
}
