import type { HousePath } from '@calvet/core/calendar/calendar-input';
import {
  CATALOGUE_VERSION,
  CHECKPOINTS,
  suitsNeeds,
  suitsSchools,
  type Checkpoint,
  type LeakClass,
  type SchoolWord,
  type Subject,
} from '../catalogue/catalogue';
import { itemKey } from '../plan/item-key';
import { measureDrawing } from '../plan/measured-drawing';
import { PHASE_WORDS, type Phase } from '../plan/own-checkpoint';
import { planOf, type Planned } from '../plan/plan-input';
import type { AirBarrier } from '../plan/schools';
import { roofsAsLaid } from '../plan/roofs-as-laid';
import type { CoverEvent } from '../plan/work-words';
import type { FieldRefusal } from '../refusal-of';
import { contradictions, type Contradiction } from './contradictions';
import { featuresHere, holesToCome, type FeatureHere, type HoleToCome } from './features-here';
import { mapHouse, onStorey, WHOLE_HOUSE, type Anchor, type HouseMap, type MappedArea } from './house-map';
import { isCalledAt } from './junction-calls';
import { junctionItems, type JunctionItem } from './junction-items';
import { pathsIn, pathTo } from './paths';
import { schoolsHere, togetherOf, wordsOf, type SchoolsHere } from './schools-here';
import { stopsOf, type Stop } from './stops';

/** A checkpoint at an item of a house. */
export interface CheckpointHere {
  /** `<checkpoint>@<item>`. */
  readonly key: string;
  /** Id in the catalogue, or of one that was added to the house. */
  readonly checkpoint: string;
  readonly item: string;
  /** What the item is called. */
  readonly itemName: string;
  readonly phase: Phase;
  /** What of the work it is part of; null of one of somebody's own. */
  readonly subject: Subject | null;
  /** How much leaks where it fails. */
  readonly leak: LeakClass;
  readonly coverEvent: CoverEvent;
  /** Where it is, from the house inwards: works on any of that hide it. */
  readonly path: HousePath;
}

/** A stop of the walk: what is seen from one place. */
export interface StopHere extends Stop {
  /** By phase, then as the catalogue has them. */
  readonly checkpoints: readonly CheckpointHere[];
  /** Keys of the junctions that are seen from it. */
  readonly junctions: readonly string[];
}

/** An area of the envelope, and how it is made airtight. */
export interface AreaHere extends MappedArea {
  /** Null: nobody said it; of an opening, whose frame is part of no other barrier. */
  readonly barrier: AirBarrier | null;
}

/** A hole to come, and where it is looked at. */
export interface HoleHere extends HoleToCome {
  /** Key of the stop from which it is seen. */
  readonly stop: string;
}

/** All that has to be looked at in a house, in the order in which it is walked. */
export interface Walk {
  readonly state: 'walked';
  /** Version of the catalogue that its checkpoints are of. */
  readonly catalogueVersion: number;
  readonly stops: readonly StopHere[];
  readonly areas: readonly AreaHere[];
  readonly junctions: readonly JunctionItem[];
  readonly features: readonly FeatureHere[];
  readonly holes: readonly HoleHere[];
  readonly contradictions: readonly Contradiction[];
  /** Paths from the house to each part of it, by id. */
  readonly paths: ReadonlyMap<string, HousePath>;
}

/** A walk, or why there is none: nothing is drawn, or what is drawn cannot be measured. */
export type GeneratedWalk =
  Walk | { readonly state: 'none' } | { readonly state: 'refused'; readonly refusal: FieldRefusal };

/** A place at which a checkpoint is asked. */
interface Called {
  readonly item: string;
  readonly name: string;
  readonly at: Anchor;
}

const PHASES = Object.keys(PHASE_WORDS) as readonly Phase[];

/** Goods that fill, and are looked at wherever they do. */
const FILLS: ReadonlySet<Checkpoint['subject']> = new Set(['batt', 'blown', 'foam', 'board']);
/** Only where a storey has no other above it. */
const UNDER_ROOFS: ReadonlySet<Checkpoint['subject']> = new Set(['ceilingPlane']);
/** A window as high as a door reaches down to the floor. */
const DOWN_TO_FLOOR_M = 2;

