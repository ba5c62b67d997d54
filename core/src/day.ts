const FORM = /^(?!0000)\d{4}-\d{2}-\d{2}$/;

/**
 * True for a day of the calendar written YYYY-MM-DD; there is no year 0.
 * @example isDay('2031-02-29') // false
 */
export function isDay(text: string): boolean {
  const time = FORM.test(text) ? Date.parse(`${text}T00:00:00Z`) : NaN;
  return Number.isFinite(time) && new Date(time).toISOString().startsWith(text);
}
