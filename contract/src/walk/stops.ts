import type { SeenFrom } from '../catalogue/catalogue';
import type { Walking } from '../plan/walking';
import type { Anchor, HouseMap, MappedStorey } from './house-map';
import {
  entranceOf,
  nearestTo,
  roundFrom,
  sidesRound,
  stretchAt,
  stretchesOf,
  type Entrance,
  type SideOfHouse,
  type WalkedStretch,
} from './walking-order';

/** What one stands before, or in. */
export type StopKind = 'side' | 'beside' | 'stretch' | 'middle' | 'roofSpace' | 'below' | 'house';

/** A place of the walk. */
export interface Stop {
  readonly key: string;
  readonly kind: StopKind;
  readonly name: string;
  /** The room of a stretch; null: none is named. */
  readonly room: string | null;
  readonly storeyId: string | null;
  readonly wall: string | null;
  /** Of a stretch that was drawn as one; where along its wall it begins. */
  readonly stretchId: string | null;
  readonly fromM: number | null;
}

/** The stops of a house in walking order, and from which of them something is seen. */
export interface Stops {
  readonly inOrder: readonly Stop[];
  readonly seenFrom: (at: Anchor, from: SeenFrom) => string;
}

const HOUSE: Stop = {
  key: 'house',
  kind: 'house',
  name: 'Whole house',
  room: null,
  storeyId: null,
  wall: null,
  stretchId: null,
  fromM: null,
};

const SIDE_NAMES: Readonly<Record<SideOfHouse, string>> = {
  front: 'Outside, front',
  right: 'Outside, right',
  back: 'Outside, back',
  left: 'Outside, left',
};
const BESIDE_NAMES = {
  garage: 'Outer side, in the garage',
  unheated: 'Outer side, in unheated rooms',
} as const;
type Beside = keyof typeof BESIDE_NAMES;

const stretchKey = ({ wall, stretch, fromM }: WalkedStretch): string =>
  stretch !== null ? `stretch/${stretch}` : fromM === 0 ? `wall/${wall}` : `wall/${wall}/rest`;

/** The stretches of a storey, in the order in which they are walked. */
interface WalkedStorey {
  readonly place: MappedStorey;
  readonly stretches: readonly WalkedStretch[];
}

/** Where the stair to a storey is, as far as one was put there or on the storey from which it leads. */
function stairTo({ storey, below }: MappedStorey, map: HouseMap): { xM: number; yM: number } | null {
  const stairs = map.planned.features.filter(({ use }) => use === 'stairOnOuterWall');
  for (const from of [storey, below]) {
    if (from === null) continue;
    const all = stretchesOf(from);
    for (const { on, alongM } of stairs) {
      const wall = from.outline.find(({ id }) => id === on);
      if (wall === undefined) continue;
      const at = stretchAt(all, on, alongM ?? wall.lengthM / 2);
      if (at !== undefined) return at.middle;
    }
  }
  return null;
}

function walkStorey(
  place: MappedStorey,
  map: HouseMap,
  entrance: Entrance,
  turning: Walking['turning'],
): WalkedStorey {
  const stretches = stretchesOf(place.storey);
  const first =
    place.storey.id === entrance.storeyId
      ? entrance.stretch
      : nearestTo(stretches, stairTo(place, map) ?? entrance.place);
  return { place, stretches: roundFrom(stretches, first, turning) };
}

/** Storeys as they are walked: where one comes in, those above upwards; below, downwards. */
function storeysInOrder(
  { storeys }: HouseMap,
  { storeyId }: Entrance,
): { readonly up: readonly MappedStorey[]; readonly down: readonly MappedStorey[] } {
  const at = storeys.findIndex(({ storey }) => storey.id === storeyId);
  return { up: storeys.slice(at), down: storeys.slice(0, at).reverse() };
}

function storeyStops({ place: { storey, walls }, stretches }: WalkedStorey): readonly Stop[] {
  const named = new Map(walls.map(({ wall, name }) => [wall.id, name]));
  return [
    ...stretches.map((stretch): Stop => ({
      ...HOUSE,
      key: stretchKey(stretch),
      kind: 'stretch',
      name: named.get(stretch.wall) ?? storey.name,
      room: stretch.room,
      storeyId: storey.id,
      wall: stretch.wall,
      stretchId: stretch.stretch,
      fromM: stretch.fromM,
    })),
    {
      ...HOUSE,
      key: `middle/${storey.id}`,
      kind: 'middle',
      name: `${storey.name}, in the middle`,
      storeyId: storey.id,
    },
  ];
}

