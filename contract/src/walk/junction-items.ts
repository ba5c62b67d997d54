import type { JunctionKind, JunctionPart } from '@calvet/core/plan/junction-parts';
import { FEATURE_WORDS } from '../plan/feature';
import { itemKey } from '../plan/item-key';
import { AIR_BARRIER_WORDS, type AirBarrier } from '../plan/schools';
import type { Walking } from '../plan/walking';
import { onRoof, onStorey, onWall, WHOLE_HOUSE, type Anchor, type HouseMap } from './house-map';
import type { SchoolsHere } from './schools-here';

/** A junction of the envelope, as it is to be looked at. */
export interface JunctionItem {
  readonly key: string;
  /** Beside what a drawing is joined by: an inner wall that meets the envelope, a wall that goes straight on. */
  readonly kind: JunctionKind | 'meets' | 'straightOn';
  readonly name: string;
  /** Null where it is not known. */
  readonly lengthM: number | null;
  /** Where it is seen from indoors. */
  readonly at: Anchor;
  /** Keys of the areas that meet in it. */
  readonly areas: readonly string[];
  /** The air barrier changes its side or its material in it: from what to what, in words. */
  readonly changes: readonly [string, string] | null;
}

const WORDS: Readonly<Record<JunctionKind, string>> = {
  foot: 'foot',
  rimFoot: 'foot of the rim',
  rimHead: 'head of the rim',
  stepIn: 'foot on the floor below',
  overhangEdge: 'edge of the overhang',
  headUnderFloor: 'head under the floor above',
  head: 'head',
  gableFoot: 'foot of the gable',
  rake: 'rakes',
  ridge: 'ridge',
  collar: 'edges of the collar',
  hip: 'hips',
  valley: 'valleys',
  cornerOut: 'outer corner',
  cornerIn: 'inner corner',
  rimCorner: 'corner of the rim',
  concreteStep: 'step on the concrete',
  frame: 'frame',
};

/** Keys of the areas that a roof makes. */
const roofKeys = (roof: string): readonly string[] => [
  itemKey.ceiling(roof),
  itemKey.slope(roof),
  itemKey.flatRoof(roof),
];

/** A junction with what it joins, before it is known what of that there is. */
type Found = Omit<JunctionItem, 'changes'>;

/** The junction of a wall: the one that a part is of. */
function atWall(part: JunctionPart, map: HouseMap, turning: Walking['turning']): Found | null {
  const { kind, of, to, storey, lengthM } = part;
  const found = map.wallOf.get(of ?? '');
  if (of === null || found === undefined) return null;
  const { wall, key } = found;
  const place = map.storeyOf.get(storey);
  const name = `${found.name}: ${WORDS[kind]}`;
  const own = onWall(found);
  // A rim is seen from the storey below it, at the wall on which it stands.
  const lower = map.wallOf.get(map.wallBelow(of) ?? '');
  const seen = lower === undefined ? own : onWall(lower);
  const base = { kind, lengthM };
  switch (kind) {
    case 'foot':
    case 'stepIn':
    case 'overhangEdge':
      return {
        ...base,
        key: itemKey.junction(kind, [of]),
        name,
        at: own,
        areas: [key, ...map.floorsOf(storey)],
      };
    case 'rimFoot': {
      const below = map.wallOf.get(to ?? '');
      return {
        ...base,
        key: itemKey.junction(kind, [of, to ?? '']),
        name,
        at: below === undefined ? own : onWall(below),
        areas: [itemKey.rim(of), ...(below === undefined ? [] : [below.key])],
      };
    }
    case 'rimHead':
      return { ...base, key: itemKey.junction(kind, [of]), name, at: seen, areas: [itemKey.rim(of), key] };
    case 'headUnderFloor':
      return { ...base, key: itemKey.junction(kind, [of]), name, at: own, areas: [key] };
    case 'head':
    case 'gableFoot': {
      const roof = map.roofOf.get(to ?? '');
      const gables =
        kind === 'gableFoot' ? (roof?.wings ?? []).map(({ id }) => itemKey.gable(id)) : roofKeys(to ?? '');
      return {
        ...base,
        key: itemKey.junction(kind, [of, to ?? '']),
        name: roof === undefined ? name : `${name}, ${roof.name}`,
        at: own,
        areas: [key, ...gables],
      };
    }
    case 'concreteStep':
      return {
        ...base,
        key: itemKey.junction(kind, [of]),
        name,
        at: own,
        areas: [itemKey.concrete(of), itemKey.wall(of)],
      };
    case 'cornerOut':
    case 'cornerIn':
    case 'rimCorner': {
      const walls = place?.walls ?? [];
      const before =
        walls[(walls.findIndex((each) => each.wall.id === of) + walls.length - 1) % walls.length] ?? found;
      const isRim = kind === 'rimCorner';
      // It belongs to the wall that ends there as one walks: turning right one comes along the wall that begins there.
      const ending = turning === 'right' ? found : before;
      const lowerOfEnding = map.wallOf.get(map.wallBelow(ending.wall.id) ?? '');
      return {
        ...base,
        key: isRim ? itemKey.rimCorner(wall.corner) : itemKey.corner(wall.corner),
        name: `${found.name}, at its start: ${WORDS[kind]}`,
        at: onWall(isRim ? (lowerOfEnding ?? ending) : ending),
        areas: [before, found].map((each) => (isRim ? itemKey.rim(each.wall.id) : each.key)),
      };
    }
    default:
      return null;
  }
}

