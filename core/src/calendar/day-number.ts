const MS_A_DAY = 86_400_000;

/** A day of the calendar, counted from 1970-01-01. */
export type DayNumber = number;

/**
 * The number of a day that is written YYYY-MM-DD.
 * @example dayNumber('1970-01-03') // 2
 */
export const dayNumber = (day: string): DayNumber => Date.parse(`${day}T00:00:00Z`) / MS_A_DAY;

/**
 * A day as it is written.
 * @example dayText(2) // '1970-01-03'
 */
export const dayText = (day: DayNumber): string => new Date(day * MS_A_DAY).toISOString().slice(0, 10);
