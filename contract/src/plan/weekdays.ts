/** Days of a week, in words, Monday first. */
export const WEEKDAY_WORDS = {
  monday: 'Mon',
  tuesday: 'Tue',
  wednesday: 'Wed',
  thursday: 'Thu',
  friday: 'Fri',
  saturday: 'Sat',
  sunday: 'Sun',
} as const;

export type Weekday = keyof typeof WEEKDAY_WORDS;

export const MONDAY_TO_FRIDAY: readonly Weekday[] = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday'];

const WEEK = Object.keys(WEEKDAY_WORDS) as readonly Weekday[];

/** The number of a day of the week by ISO 8601: 1 for Monday to 7 for Sunday. */
export const numberOfWeekday = (day: Weekday): number => WEEK.indexOf(day) + 1;
