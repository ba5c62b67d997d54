/** Something a rule has to say about figures that could be computed. */
export interface Finding<Rule extends string = string> {
  readonly rule: Rule;
  /** `fail`: the figures do not count under the standard. `warn`: they count, with care. */
  readonly severity: 'fail' | 'warn';
  /** One plain sentence for the person who reads the result. */
  readonly message: string;
  readonly value?: number;
  readonly limit?: number;
  /** Index of what is meant in the input, where it has several. */
  readonly run?: number;
  readonly reading?: number;
  readonly observation?: number;
  readonly sample?: number;
  readonly layer?: number;
  readonly area?: number;
}

/** Slack when a computed figure is held against a limit, so that rounding never fails what is exactly at it. */
export const LIMIT_SLACK = 1e-9;

/**
 * True when `value` is above `limit` by more than rounding.
 * @example exceeds(0.1 + 0.2, 0.3) // false
 */
export function exceeds(value: number, limit: number): boolean {
  return value > limit + LIMIT_SLACK;
}

/**
 * True when `value` is below `limit` by more than rounding.
 * @example fallsBelow(0.97, 0.98) // true
 */
export function fallsBelow(value: number, limit: number): boolean {
  return value < limit - LIMIT_SLACK;
}