/** The junction of a roof, of one of its wings, or of an opening. */
function elsewhere({ kind, of, to, storey, lengthM }: JunctionPart, map: HouseMap): Found | null {
  const base = { kind, lengthM };
  if (kind === 'frame') {
    const area = map.areaOf.get(itemKey.opening(of ?? ''));
    if (area === undefined) return null;
    const on =
      area.at.wall === null ? roofKeys(area.at.roof ?? '') : [map.wallOf.get(area.at.wall)?.key ?? ''];
    return {
      ...base,
      key: itemKey.frame(of ?? ''),
      name: `${area.name}: ${WORDS.frame}`,
      at: area.at,
      areas: [area.key, ...on],
    };
  }
  const roof =
    map.roofOf.get(to ?? '') ??
    [...map.roofOf.values()].find(({ wings }) => wings.some((wing) => wing.id === of));
  if (roof === undefined) return null;
  const wingAt = roof.wings.findIndex(({ id }) => id === of);
  const which = roof.wings.length > 1 && wingAt >= 0 ? `, wing ${wingAt + 1}` : '';
  return {
    ...base,
    key: itemKey.junction(kind, [of ?? roof.id]),
    name: `${roof.name}${which}: ${WORDS[kind]}`,
    at: { ...onRoof(roof), storeyId: storey },
    areas: [...roofKeys(roof.id), ...(kind === 'rake' && of !== null ? [itemKey.gable(of)] : [])],
  };
}

/** Where a feature is, by the id of what it is on. */
export function anchorOn(on: string, alongM: number | null, map: HouseMap): Anchor {
  const wall = map.wallOf.get(on);
  if (wall !== undefined) return onWall(wall, alongM);
  const roof = map.roofOf.get(on);
  if (roof !== undefined) return onRoof(roof);
  return map.storeyOf.has(on) ? onStorey(on) : WHOLE_HOUSE;
}

/** What somebody calls a feature, else what it is, and how many. */
export const featureName = ({
  name,
  use,
  count,
}: {
  readonly name: string | null;
  readonly use: keyof typeof FEATURE_WORDS;
  readonly count: number;
}): string => `${name ?? FEATURE_WORDS[use]}${count > 1 ? `, ${count}` : ''}`;

/** Every junction that a house is drawn with, and those of its inner walls. */
export function junctionItems(
  map: HouseMap,
  schools: SchoolsHere,
  turning: Walking['turning'],
): readonly JunctionItem[] {
  const { areaOf: areas } = map;
  const barrierOf = (key: string): AirBarrier | null => {
    const area = areas.get(key);
    return area === undefined || area.kind === 'opening' ? null : schools.ofArea(area).airBarrier;
  };
  const changesIn = (keys: readonly string[]): JunctionItem['changes'] => {
    const [one, other] = [...new Set(keys.flatMap((key) => barrierOf(key) ?? []))];
    return one === undefined || other === undefined
      ? null
      : [AIR_BARRIER_WORDS[one], AIR_BARRIER_WORDS[other]];
  };
  const found = map.measured.junctions.flatMap((part): readonly Found[] => {
    const item = atWall(part, map, turning) ?? elsewhere(part, map);
    return item === null ? [] : [{ ...item, areas: item.areas.filter((key) => areas.has(key)) }];
  });
  const known = new Set(found.map(({ key }) => key));
  // Where a wall goes straight on and its barrier does not, that edge is a junction as well.
  const edges = map.storeys.flatMap(({ walls, storey }) =>
    walls.flatMap((wall, i): readonly Found[] => {
      const before = walls[(i + walls.length - 1) % walls.length];
      const key = itemKey.corner(wall.wall.corner);
      if (before === undefined || known.has(key)) return [];
      const keys = [before.key, wall.key];
      return changesIn(keys) === null
        ? []
        : [
            {
              key,
              kind: 'straightOn',
              name: `${wall.name}, at its start: where the air barrier changes`,
              lengthM: storey.heightM,
              at: onWall(turning === 'right' ? wall : before),
              areas: keys,
            },
          ];
    }),
  );
  const met = map.planned.features
    .filter(({ use }) => use === 'partitionsMeetingEnvelope')
    .map((each): Found => {
      const at = anchorOn(each.on, each.alongM, map);
      const wall = map.wallOf.get(at.wall ?? '');
      return {
        key: itemKey.meets(each.id),
        kind: 'meets',
        name: `${featureName(each)}${wall === undefined ? '' : `, ${wall.name}`}`,
        lengthM: null,
        at,
        areas: wall === undefined ? [] : [wall.key],
      };
    });
  return [...found, ...edges, ...met].map((item) => ({ ...item, changes: changesIn(item.areas) }));
}
