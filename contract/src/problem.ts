import type { ChangeOutcome } from './changes/change';

/** Body of every answer of status 400 and above, `application/problem+json` (RFC 9457). */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  /** What to do about it, in a sentence. */
  readonly detail: string;
  /** Stable; programs may depend on it. */
  readonly code: string;
  /** Path of the field that is meant; empty where none is. */
  readonly field: string;
  /** What the field has to keep to, where it is a number or a list of options. */
  readonly bound?: number | string;
  readonly requestId?: string;
  /** Of a batch of changes of which some were not accepted. */
  readonly results?: readonly ChangeOutcome[];
}
