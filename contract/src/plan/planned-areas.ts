import type { EnvelopeKind } from '@calvet/core/envelope-kind';
import type { Under as PlanUnder } from '@calvet/core/plan/plan-input';
import type { EnvelopePart } from '@calvet/core/plan/envelope-parts';
import type { BuildUp, PlannedArea } from '../installation/area';
import { buildUpOf, libraryFor } from '../installation/build-up-library';
import { itemKey } from './item-key';
import type { MeasuredDrawing } from './measured-drawing';
import { OPENING_WORDS } from './opening';
import { inLevels, planOf, type Drawing } from './plan-input';
import type { PlannedBuildUp } from './plan';
import { isSloping } from './roof';
import { BOUNDARY_WORDS, isConcrete, type Storey, type Wall } from './storey';

/** An area of the envelope as it was drawn. */
export interface DrawnArea extends PlannedArea {
  readonly key: string;
  /** Null where the drawing cannot be measured. */
  readonly areaM2: number | null;
}

/** What a wall is called beside its storey: its own name, or its number in the outline. */
export const wallName = ({ outline }: Pick<Storey, 'outline'>, wall: Pick<Wall, 'id' | 'name'>): string =>
  wall.name ?? `wall ${outline.findIndex(({ id }) => id === wall.id) + 1}`;

const fromLibrary = new Map<EnvelopeKind, BuildUp>();

/** What areas of a kind are built of until somebody plans it; the same each time. */
function firstFor(use: EnvelopeKind): BuildUp {
  const known = fromLibrary.get(use);
  if (known !== undefined) return known;
  const [first] = libraryFor(use);
  if (first === undefined) throw new Error(`The library of build-ups has none for ${use}.`);
  const buildUp = buildUpOf(first);
  fromLibrary.set(use, buildUp);
  return buildUp;
}

/** The build-up that the drawing has for a kind of area, or by the id of one. */
function buildUpFor(all: readonly PlannedBuildUp[], use: EnvelopeKind, id: string | null): BuildUp {
  const planned = all.find((each) => each.id === id) ?? all.find((each) => each.use === use);
  if (planned !== undefined) {
    const { name, layers, frameAlignment, gradedLayer, costPerM2 } = planned;
    return { name, layers, frameAlignment, gradedLayer, costPerM2 };
  }
  return firstFor(use);
}

const FLOOR_WORDS: Readonly<Record<PlanUnder | 'garage', string>> = {
  ground: 'on the ground',
  crawlSpace: 'over the crawl space',
  unheated: 'over an unheated room',
  outdoors: 'over open air',
  garage: 'over the garage',
};

/** Areas by the keys of what they were drawn as; of a drawing that cannot be measured, none has one. */
type Sizes = ReadonlyMap<string, number>;

function sizesOf(parts: readonly EnvelopePart[]): Sizes {
  const sizes = new Map<string, number>();
  const add = (key: string, areaM2: number) => sizes.set(key, (sizes.get(key) ?? 0) + areaM2);
  for (const part of parts) {
    switch (part.kind) {
      case 'wall': {
        // What lies in the upper part of a wall that is concrete below, lies in the lower where it finds no room.
        const upperM2 = Math.max(0, part.grossM2 - part.concreteM2 - part.openingsM2);
        add(itemKey.wall(part.wall), upperM2);
        add(itemKey.concrete(part.wall), part.grossM2 - part.openingsM2 - upperM2);
        break;
      }
      case 'rim':
        add(itemKey.rim(part.wall), part.areaM2);
        break;
      case 'floor':
        add(itemKey.floor(part.storey, part.zone), part.areaM2);
        break;
      case 'gable':
        if (part.wing !== null) add(itemKey.gable(part.wing), part.areaM2);
        break;
      case 'ceiling':
      case 'slope':
      case 'flatRoof':
        add(itemKey[part.kind](part.roof), part.areaM2);
        break;
    }
  }
  return sizes;
}

/** Smaller than that is nothing: what rounding leaves of an area. */
const NOTHING_M2 = 1e-6;

