/** Why an input was refused. Stable: programs may depend on these words. */
export type RefusalCode =
  | 'required'
  | 'not-a-number'
  | 'not-a-boolean'
  | 'not-a-string'
  | 'not-a-day'
  | 'not-a-list'
  | 'not-an-object'
  | 'not-a-whole-number'
  | 'out-of-range'
  | 'list-length'
  | 'unknown-option'
  | 'conflict'
  | 'unknown-operation'
  | 'fan-pressure-out-of-range'
  | 'wrong-sign'
  | 'too-few-readings'
  | 'no-spread'
  | 'duplicate-direction'
  | 'pressure-too-low'
  | 'framing-fraction-sum'
  | 'fraction-sum'
  | 'not-homogeneous'
  | 'no-resistance'
  | 'no-density-root'
  | 'duplicate-id'
  | 'duplicate-point'
  | 'unknown-reference'
  | 'out-of-order'
  | 'not-ascending'
  | 'no-flow-increase'
  | 'regions-exceed-cavity'
  | 'fills-exceed-cavity'
  | 'not-warmer-than-outdoors'
  | 'degenerate-corners'
  | 'beyond-horizon'
  | 'too-tangled'
  | 'too-little-framing'
  | 'no-such-row'
  | 'no-fit'
  | 'does-not-close'
  | 'crosses-itself'
  | 'thicker-than-room'
  | 'wings-do-not-tile'
  | 'roof-missing'
  | 'opening-exceeds-wall'
  | 'circular'
  | 'roll-too-short'
  | 'not-finite';

/** What else is known of a refusal: the value that was given and the bound that it breaks. */
export interface RefusalDetail {
  readonly value?: unknown;
  readonly bound?: number | string;
}

/** A refusal as plain data. */
export interface RefusalDescription {
  readonly code: RefusalCode;
  readonly field: string;
  readonly message: string;
  readonly bound?: number | string;
}

/**
 * An input that a computation cannot answer for.
 * `field` is a path into the input, such as `runs[0].readings[2].pressurePa`; it is empty where the
 * input as a whole is meant.
 */
export class Refusal extends Error {
  readonly code: RefusalCode;
  readonly field: string;
  readonly value: unknown;
  readonly bound: number | string | undefined;

  constructor(code: RefusalCode, field: string, message: string, detail: RefusalDetail = {}) {
    super(message);
    this.name = 'Refusal';
    this.code = code;
    this.field = field;
    this.value = detail.value;
    this.bound = detail.bound;
  }

  /** The same refusal of an input that lies at a path within a larger one. */
  within(path: string): Refusal {
    const joint = this.field === '' || this.field.startsWith('[') ? '' : '.';
    return new Refusal(this.code, `${path}${joint}${this.field}`, this.message, {
      value: this.value,
      bound: this.bound,
    });
  }

  /** The refusal as it crosses a boundary; the value stays behind, since it may be as large as the input. */
  toJSON(): { readonly error: RefusalDescription } {
    const { code, field, message, bound } = this;
    return { error: bound === undefined ? { code, field, message } : { code, field, message, bound } };
  }
}

/**
 * An error met while looking at what lies at a path: a refusal with its field made whole, anything else as it is.
 * @example metWithin('runs[0]', 'no refusal') // 'no refusal'
 */
export function metWithin(path: string, error: unknown): unknown {
  return error instanceof Refusal ? error.within(path) : error;
}
