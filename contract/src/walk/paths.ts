import type { HousePath } from '@calvet/core/calendar/calendar-input';
import { idsIn } from '../plan/item-key';
import { onRoof, onStorey, onWall, WHOLE_HOUSE, type Anchor, type HouseMap } from './house-map';
import { anchorOn } from './junction-items';
import { stretchesOf } from './walking-order';

/** The first part of every path. */
export const HOUSE_PATH = 'house';

/** The path from the house to an item: its storey, its wall or roof, and itself where it is a feature there. */
export function pathTo({ storeyId, wall, roof }: Anchor, item: string): HousePath {
  const [kind] = item.split('/');
  const inner = wall ?? roof;
  return [
    HOUSE_PATH,
    ...(storeyId === null ? [] : [storeyId]),
    ...(inner === null ? [] : [inner]),
    ...((kind === 'feature' || kind === 'meets') && inner !== null ? idsIn(item) : []),
  ];
}

/** Paths from the house to its storeys, walls, stretches, roofs and features, by their ids. */
export function pathsIn(map: HouseMap): ReadonlyMap<string, HousePath> {
  const paths = new Map<string, HousePath>();
  for (const { storey, walls, roofs } of map.storeys) {
    paths.set(storey.id, pathTo(onStorey(storey.id), ''));
    for (const wall of walls) paths.set(wall.wall.id, pathTo(onWall(wall), ''));
    for (const roof of roofs) paths.set(roof.id, pathTo(onRoof(roof), ''));
    for (const { wall, stretch } of stretchesOf(storey)) {
      if (stretch === null) continue;
      paths.set(stretch, [...pathTo({ ...WHOLE_HOUSE, storeyId: storey.id, wall }, ''), stretch]);
    }
  }
  for (const { id, on, alongM } of map.planned.features)
    paths.set(id, pathTo(anchorOn(on, alongM, map), `feature/${id}`));
  return paths;
}
