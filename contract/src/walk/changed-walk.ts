import type { Walk } from './generate-walk';

/** What a change of a plan did to what has to be looked at: keys of checkpoints and junctions. */
export interface WalkChange {
  readonly came: readonly string[];
  readonly went: readonly string[];
}

/** Keys of all checkpoints and junctions of a walk, in its order. */
export const keysOfWalk = ({ stops }: Pick<Walk, 'stops'>): readonly string[] =>
  stops.flatMap(({ checkpoints, junctions }) => [...checkpoints.map(({ key }) => key), ...junctions]);

/** What is to be looked at after a change and was not before, and the other way round. */
export function changedWalk(before: readonly string[], after: readonly string[]): WalkChange {
  const [had, has] = [new Set(before), new Set(after)];
  return {
    came: after.filter((key) => !had.has(key)),
    went: before.filter((key) => !has.has(key)),
  };
}
