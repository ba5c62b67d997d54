import type { Planned } from '@calvet/contract/plan/plan-input';
import type { GeneratedWalk } from '@calvet/contract/walk/generate-walk';

/** To the worker: find all that has to be looked at in this house. */
export interface WalkRequest {
  /** By which its answer is known. */
  readonly number: number;
  readonly planned: Planned;
}

/** From the worker: what has to be looked at, or that the program failed. */
export type WalkReport =
  | { readonly kind: 'walk'; readonly number: number; readonly walk: GeneratedWalk }
  | { readonly kind: 'failed'; readonly number: number; readonly message: string };
