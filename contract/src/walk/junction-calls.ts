import type { JunctionItem } from './junction-items';
import type { HouseMap } from './house-map';
import type { SchoolsHere } from './schools-here';
import { isConcrete } from '../plan/storey';

/** What meets in a junction, as checkpoints speak of it. */
type Meeting =
  | 'wallFoundation'
  | 'wallGroundSlab'
  | 'wallFramedFloor'
  | 'wallFloorInside'
  | 'wallTop'
  | 'innerWall'
  | 'masonryTimber';

/** Which checkpoints are put at which junction. */
const CALLS: Readonly<Record<Meeting, readonly string[]>> = {
  wallFoundation: [
    'concrete-top-flat',
    'concrete-to-sheathing-seal',
    'sill-gasket-and-lines',
    'sill-bolts-tight',
    'strip-under-wall-joined',
  ],
  wallGroundSlab: ['slab-sheet-joined-to-wall', 'slab-edge-gap-sealed', 'slab-edge-board-meets-wall'],
  wallFramedFloor: ['rim-joints-sealed', 'rim-to-deck-turn', 'deck-to-inner-sheathing'],
  wallFloorInside: ['sheet-floor-two-lines'],
  wallTop: [
    'barrier-crosses-wall-top',
    'ceiling-boards-to-wall',
    'ceiling-sheet-lapped-to-wall',
    'ceiling-strip-behind-plaster',
  ],
  innerWall: ['partition-strip-placed', 'partition-strip-joined', 'coat-behind-inner-walls'],
  masonryTimber: ['timber-to-masonry-flexible'],
};

const MEETINGS_OF = new Map<string, Meeting>(
  Object.entries(CALLS).flatMap(([meeting, ids]) => ids.map((id) => [id, meeting as Meeting] as const)),
);

/** Every checkpoint that is put at junctions. */
export const AT_JUNCTIONS: readonly string[] = [...MEETINGS_OF.keys()];

/** Timber stands on concrete: at the foot of a wall that is none, on a low one, on one that is concrete up to its head. */
function isOnFoundation({ kind, at, areas }: JunctionItem, map: HouseMap): boolean {
  if (kind === 'concreteStep') return true;
  const lower = map.wallOf.get(at.wall ?? '');
  if (lower === undefined) return false;
  const isLowerConcrete = isConcrete(lower.wall, lower.storey);
  if (kind === 'rimFoot') return isLowerConcrete && areas.some((key) => key.startsWith('rim/'));
  return kind === 'foot' && (lower.wall.concreteM ?? 0) === 0;
}

function isMasonryToTimber({ areas }: JunctionItem, map: HouseMap, schools: SchoolsHere): boolean {
  const sides = areas.flatMap((key) => {
    const area = map.areaOf.get(key);
    return area === undefined || area.kind === 'opening' || area.kind === 'floor'
      ? []
      : [schools.ofArea(area).framing === 'frameMasonry'];
  });
  return sides.includes(true) && sides.includes(false);
}

/** True where a checkpoint is put at a junction. */
export function isCalledAt(
  checkpoint: string,
  item: JunctionItem,
  map: HouseMap,
  schools: SchoolsHere,
): boolean {
  const { kind, at } = item;
  switch (MEETINGS_OF.get(checkpoint)) {
    case 'wallFoundation':
      return isOnFoundation(item, map);
    case 'wallGroundSlab':
      return kind === 'foot' && map.storeyOf.get(at.storeyId ?? '')?.storey.under === 'ground';
    case 'wallFramedFloor':
      return kind === 'rimHead' || kind === 'stepIn';
    case 'wallFloorInside':
      return kind === 'foot' || kind === 'stepIn' || kind === 'rimHead' || kind === 'overhangEdge';
    case 'wallTop':
      return kind === 'head' || kind === 'rake';
    case 'innerWall':
      return kind === 'meets';
    case 'masonryTimber':
      return isMasonryToTimber(item, map, schools);
    case undefined:
      return false;
  }
}