/** The areas of the envelope that a house is drawn with, storey by storey upwards: floor, rims, walls, what is above them. */
export function drawnAreas(drawing: Drawing, measured: MeasuredDrawing): readonly DrawnArea[] {
  const { buildUps } = planOf(drawing);
  const sizes = measured.state === 'measured' ? sizesOf(measured.parts) : null;
  const areas: DrawnArea[] = [];
  /** @param isLikely whether there is such a part at all, as far as that shows without measuring */
  const add = (
    isLikely: boolean,
    key: string,
    name: string,
    kind: EnvelopeKind,
    buildUp: string | null = null,
  ): void => {
    const areaM2 = sizes === null ? null : (sizes.get(key) ?? 0);
    if (areaM2 === null ? !isLikely : areaM2 <= NOTHING_M2) return;
    areas.push({ key, name, kind, areaM2, buildUp: buildUpFor(buildUps, kind, buildUp) });
  };
  const openingsOn = (id: string, where: string): void => {
    for (const each of drawing.openings.filter(({ on }) => on === id)) {
      const { count, totalM2, widthM, heightM } = each;
      const ownM2 = totalM2 ?? (widthM === null || heightM === null ? null : widthM * heightM * count);
      const word = OPENING_WORDS[each.use];
      areas.push({
        key: itemKey.opening(each.id),
        name: each.name ?? `${count === 1 ? word : `${word}s`}, ${where}`,
        kind: 'opening',
        areaM2: ownM2,
        buildUp: buildUpFor(buildUps, 'opening', each.buildUp),
      });
    }
  };
  const storeys = inLevels(drawing.storeys);
  storeys.forEach((storey, level) => {
    const lower = storeys[level - 1];
    for (const zone of drawing.zones.filter(({ storeyId }) => storeyId === lower?.id))
      add(true, itemKey.floor(storey.id, zone.id), `${storey.name}, floor over ${zone.name}`, 'floor');
    add(
      lower === undefined,
      itemKey.floor(storey.id, null),
      `${storey.name}, floor ${FLOOR_WORDS[storey.under]}`,
      'floor',
    );
    const isFramed = storey.floorDepthM > 0;
    for (const wall of storey.outline)
      add(isFramed, itemKey.rim(wall.id), `${storey.name}, rim under ${wallName(storey, wall)}`, 'rim');
    for (const wall of storey.outline) {
      const beyond = wall.boundary === 'outdoors' ? '' : ` to ${BOUNDARY_WORDS[wall.boundary].toLowerCase()}`;
      const where = `${storey.name}, ${wallName(storey, wall)}`;
      const concreteM = wall.concreteM ?? 0;
      add(concreteM > 0, itemKey.concrete(wall.id), `${where}${beyond}, concrete`, 'wall');
      add(!isConcrete(wall, storey), itemKey.wall(wall.id), `${where}${beyond}`, 'wall', wall.buildUp);
      openingsOn(wall.id, where);
    }
    for (const roof of drawing.roofs.filter(({ storeyId }) => storeyId === storey.id)) {
      const { id, name, buildUp } = roof;
      const hasWings = isSloping(roof.form);
      const isCeiling = roof.form === 'flatCeiling' || (roof.form === 'slope' && roof.collarM !== null);
      add(isCeiling, itemKey.ceiling(id), `${name}, ceiling`, 'ceiling', hasWings ? null : buildUp);
      add(roof.form === 'flatRoof', itemKey.flatRoof(id), name, 'roof', buildUp);
      add(hasWings, itemKey.slope(id), `${name}, slopes`, 'roof', buildUp);
      roof.wings.forEach((wing, i) => {
        const isGabled =
          roof.form === 'monoSlope' || [wing.lower, wing.higher].some(({ kind }) => kind === 'gable');
        const which = roof.wings.length === 1 ? 'gables' : `gables of wing ${i + 1}`;
        add(hasWings && isGabled, itemKey.gable(wing.id), `${name}, ${which}`, 'wall');
      });
      openingsOn(id, name);
    }
  });
  return areas;
}