/** What somebody adds of their own may leak. */
const OWN_LEAK: LeakClass = 'small';

/** What a checkpoint is held against at each place. */
class Calling {
  private readonly houseWords: ReadonlySet<SchoolWord>;
  private readonly storeyWords: ReadonlyMap<string, ReadonlySet<SchoolWord>>;
  private readonly areaWords: ReadonlyMap<string, ReadonlySet<SchoolWord>>;

  constructor(
    private readonly map: HouseMap,
    private readonly schools: SchoolsHere,
    private readonly features: readonly FeatureHere[],
    private readonly junctions: readonly JunctionItem[],
  ) {
    this.areaWords = new Map(map.areas.map((area) => [area.key, wordsOf(schools.ofArea(area))]));
    const ofStorey = (storeyId: string) =>
      togetherOf(
        map.areas.flatMap(({ key, at }) =>
          at.storeyId === storeyId ? [this.areaWords.get(key) ?? new Set()] : [],
        ),
      );
    this.storeyWords = new Map(map.storeys.map(({ storey }) => [storey.id, ofStorey(storey.id)]));
    this.houseWords = togetherOf([...this.storeyWords.values()]);
  }

  /** The words of what is at an anchor: its wall, its roof, its storey, or the house. */
  private wordsAt({ wall, roof, storeyId }: Anchor): ReadonlySet<SchoolWord> {
    if (wall !== null) return wordsOf(this.schools.ofWall(wall));
    if (roof !== null) return wordsOf(this.schools.ofRoof(roof));
    return this.storeyWords.get(storeyId ?? '') ?? this.houseWords;
  }

  private featuresFor({ needs }: Checkpoint): readonly FeatureHere[] {
    return this.features.filter(({ need }) => needs.includes(need));
  }

  /** Where a checkpoint is asked. */
  of(checkpoint: Checkpoint): readonly Called[] {
    switch (checkpoint.at) {
      case 'perHouse':
        return suitsNeeds(checkpoint, (need) => this.features.some((each) => each.need === need)) &&
          suitsSchools(checkpoint, this.houseWords)
          ? [{ item: 'house', name: 'Whole house', at: WHOLE_HOUSE }]
          : [];
      case 'perStorey':
        return this.perStorey(checkpoint);
      case 'perWall':
        return this.perWall(checkpoint);
      case 'perArea':
        return this.map.areas
          .filter(({ kind, key }) => kind !== 'opening' && this.suitsArea(checkpoint, key))
          .map(({ key, name, at }) => ({ item: key, name, at: this.seenAt(key, at) }));
      case 'perOpening':
        return this.perOpening(checkpoint);
      case 'perFeature':
        return this.featuresFor(checkpoint)
          .filter(({ at }) => suitsSchools(checkpoint, this.wordsAt(at)))
          .map(({ key, name, at }) => ({ item: key, name, at }));
      case 'perJunction':
        return this.perJunction(checkpoint);
    }
  }

  private suitsArea(checkpoint: Checkpoint, key: string): boolean {
    return suitsSchools(checkpoint, this.areaWords.get(key) ?? new Set());
  }

  /** A rim is seen from the storey below it. */
  private seenAt(key: string, at: Anchor): Anchor {
    if (!key.startsWith('rim/') || at.wall === null) return at;
    const lower = this.map.wallBelow(at.wall);
    const found = lower === null ? undefined : this.map.wallOf.get(lower);
    return found === undefined ? at : { ...at, storeyId: found.storey.id, wall: lower };
  }