/** What lies below the lowest floor, where one comes under it. */
function belowStop({ storeys }: HouseMap): Stop | null {
  const lowest = storeys[0];
  if (lowest === undefined) return null;
  const { id, under } = lowest.storey;
  const isClosed = lowest.isInGround && !lowest.storey.countsAsFloor;
  if (!isClosed && under === 'ground') return null;
  const name =
    under === 'unheated' ? 'Cellar below' : under === 'outdoors' ? 'Below the house' : 'Crawl space';
  return { ...HOUSE, key: `below/${id}`, kind: 'below', name, storeyId: id };
}

/** The stops of a house. */
export function stopsOf(map: HouseMap, { turning, outside }: Walking): Stops {
  const { storeys, planned } = map;
  const entrance = entranceOf(
    storeys.map(({ storey }) => storey),
    planned.openings,
  );
  if (entrance === null) return { inOrder: [HOUSE], seenFrom: () => HOUSE.key };
  const { up, down } = storeysInOrder(map, entrance);
  const walked = [...up, ...down].map((place) => walkStorey(place, map, entrance, turning));

  const sides = sidesRound(
    storeys.map(({ storey }) => storey),
    entrance,
    turning,
  );
  const sideOf = new Map(sides.flatMap(({ side, walls }) => walls.map((wall) => [wall, side] as const)));
  const outsideStops: readonly Stop[] = [
    ...sides.map(({ side }): Stop => ({
      ...HOUSE,
      key: `outside/${side}`,
      kind: 'side',
      name: SIDE_NAMES[side],
    })),
    ...(['garage', 'unheated'] as const).map((beside): Stop => ({
      ...HOUSE,
      key: `outside/${beside}`,
      kind: 'beside',
      name: BESIDE_NAMES[beside],
    })),
  ];
  const roofStops = storeys.flatMap(({ roofs, storey }) =>
    roofs.map((roof): Stop => ({
      ...HOUSE,
      key: `roofSpace/${roof.id}`,
      kind: 'roofSpace',
      name: `${roof.name}, from above`,
      storeyId: storey.id,
    })),
  );
  const below = belowStop(map);
  const [stopsUp, stopsDown] = [walked.slice(0, up.length), walked.slice(up.length)].map((some) =>
    some.flatMap(storeyStops),
  );
  const inOrder = [
    ...(outside === 'first' ? outsideStops : []),
    ...(stopsUp ?? []),
    ...roofStops,
    ...(stopsDown ?? []),
    ...(below === null ? [] : [below]),
    ...(outside === 'last' ? outsideStops : []),
    HOUSE,
  ];

  const stretches = new Map(walked.map(({ place, stretches: all }) => [place.storey.id, all]));
  const indoors = ({ wall, roof, storeyId, alongM }: Anchor): string => {
    const all = stretches.get(storeyId ?? '') ?? [];
    if (wall !== null) {
      const at = alongM === null ? all.find((each) => each.wall === wall) : stretchAt(all, wall, alongM);
      if (at !== undefined) return stretchKey(at);
    }
    if (storeyId !== null) return `middle/${storeyId}`;
    const of = roof === null ? undefined : map.roofOf.get(roof)?.storeyId;
    return of === undefined ? HOUSE.key : `middle/${of}`;
  };
  const outdoors = ({ wall }: Anchor): string => {
    const boundary = wall === null ? undefined : map.wallOf.get(wall)?.wall.boundary;
    if (boundary === 'garage' || boundary === 'unheated') return `outside/${boundary satisfies Beside}`;
    return `outside/${sideOf.get(wall ?? '') ?? 'front'}`;
  };
  const roofSeen = ({ wall, roof, storeyId }: Anchor): string => {
    const over =
      roof ??
      (wall === null ? undefined : roofOver(map, wall)) ??
      map.storeyOf.get(storeyId ?? '')?.roofs[0]?.id ??
      roofStops.at(-1)?.key.replace('roofSpace/', '');
    return over === undefined ? HOUSE.key : `roofSpace/${over}`;
  };
  return {
    inOrder,
    seenFrom: (at, from) => {
      switch (from) {
        case 'inside':
          return indoors(at);
        case 'outside':
          return outdoors(at);
        case 'above':
          return roofSeen(at);
        case 'below':
          return below?.key ?? indoors(at);
      }
    },
  };
}

/** The roof over the head of a wall. */
const roofOver = (map: HouseMap, wall: string): string | undefined =>
  map.measured.junctions.find(({ kind, of, to }) => kind === 'head' && of === wall && to !== null)?.to ??
  undefined;
