import { Refusal } from '@calvet/core/refusal';
import { yearOf } from '../house/indoor-air';
import type { HouseBody } from '../house/house';
import type { Trade } from '../plan/work-words';
import { heatFlowOf, type AreaInHand } from './area';
import { areaFigures, type Worth } from './area-figures';
import type { Surroundings } from './build-up-assembly';
import { carbonOf, type BuildUpCarbon } from './carbon-of-build-up';
import type { BuildUpLayer } from './layer';
import { lookOf, type LayerLook } from './layer-group';
import type { KnownMaterial } from './material-library';
import { moistureOf, type BuildUpMoisture } from './moisture-of-build-up';

/** What a build-up is held against others by. Planned: with its frame, before anybody graded the work. */
export type ComparedBuildUp =
  | {
      readonly state: 'figures';
      readonly worth: Worth;
      /** Over its own area, W/K; null where it has none. */
      readonly lossWK: number | null;
      /** Without layers of which nobody said how thick they are. */
      readonly thicknessM: number;
      readonly hasThickness: boolean;
      readonly carbon: BuildUpCarbon;
      /** Null where nobody said in which climate the house stands. */
      readonly moisture: BuildUpMoisture | null;
      /** Who comes to build it, each at least once. */
      readonly trades: readonly Trade[];
      /** What its materials do in water, in fire, with pests; each once. */
      readonly traits: readonly string[];
    }
  | { readonly state: 'refused'; readonly message: string };

const isFilled = (layer: BuildUpLayer): boolean =>
  layer.kind === 'framed' && (layer.fills.length > 0 || layer.cavityRsi > 0.3);

const ABOUT_WHOLE = { fill: null, name: '', fromM: 0, isGap: false, isOpen: false, isThicknessKnown: true };

/** Thicker, what looks like masonry is laid; thinner, it is put on. */
const COAT_TO_M = 0.03;

/** What a layer is: by its material, where that is known, else by its figures. */
function lookOfMade(layer: BuildUpLayer, materials: readonly KnownMaterial[], toM: number): LayerLook {
  const group = materials.find(({ id }) => id === layer.materialId)?.group;
  if (group === 'masonry' || group === 'metal' || group === 'sheet') return group;
  return lookOf({ ...ABOUT_WHOLE, layer, toM });
}

interface LayerPlace {
  readonly isInside: boolean;
  readonly isOutermost: boolean;
}

/** Who puts a layer in: by what it is, and on which side of the frame it lies. */
function tradesOf(
  layer: BuildUpLayer,
  materials: readonly KnownMaterial[],
  { isInside, isOutermost }: LayerPlace,
): readonly Trade[] {
  if (layer.kind === 'framed') return isFilled(layer) ? ['carpenter', 'insulator'] : ['carpenter'];
  if (layer.kind === 'airSpace') return ['carpenter'];
  const toM = layer.thicknessM ?? 0.012;
  switch (lookOfMade(layer, materials, toM)) {
    case 'insulation':
    case 'foam':
      return ['insulator'];
    case 'sheet':
      return ['airSealer'];
    case 'metal':
      return ['cladder'];
    case 'masonry':
      return [toM <= COAT_TO_M ? 'plasterer' : 'mason'];
    default:
      return [isInside ? 'liner' : isOutermost ? 'cladder' : 'carpenter'];
  }
}

function tradesFor(layers: readonly BuildUpLayer[], materials: readonly KnownMaterial[]): readonly Trade[] {
  const frame = layers.findIndex(({ kind }) => kind === 'framed');
  const all = layers.flatMap((layer, i) =>
    tradesOf(layer, materials, {
      isInside: i === 0 || i < frame,
      isOutermost: i > 0 && i === layers.length - 1,
    }),
  );
  return [...new Set(all)];
}

function traitsFor(layers: readonly BuildUpLayer[], materials: readonly KnownMaterial[]): readonly string[] {
  const ids = layers.flatMap((layer) => [
    layer.materialId,
    ...(layer.kind === 'framed' ? layer.fills.map(({ materialId }) => materialId) : []),
  ]);
  const traits = ids.flatMap((id) => materials.find((material) => material.id === id)?.traits ?? []);
  return [...new Set(traits)];
}

/**
 * What a build-up is held against others by, in its house and over its own area.
 * @param materials of the library and of the practice, for what they do in water, in fire, with pests
 */
export function comparedBuildUp(
  house: HouseBody,
  area: AreaInHand,
  materials: readonly KnownMaterial[],
): ComparedBuildUp {
  const figures = areaFigures(house, area);
  if (figures.state === 'refused') return { state: 'refused', message: figures.refusal.message };
  const { layers } = area.buildUp;
  const surroundings: Surroundings = {
    filmConvention: house.filmConvention,
    heatFlow: heatFlowOf(area.kind),
  };
  const months = yearOf(house);
  const thicknesses = layers.map(({ thicknessM }) => thicknessM);
  const { framed } = figures;
  try {
    return {
      state: 'figures',
      worth: framed,
      lossWK: area.areaM2 === null ? null : framed.uValue * area.areaM2,
      thicknessM: thicknesses.reduce<number>((sum, each) => sum + (each ?? 0), 0),
      hasThickness: !thicknesses.includes(null),
      carbon: carbonOf(area.buildUp, surroundings, framed.effectiveRsi),
      moisture: months === null ? null : moistureOf(area.buildUp, surroundings, months),
      trades: tradesFor(layers, materials),
      traits: traitsFor(layers, materials),
    };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { state: 'refused', message: error.message };
  }
}