  private perStorey(checkpoint: Checkpoint): readonly Called[] {
    const isOfRim = checkpoint.subject === 'rim';
    const asked = this.featuresFor(checkpoint);
    return this.map.storeys.flatMap(({ storey, roofs, below }) => {
      if (isOfRim && storey.floorDepthM === 0) return [];
      if ((UNDER_ROOFS.has(checkpoint.subject) || checkpoint.from === 'above') && roofs.length === 0)
        return [];
      const isHere = asked.some(({ at }) => at.storeyId === null || at.storeyId === storey.id);
      if (checkpoint.needs.length > 0 && !isHere) return [];
      if (!suitsSchools(checkpoint, this.storeyWords.get(storey.id) ?? new Set())) return [];
      const seenFrom = isOfRim && below !== null ? below : storey;
      return [{ item: itemKey.storey(storey.id), name: storey.name, at: onStorey(seenFrom.id) }];
    });
  }

  private perWall(checkpoint: Checkpoint): readonly Called[] {
    const touched = new Set(this.featuresFor(checkpoint).flatMap(({ walls }) => walls));
    const walls = this.map.storeys
      .flatMap((place) => place.walls)
      .filter(({ wall }) => {
        if (checkpoint.needs.length > 0 && !touched.has(wall.id)) return false;
        // Nobody comes to the far side of a neighbour's wall.
        if (checkpoint.from === 'outside' && wall.boundary === 'neighbour') return false;
        return suitsSchools(checkpoint, this.wordsAt({ ...WHOLE_HOUSE, wall: wall.id }));
      })
      .map(({ wall, key, name, storey }): Called => ({
        item: key,
        name,
        at: { ...WHOLE_HOUSE, storeyId: storey.id, wall: wall.id },
      }));
    if (!FILLS.has(checkpoint.subject) || checkpoint.needs.length > 0) return walls;
    const beside = this.map.areas.filter(
      ({ key, kind, at }) =>
        (kind === 'ceiling' ||
          kind === 'roof' ||
          kind === 'floor' ||
          (kind === 'wall' && at.wall === null)) &&
        this.suitsArea(checkpoint, key),
    );
    return [...walls, ...beside.map(({ key, name, at }) => ({ item: key, name, at }))];
  }

  private perOpening(checkpoint: Checkpoint): readonly Called[] {
    return this.map.planned.openings.flatMap((opening) => {
      if (opening.use === 'roofWindow' || opening.use === 'hatch') return [];
      const isThreshold = checkpoint.id === 'threshold-underside-sealed';
      if (isThreshold && opening.use === 'window' && (opening.heightM ?? 0) < DOWN_TO_FLOOR_M) return [];
      const area = this.map.areaOf.get(itemKey.opening(opening.id));
      if (area === undefined || !suitsSchools(checkpoint, this.wordsAt(area.at))) return [];
      return [{ item: area.key, name: area.name, at: area.at }];
    });
  }

  private perJunction(checkpoint: Checkpoint): readonly Called[] {
    const asked = this.featuresFor(checkpoint);
    return this.junctions
      .filter((item) => {
        if (!isCalledAt(checkpoint.id, item, this.map, this.schools)) return false;
        const isHere = asked.some(({ at }) => at.storeyId === null || at.storeyId === item.at.storeyId);
        if (checkpoint.needs.length > 0 && !isHere) return false;
        const words = togetherOf([
          ...item.areas.map((key) => this.areaWords.get(key) ?? new Set<SchoolWord>()),
          ...(item.areas.length === 0 ? [this.wordsAt(item.at)] : []),
        ]);
        return suitsSchools(checkpoint, words);
      })
      .map(({ key, name, at }) => ({ item: key, name, at }));
  }
}

/** A floor on the ground is hidden by its slab, whatever hides the rest. */
function coverAt({ coverEvent, at }: Checkpoint, item: string, map: HouseMap): CoverEvent {
  if (at !== 'perArea' || !item.startsWith('floor/')) return coverEvent;
  const [, ids = ''] = item.split('/');
  const place = map.storeyOf.get(ids);
  return place?.isLowest === true && place.storey.under === 'ground' ? 'slabPoured' : coverEvent;
}

