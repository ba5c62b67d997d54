import { v5 } from 'uuid';
import { notStored } from '../record';
import { NEW_PLAN, type Plan } from './plan';

/**
 * Keys of what follows from a drawing: what it is, and the ids of what it was drawn as, never a number or a name. So it stays
 * itself however it is renamed, moved or measured.
 */
export const itemKey = {
  wall: (wall: string) => `wall/${wall}`,
  concrete: (wall: string) => `wall/${wall}/low`,
  rim: (wall: string) => `rim/${wall}`,
  floor: (storey: string, zone: string | null) => `floor/${storey}${zone === null ? '' : `+${zone}`}`,
  ceiling: (roof: string) => `ceiling/${roof}`,
  slope: (roof: string) => `slope/${roof}`,
  flatRoof: (roof: string) => `flatRoof/${roof}`,
  gable: (wing: string) => `gable/${wing}`,
  opening: (opening: string) => `opening/${opening}`,
  corner: (corner: string) => `corner/${corner}`,
  rimCorner: (corner: string) => `rimCorner/${corner}`,
  frame: (opening: string) => `frame/${opening}`,
  meets: (innerWall: string) => `meets/${innerWall}`,
  storey: (storey: string) => `storey/${storey}`,
  zone: (zone: string) => `zone/${zone}`,
  feature: (feature: string) => `feature/${feature}`,
  /** Of a junction of a kind, by what it joins. */
  junction: (kind: string, ids: readonly string[]) => `${kind}/${ids.join('+')}`,
  checkpoint: (checkpoint: string, key: string) => `${checkpoint}@${key}`,
} as const;

/**
 * The ids that a key names: what its item was drawn as.
 * @example idsIn('head/w1+r1') // ['w1', 'r1']
 */
export const idsIn = (key: string): readonly string[] => (key.split('/')[1] ?? '').split('+');

/** Ids that were asked for before: each costs a hash, and a drawing asks for all of its own with every key that is typed. */
const known = new Map<string, string>();
const KNOWN_MAX = 5000;

/** The id of the record of an item, the same on every device. */
export function itemId(houseId: string, key: string): string {
  const name = `${houseId}/${key}`;
  const before = known.get(name);
  if (before !== undefined) return before;
  if (known.size >= KNOWN_MAX) known.clear();
  const id = v5(key, houseId);
  known.set(name, id);
  return id;
}

/** The id of the drawing of a house. */
export const planId = (houseId: string): string => itemId(houseId, 'plan');

/** A drawing of which there is no record yet. */
export const planToBe = (houseId: string): Plan => ({
  ...NEW_PLAN,
  ...notStored(planId(houseId), houseId),
});
