import type { Need } from '../catalogue/catalogue';
import { SERVICE_WORDS } from '@calvet/core/penetrations/service-words';
import type { Feature, ServiceWhat } from '../plan/feature';
import { itemKey } from '../plan/item-key';
import { planOf } from '../plan/plan-input';
import { BOUNDARY_WORDS, isConcrete, type Storey } from '../plan/storey';
import { onRoof, onStorey, onWall, type Anchor, type HouseMap, type MappedStorey } from './house-map';
import { anchorOn, featureName } from './junction-items';

/** Something of a house that calls for checkpoints: drawn, or put into it. */
export interface FeatureHere {
  readonly need: Need;
  /** Key of the item that it is. */
  readonly key: string;
  readonly name: string;
  readonly at: Anchor;
  /** Walls that it touches. */
  readonly walls: readonly string[];
  readonly isDrawn: boolean;
}

/** Holes that planned services need, and that nobody has made yet. */
export interface HoleToCome {
  /** Key of the feature that they are of. */
  readonly key: string;
  readonly what: ServiceWhat;
  readonly name: string;
  readonly count: number;
  /** Null: not known. */
  readonly widthM: number | null;
  readonly at: Anchor;
}

type Mutable = FeatureHere[];

/** Smaller is nothing. */
const NOTHING_M2 = 1e-6;

function addDrawn(features: Mutable, more: Omit<FeatureHere, 'isDrawn'>): void {
  features.push({ ...more, isDrawn: true });
}

const wallIds = ({ storey }: MappedStorey): readonly string[] => storey.outline.map(({ id }) => id);

/** What a storey is by what its walls stand in. */
function ofGround(features: Mutable, place: MappedStorey): void {
  const { storey, walls, isLowest } = place;
  if (place.isInGround) {
    const need = isLowest && !storey.countsAsFloor ? 'crawlSpaceClosed' : 'basement';
    const inGround = storey.outline
      .filter(({ groundStartM, groundEndM }) => Math.max(groundStartM ?? 0, groundEndM ?? 0) > 0)
      .map(({ id }) => id);
    addDrawn(features, {
      need,
      key: itemKey.storey(storey.id),
      name: storey.name,
      at: onStorey(storey.id),
      walls: inGround,
    });
    for (const wall of walls) {
      const isStepped = (wall.wall.concreteM ?? 0) > 0 && !isConcrete(wall.wall, storey);
      if (isStepped)
        addDrawn(features, {
          need: 'walkoutBasement',
          key: wall.key,
          name: wall.name,
          at: onWall(wall),
          walls: [wall.wall.id],
        });
    }
  } else if (isLowest && storey.under === 'ground') {
    addDrawn(features, {
      need: 'slabOnGround',
      key: itemKey.floor(storey.id, null),
      name: `${storey.name}, floor on the ground`,
      at: onStorey(storey.id),
      walls: wallIds(place),
    });
  }
}

/** What lies below the floors, as far as there are floors over it. */
function ofFloors(features: Mutable, map: HouseMap): void {
  for (const part of map.measured.parts) {
    if (part.kind !== 'floor' || part.areaM2 <= NOTHING_M2 || part.over === 'ground') continue;
    const place = map.storeyOf.get(part.storey);
    if (place === undefined) continue;
    const isOver = {
      crawlSpace: 'crawlSpaceVented',
      garage: 'roomOverGarage',
      unheated: 'floorOverUnheated',
    } as const;
    const need =
      part.over === 'outdoors' ? (place.isLowest ? 'floorOverUnheated' : 'cantilever') : isOver[part.over];
    const key = itemKey.floor(part.storey, part.zone);
    const name = map.areaOf.get(key)?.name ?? place.storey.name;
    addDrawn(features, { need, key, name, at: onStorey(part.storey), walls: wallIds(place) });
  }
}

const BESIDE = { garage: 'attachedGarage', unheated: 'unheatedRoom', neighbour: 'neighbourWall' } as const;

/** What lies beyond the walls: the room beside by itself where it was drawn, else each wall towards it. */
function ofBeyond(features: Mutable, map: HouseMap, { storey, walls }: MappedStorey): void {
  for (const boundary of ['garage', 'unheated', 'neighbour'] as const) {
    const towards = walls.filter(({ wall }) => wall.boundary === boundary);
    const need = BESIDE[boundary];
    const zones = map.planned.zones.filter(({ storeyId, use }) => storeyId === storey.id && use === boundary);
    const [first] = towards;
    for (const zone of zones) {
      addDrawn(features, {
        need,
        key: itemKey.zone(zone.id),
        name: zone.name,
        at: first === undefined ? onStorey(storey.id) : onWall(first),
        walls: towards.map(({ wall }) => wall.id),
      });
    }
    if (zones.length > 0) continue;
    for (const wall of towards) {
      const name = `${wall.name}, to ${BOUNDARY_WORDS[boundary].toLowerCase()}`;
      addDrawn(features, { need, key: wall.key, name, at: onWall(wall), walls: [wall.wall.id] });
    }
  }
}