/** Every item of a house by its key, with where it is. */
function itemsOf(
  map: HouseMap,
  junctions: readonly JunctionItem[],
  features: readonly FeatureHere[],
): ReadonlyMap<string, Called> {
  return new Map<string, Called>([
    ['house', { item: 'house', name: 'Whole house', at: WHOLE_HOUSE }],
    ...map.storeys.map(({ storey }): readonly [string, Called] => {
      const item = itemKey.storey(storey.id);
      return [item, { item, name: storey.name, at: onStorey(storey.id) }];
    }),
    ...[...map.areas, ...junctions, ...features].map(({ key, name, at }): readonly [string, Called] => [
      key,
      { item: key, name, at },
    ]),
  ]);
}

/**
 * All that has to be looked at in a house that is drawn: areas, junctions, features and checkpoints, each at the stop from
 * which it is seen, in the order in which the house is walked. Nothing of it is kept.
 */
export function generateWalk(kept: Planned): GeneratedWalk {
  // Slopes lie where the walls are now.
  const planned = { ...kept, roofs: roofsAsLaid(kept) };
  const measured = measureDrawing(planned);
  if (measured.state === 'none') return measured;
  if (measured.state === 'refused') return { state: 'refused', refusal: measured.refusal };
  const { walking, checkpointsAdded, checkpointsOff } = planOf(planned);
  const map = mapHouse(planned, measured);
  const schools = schoolsHere(map);
  const features = featuresHere(map);
  const junctions = junctionItems(map, schools, walking.turning);
  const calling = new Calling(map, schools, features, junctions);
  const stops = stopsOf(map, walking);
  const off = new Set(checkpointsOff.map(({ name }) => name));
  const found = new Map<string, Map<string, CheckpointHere>>();
  const put = (
    { item, name, at }: Called,
    checkpoint: Pick<Checkpoint, 'id' | 'phase' | 'from' | 'leak'> & { readonly subject: Subject | null },
    coverEvent: CoverEvent,
  ): void => {
    const key = itemKey.checkpoint(checkpoint.id, item);
    if (off.has(checkpoint.id) || off.has(key)) return;
    const stop = stops.seenFrom(at, checkpoint.from);
    const there = found.get(stop) ?? new Map<string, CheckpointHere>();
    found.set(stop, there);
    there.set(key, {
      key,
      checkpoint: checkpoint.id,
      item,
      itemName: name,
      phase: checkpoint.phase,
      subject: checkpoint.subject,
      leak: checkpoint.leak,
      coverEvent,
      path: pathTo(at, item),
    });
  };
  // Within a phase they stay as they are put: as the catalogue has them, then those that were added.
  for (const checkpoint of CHECKPOINTS) {
    for (const called of calling.of(checkpoint))
      put(called, checkpoint, coverAt(checkpoint, called.item, map));
  }
  const items = itemsOf(map, junctions, features);
  for (const own of checkpointsAdded) {
    const called = items.get(own.at);
    if (called !== undefined)
      put(called, { ...own, from: 'inside', subject: null, leak: OWN_LEAK }, own.coverEvent);
  }
  const seen = new Map<string, string[]>();
  for (const { key, at } of junctions) {
    const stop = stops.seenFrom(at, 'inside');
    seen.set(stop, [...(seen.get(stop) ?? []), key]);
  }
  const all = stops.inOrder.map((stop): StopHere => ({
    ...stop,
    checkpoints: [...(found.get(stop.key)?.values() ?? [])].sort(
      (a, b) => PHASES.indexOf(a.phase) - PHASES.indexOf(b.phase),
    ),
    junctions: seen.get(stop.key) ?? [],
  }));
  return {
    state: 'walked',
    catalogueVersion: CATALOGUE_VERSION,
    // Stretches stand in the walk whatever is asked there: holes are looked for along all of them.
    stops: all.filter(
      ({ kind, checkpoints, junctions: here }) =>
        kind === 'stretch' || checkpoints.length > 0 || here.length > 0,
    ),
    areas: map.areas.map((area) => ({
      ...area,
      barrier: area.kind === 'opening' ? null : schools.ofArea(area).airBarrier,
    })),
    junctions,
    features,
    holes: holesToCome(map).map((hole) => ({ ...hole, stop: stops.seenFrom(hole.at, 'inside') })),
    contradictions: contradictions(map, schools),
    paths: pathsIn(map),
  };
}
