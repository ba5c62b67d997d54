import { group, option } from '../kind/field';

/** How somebody walks through a house. */
export interface Walking {
  /** Which way round an outline, seen from indoors and, outside, facing the house. */
  readonly turning: 'right' | 'left';
  readonly outside: 'first' | 'last';
}

export const TURNING_WORDS = { right: 'Always right', left: 'Always left' } as const;
export const OUTSIDE_WORDS = { first: 'Outside first', last: 'Outside last' } as const;

export const USUAL_WALKING: Walking = { turning: 'right', outside: 'first' };

export const walkingField = group<Walking>('Walking order', {
  turning: option('Turning', TURNING_WORDS),
  outside: option('Outside', OUTSIDE_WORDS),
});
