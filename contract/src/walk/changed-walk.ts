import type { OwnCheckpoint } from '../plan/own-checkpoint';
import type { Walk } from './generate-walk';

/** One thing that has to be looked at, as it is told of once it is gone. */
export interface LookedAt {
  /** Of the checkpoint at its item, or of the junction. */
  readonly key: string;
  /** Id of the checkpoint; null for a junction. */
  readonly checkpoint: string | null;
  /** Title of one that was added to the house: nothing knows it once it was taken away. Null for all others. */
  readonly title: string | null;
  /** Name of the item, or of the junction. */
  readonly where: string;
}

/** What a change of a plan did to what has to be looked at. */
export interface WalkChange {
  readonly came: readonly LookedAt[];
  readonly went: readonly LookedAt[];
}

/** All checkpoints and junctions of a walk, in its order. */
export function lookedAtIn(
  { stops, junctions }: Pick<Walk, 'stops' | 'junctions'>,
  added: readonly OwnCheckpoint[],
): readonly LookedAt[] {
  const names = new Map(junctions.map(({ key, name }) => [key, name]));
  const titles = new Map(added.map(({ id, title }) => [id, title]));
  return stops.flatMap((stop) => [
    ...stop.checkpoints.map(({ key, checkpoint, itemName }) => ({
      key,
      checkpoint,
      title: titles.get(checkpoint) ?? null,
      where: itemName,
    })),
    ...stop.junctions.map((key) => ({ key, checkpoint: null, title: null, where: names.get(key) ?? '' })),
  ]);
}

/** What is to be looked at after a change and was not before, and the other way round; a new name changes nothing. */
export function changedWalk(before: readonly LookedAt[], after: readonly LookedAt[]): WalkChange {
  const keysOf = (all: readonly LookedAt[]) => new Set(all.map(({ key }) => key));
  const [had, has] = [keysOf(before), keysOf(after)];
  return {
    came: after.filter(({ key }) => !had.has(key)),
    went: before.filter(({ key }) => !has.has(key)),
  };
}

/** One thing that came or went, with all places where it did. */
export interface ChangedThing extends Pick<LookedAt, 'checkpoint' | 'title'> {
  readonly places: readonly string[];
}

/** What came or went, each checkpoint once with its places, in the order in which it is first met. */
export function changedThings(all: readonly LookedAt[]): readonly ChangedThing[] {
  const byThing = new Map<string, ChangedThing & { readonly places: string[] }>();
  for (const { checkpoint, title, key, where } of all) {
    const thing = byThing.get(checkpoint ?? key) ?? { checkpoint, title, places: [] };
    thing.places.push(where);
    byThing.set(checkpoint ?? key, thing);
  }
  return [...byThing.values()];
}