function ofRoofs(features: Mutable, map: HouseMap, placed: readonly Feature[]): void {
  const keys = new Set(map.areas.map(({ key }) => key));
  for (const roof of map.roofOf.values()) {
    const common = { name: roof.name, at: onRoof(roof), walls: map.wallsUnder(roof.id) };
    const isIndoors = placed.some(({ use, on }) => use === 'roofLineInsulated' && on === roof.id);
    if (keys.has(itemKey.ceiling(roof.id)) && !isIndoors)
      addDrawn(features, { ...common, need: 'ventedAttic', key: itemKey.ceiling(roof.id) });
    if (keys.has(itemKey.slope(roof.id)))
      addDrawn(features, { ...common, need: 'slopedRoof', key: itemKey.slope(roof.id) });
    if (keys.has(itemKey.flatRoof(roof.id)))
      addDrawn(features, { ...common, need: 'flatRoof', key: itemKey.flatRoof(roof.id) });
  }
}

function ofOpenings(features: Mutable, map: HouseMap): void {
  for (const { id, use } of map.planned.openings) {
    if (use !== 'roofWindow' && use !== 'hatch') continue;
    const area = map.areaOf.get(itemKey.opening(id));
    if (area === undefined) continue;
    const need = use === 'hatch' ? 'atticHatch' : 'roofWindow';
    addDrawn(features, { need, key: area.key, name: area.name, at: area.at, walls: [] });
  }
}

function ofStepsIn(features: Mutable, map: HouseMap): void {
  for (const { storey } of map.storeys) {
    const walls = map.measured.junctions.flatMap(({ kind, of, storey: on }) =>
      kind === 'stepIn' && on === storey.id && of !== null ? [of] : [],
    );
    if (walls.length === 0) continue;
    addDrawn(features, {
      need: 'storeyStepsIn',
      key: itemKey.storey(storey.id),
      name: storey.name,
      at: onStorey(storey.id),
      walls,
    });
  }
}

/** Walls that something touches by where it was put: its wall, those below its roof, those of its storey, or all. */
function touchedFrom(at: Anchor, map: HouseMap): readonly string[] {
  if (at.wall !== null) return [at.wall];
  if (at.roof !== null) return map.wallsUnder(at.roof);
  const places =
    at.storeyId === null ? map.storeys : map.storeys.filter(({ storey }) => storey.id === at.storeyId);
  return places.flatMap(wallIds);
}

/** All that calls for checkpoints, as it is drawn, then as it was put there. */
export function featuresHere(map: HouseMap): readonly FeatureHere[] {
  const features: FeatureHere[] = [];
  const placed = map.planned.features;
  for (const place of map.storeys) {
    ofGround(features, place);
    ofBeyond(features, map, place);
  }
  ofFloors(features, map);
  ofStepsIn(features, map);
  ofRoofs(features, map, placed);
  ofOpenings(features, map);
  const { schools, schoolsAt } = planOf(map.planned);
  const isForSound = (storey: Storey) =>
    schoolsAt.find(({ id }) => id === storey.id)?.isForSound ?? schools.isForSound;
  for (const { storey } of map.storeys) {
    if (isForSound(storey) !== true || placed.some(({ use }) => use === 'soundPartitions')) continue;
    addDrawn(features, {
      need: 'soundPartitions',
      key: itemKey.storey(storey.id),
      name: `${storey.name}, inner walls`,
      at: onStorey(storey.id),
      walls: [],
    });
  }
  for (const each of placed) {
    if (each.use === 'plannedService') continue;
    const at = anchorOn(each.on, each.alongM, map);
    const where = placeWords(at, map);
    features.push({
      need: each.use,
      key: itemKey.feature(each.id),
      name: `${featureName(each)}${where === '' ? '' : `, ${where}`}`,
      at,
      walls: touchedFrom(at, map),
      isDrawn: false,
    });
  }
  return features;
}

/** Where something is, in words; empty where that is no one place. */
export function placeWords({ wall, roof, storeyId }: Anchor, map: HouseMap): string {
  if (wall !== null) return map.wallOf.get(wall)?.name ?? '';
  if (roof !== null) return map.roofOf.get(roof)?.name ?? '';
  return map.storeyOf.get(storeyId ?? '')?.storey.name ?? '';
}

/** Two ends of a joist are built in for each spacing along a floor. */
const HANGERS_A_SPACING = 2;

/** How many holes a planned service comes to. */
function holesOf({ count, spacingM, on }: Feature, map: HouseMap): number {
  if (spacingM === null) return count;
  const wall = map.wallOf.get(on)?.wall.lengthM;
  const longest = Math.max(0, ...(map.storeyOf.get(on)?.storey.outline ?? []).map(({ lengthM }) => lengthM));
  return Math.max(count, HANGERS_A_SPACING * Math.floor((wall ?? longest) / spacingM + 1e-9));
}

const HOLES: Readonly<Partial<Record<Feature['use'], ServiceWhat>>> = { joistHangersInMasonry: 'hanger' };

/** Holes to come: those of planned services, and of what is built in. */
export function holesToCome(map: HouseMap): readonly HoleToCome[] {
  return map.planned.features.flatMap((each): readonly HoleToCome[] => {
    const what = each.use === 'plannedService' ? each.what : (HOLES[each.use] ?? null);
    if (what === null) return [];
    const at = anchorOn(each.on, each.alongM, map);
    return [
      {
        key: itemKey.feature(each.id),
        what,
        name: each.name ?? SERVICE_WORDS[what],
        count: holesOf(each, map),
        widthM: each.widthM,
        at,
      },
    ];
  });
}
