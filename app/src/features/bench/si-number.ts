/** Digits that the steps are written with. */
const DIGITS = 5;

/** A number of a step: five digits, the powers of ten written out where they are far from one. */
export function siNumber(value: number): string {
  const rounded = Number(value.toPrecision(DIGITS));
  const size = Math.abs(rounded);
  if (size !== 0 && (size < 1e-4 || size >= 1e9)) {
    const [mantissa = '', power = ''] = rounded.toExponential().split('e');
    return `${mantissa}·10${[...power.replace('+', '')].map((digit) => RAISED[digit] ?? digit).join('')}`.replace(
      '-',
      '\u2212',
    );
  }
  return String(rounded).replace('-', '\u2212');
}

const RAISED: Readonly<Record<string, string>> = {
  '-': '⁻',
  '0': '⁰',
  '1': '¹',
  '2': '²',
  '3': '³',
  '4': '⁴',
  '5': '⁵',
  '6': '⁶',
  '7': '⁷',
  '8': '⁸',
  '9': '⁹',
};
