import type { EnvelopeKind } from '@calvet/core/envelope-kind';
import { idsIn, itemKey } from '../plan/item-key';
import type { MeasuredDrawing } from '../plan/measured-drawing';
import { drawnAreas, wallName, type DrawnArea } from '../plan/planned-areas';
import { inLevels, type Planned } from '../plan/plan-input';
import type { Roof } from '../plan/roof';
import { isConcrete, type Storey, type Wall } from '../plan/storey';
import { isInGround } from './walking-order';

/** Where in a house something is. What is null is not known, or no one place. */
export interface Anchor {
  readonly storeyId: string | null;
  readonly wall: string | null;
  readonly roof: string | null;
  readonly alongM: number | null;
}

/** All of the house. */
export const WHOLE_HOUSE: Anchor = { storeyId: null, wall: null, roof: null, alongM: null };

/** A wall, with what it stands in. */
export interface MappedWall {
  readonly wall: Wall;
  readonly storey: Storey;
  /** How it is called, with its storey. */
  readonly name: string;
  /** Key of the part of it that is judged as the wall: its upper part, where it has one. */
  readonly key: string;
}

/** A storey, with what lies on and under it. */
export interface MappedStorey {
  readonly storey: Storey;
  readonly isLowest: boolean;
  readonly isInGround: boolean;
  readonly below: Storey | null;
  readonly walls: readonly MappedWall[];
  readonly roofs: readonly Roof[];
}

/** An area of the envelope, with where it is. */
export interface MappedArea {
  readonly key: string;
  readonly name: string;
  readonly kind: EnvelopeKind;
  readonly at: Anchor;
}

/** A drawing that can be measured, by what is where. */
export interface HouseMap {
  readonly planned: Planned;
  readonly measured: MeasuredDrawing & { readonly state: 'measured' };
  /** The lowest first. */
  readonly storeys: readonly MappedStorey[];
  readonly storeyOf: ReadonlyMap<string, MappedStorey>;
  readonly wallOf: ReadonlyMap<string, MappedWall>;
  readonly roofOf: ReadonlyMap<string, Roof>;
  readonly areas: readonly MappedArea[];
  /** By their keys. */
  readonly areaOf: ReadonlyMap<string, MappedArea>;
  /** Keys of the areas of a storey's floor. */
  readonly floorsOf: (storey: string) => readonly string[];
  /** Walls whose heads lie under a roof. */
  readonly wallsUnder: (roof: string) => readonly string[];
  /** The wall below on which another one's rim stands; the one with most of it. */
  readonly wallBelow: (upper: string) => string | null;
}

export const onStorey = (storeyId: string): Anchor => ({ ...WHOLE_HOUSE, storeyId });

export const onWall = (
  { wall, storey }: Pick<MappedWall, 'wall' | 'storey'>,
  alongM: number | null = null,
): Anchor => ({
  ...WHOLE_HOUSE,
  storeyId: storey.id,
  wall: wall.id,
  alongM,
});

export const onRoof = ({ id, storeyId }: Pick<Roof, 'id' | 'storeyId'>): Anchor => ({
  ...WHOLE_HOUSE,
  storeyId,
  roof: id,
});

function mapStoreys(planned: Planned): readonly MappedStorey[] {
  const storeys = inLevels(planned.storeys);
  return storeys.map((storey, i): MappedStorey => ({
    storey,
    isLowest: i === 0,
    isInGround: isInGround(storey),
    below: storeys[i - 1] ?? null,
    walls: storey.outline.map((wall) => ({
      wall,
      storey,
      name: `${storey.name}, ${wallName(storey, wall)}`,
      key: isConcrete(wall, storey) ? itemKey.concrete(wall.id) : itemKey.wall(wall.id),
    })),
    roofs: planned.roofs.filter(({ storeyId }) => storeyId === storey.id),
  }));
}

/** Where each area of a kind is, by what its key names first. */
function anchorOf(
  key: string,
  map: Pick<HouseMap, 'wallOf' | 'roofOf' | 'storeyOf'>,
  planned: Planned,
): Anchor {
  const [kind = ''] = key.split('/');
  const [id = ''] = idsIn(key);
  switch (kind) {
    case 'wall':
    case 'rim': {
      const wall = map.wallOf.get(id);
      return wall === undefined ? WHOLE_HOUSE : onWall(wall);
    }
    case 'floor':
      return onStorey(id);
    case 'gable': {
      const roof = planned.roofs.find(({ wings }) => wings.some((wing) => wing.id === id));
      return roof === undefined ? WHOLE_HOUSE : onRoof(roof);
    }
    case 'opening': {
      const opening = planned.openings.find((each) => each.id === id);
      const wall = map.wallOf.get(opening?.on ?? '');
      if (wall !== undefined) return onWall(wall, opening?.alongM ?? null);
      const roof = map.roofOf.get(opening?.on ?? '');
      return roof === undefined ? WHOLE_HOUSE : onRoof(roof);
    }
    default: {
      const roof = map.roofOf.get(id);
      return roof === undefined ? WHOLE_HOUSE : onRoof(roof);
    }
  }
}

/** Maps a drawing that was measured. */
export function mapHouse(planned: Planned, measured: HouseMap['measured']): HouseMap {
  const storeys = mapStoreys(planned);
  const storeyOf = new Map(storeys.map((each) => [each.storey.id, each]));
  const wallOf = new Map(storeys.flatMap(({ walls }) => walls.map((each) => [each.wall.id, each] as const)));
  const roofOf = new Map(storeys.flatMap(({ roofs }) => roofs.map((each) => [each.id, each] as const)));
  const { junctions } = measured;
  const found = { storeyOf, wallOf, roofOf };
  const areas = drawnAreas(planned, measured).map(({ key, name, kind }: DrawnArea): MappedArea => ({
    key,
    name,
    kind,
    at: anchorOf(key, found, planned),
  }));
  const floors = new Map<string, string[]>();
  for (const { kind, key, at } of areas) {
    if (kind !== 'floor' || at.storeyId === null) continue;
    floors.set(at.storeyId, [...(floors.get(at.storeyId) ?? []), key]);
  }
  const below = new Map<string, { readonly wall: string; readonly lengthM: number }>();
  for (const { kind, of, to, lengthM } of junctions) {
    if (kind !== 'rimFoot' || of === null || to === null) continue;
    if (lengthM > (below.get(of)?.lengthM ?? 0)) below.set(of, { wall: to, lengthM });
  }
  return {
    planned,
    measured,
    storeys,
    ...found,
    areas,
    areaOf: new Map(areas.map((area) => [area.key, area])),
    floorsOf: (storey) => floors.get(storey) ?? [],
    wallsUnder: (roof) => [
      ...new Set(
        junctions.flatMap(({ kind, of, to }) =>
          (kind === 'head' || kind === 'gableFoot') && to === roof && of !== null ? [of] : [],
        ),
      ),
    ],
    wallBelow: (upper) => below.get(upper)?.wall ?? null,
  };
}
