import { dayNumber, type DayNumber } from './day-number';

/** Days of a week, Monday to Friday, as ISO 8601 counts them. */
const MONDAY_TO_FRIDAY = [1, 2, 3, 4, 5];

const DAYS_A_WEEK = 7;

/** Of a day, 1 for Monday to 7 for Sunday; the first day of all, 1970-01-01, was a Thursday. */
const inWeekOf = (day: DayNumber): number => ((((day + 3) % DAYS_A_WEEK) + DAYS_A_WEEK) % DAYS_A_WEEK) + 1;

/** How many of days that are sorted come before one. */
function countBefore(days: readonly DayNumber[], day: DayNumber): number {
  let [low, high] = [0, days.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((days[middle] ?? Infinity) < day) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** On which days there is work. */
export class Workdays {
  private readonly inWeek: ReadonlySet<number>;
  /** Days that would be workdays and are not, each once, the earliest first. */
  private readonly closed: readonly DayNumber[];
  private readonly isClosed: ReadonlySet<DayNumber>;

  /**
   * @param inWeek days of the week, 1 for Monday to 7 for Sunday; at least one
   * @param closed days on which there is no work, YYYY-MM-DD
   */
  constructor(inWeek: readonly number[] = MONDAY_TO_FRIDAY, closed: readonly string[] = []) {
    this.inWeek = new Set(inWeek);
    this.isClosed = new Set(closed.map(dayNumber));
    this.closed = [...this.isClosed].filter((day) => this.inWeek.has(inWeekOf(day))).sort((a, b) => a - b);
  }

  /** True on a day on which there is work. */
  has(day: DayNumber): boolean {
    return this.inWeek.has(inWeekOf(day)) && !this.isClosed.has(day);
  }

  /** The workday that comes so many workdays after a day; before it, for a number below 0. The day itself for 0. */
  from(day: DayNumber, count: number): DayNumber {
    const way = Math.sign(count);
    let [at, left] = [day, Math.abs(count)];
    // By whole weeks as long as these hold no more workdays than are left.
    while (way > 0 && left >= this.inWeek.size) {
      const there = at + Math.floor(left / this.inWeek.size) * DAYS_A_WEEK;
      left -= this.between(at, there);
      at = there;
    }
    if (left === 0 && way > 0 && !this.has(at)) return this.from(at, -1);
    while (left > 0) {
      at += way;
      if (this.has(at)) left--;
    }
    return at;
  }

  /** How many workdays there are after one day, up to and with another that is not earlier. */
  between(after: DayNumber, upTo: DayNumber): number {
    const weeks = Math.floor((upTo - after) / DAYS_A_WEEK);
    let count = weeks * this.inWeek.size;
    for (let day = after + weeks * DAYS_A_WEEK + 1; day <= upTo; day++)
      if (this.inWeek.has(inWeekOf(day))) count++;
    return count - (countBefore(this.closed, upTo + 1) - countBefore(this.closed, after + 1));
  }
}
