import type { JunctionState } from '@calvet/core/continuity/trace';
import { idsIn, itemKey } from '../plan/item-key';
import type { CheckpointHere, Walk } from '../walk/generate-walk';
import type { JunctionItem } from '../walk/junction-items';
import type { Look } from '../walk/looks';
import { isOpenMend, type Mend } from '../walk/mend';

/** The checkpoint by which somebody shows the air barrier of an area. */
export const BARRIER_CHECKPOINT = 'barrier-can-be-shown';

/** Where it fails, air comes through. */
const leaks = ({ leak }: CheckpointHere): boolean => leak !== 'none';

/** Whether an area's air barrier was shown. */
export const isVerified = (area: string, looks: ReadonlyMap<string, Look>): boolean =>
  looks.get(itemKey.checkpoint(BARRIER_CHECKPOINT, area))?.state === 'good';

/** All checkpoints of a walk by the key of their item. */
export function checkpointsByItem({
  stops,
}: Pick<Walk, 'stops'>): ReadonlyMap<string, readonly CheckpointHere[]> {
  const byItem = new Map<string, CheckpointHere[]>();
  for (const { checkpoints } of stops) {
    for (const here of checkpoints) {
      const there = byItem.get(here.item);
      if (there === undefined) byItem.set(here.item, [here]);
      else there.push(here);
    }
  }
  return byItem;
}

/** Keys under which checkpoints of a junction are put: a frame's are those of its opening. */
const itemsOf = ({ key, kind }: JunctionItem): readonly string[] =>
  kind === 'frame' ? [key, ...idsIn(key).map((id) => itemKey.opening(id))] : [key];

/** What is known of junctions beside what was found at their checkpoints. */
export interface JunctionsKnown {
  readonly looks: ReadonlyMap<string, Look>;
  /** Leaks that were found without a checkpoint, and what was added to mends. */
  readonly mends: readonly Mend[];
  readonly byItem: ReadonlyMap<string, readonly CheckpointHere[]>;
}

/**
 * How it stands with a junction: open where something on it, or one of its checkpoints that leak, is to be mended; not seen
 * while one lacks a look; else sealed; where none of it is there, not needed. A junction that no checkpoint asks for is as
 * well known as the areas that it joins.
 */
export function junctionState(item: JunctionItem, { looks, mends, byItem }: JunctionsKnown): JunctionState {
  const keys = itemsOf(item);
  const here = keys.flatMap((key) => byItem.get(key) ?? []);
  const states = here.map((each) => looks.get(each.key)?.state ?? 'left');
  const isOpen =
    mends.some((mend) => mend.item !== null && keys.includes(mend.item) && isOpenMend(mend)) ||
    here.some((each, i) => states[i] === 'mend' && leaks(each));
  if (isOpen) return 'open';
  if (here.length === 0) return item.areas.every((area) => isVerified(area, looks)) ? 'sealed' : 'notSeen';
  if (states.every((state) => state === 'notHere')) return 'notNeeded';
  const isSeen = states.every((state) => state === 'good' || state === 'mend' || state === 'notHere');
  return isSeen ? 'sealed' : 'notSeen';
}
