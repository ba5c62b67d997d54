import { fromSi, type UnitSystem } from '@calvet/core/units/quantity';
import type { EnvelopeKind } from '@calvet/core/envelope-kind';
import { v5 } from 'uuid';
import type { BuildUp } from './area';
import type { LayerFigures } from './layer';
import { framedLayer, materialLayer, resistanceLayer } from './plain-layer';

/** A build-up to start from, and the kinds of area that it suits. */
export interface LibraryBuildUp extends Omit<BuildUp, 'name' | 'layers' | 'gradedLayer' | 'costPerM2'> {
  readonly id: string;
  /** Sizes stand in it in millimetres, as `{140}`. */
  readonly name: string;
  readonly kinds: readonly EnvelopeKind[];
  readonly layers: readonly LayerFigures[];
  /** Position of the layer whose installation is graded. */
  readonly gradedLayer: number | null;
}

const WOOD_CONDUCTIVITY_WMK = 0.12;

const framed = (name: string, thicknessM: number, cavityRsi: number, framingFraction: number): LayerFigures =>
  letting(
    framedLayer(name, {
      thicknessM,
      cavityRsi,
      frameRsi: thicknessM / WOOD_CONDUCTIVITY_WMK,
      framingFraction,
    }),
    thicknessM,
    1,
  );

/** A layer with how tight it is to vapour, by its µ dry and damp. ISO 10456. */
const letting = <L extends LayerFigures>(layer: L, thicknessM: number, muDry: number, muDamp = muDry): L => ({
  ...layer,
  sdDryM: muDry * thicknessM,
  sdDampM: muDamp * thicknessM,
});

/** What making a cubic metre of a material weighs, emits and stores, kg; as the library of materials has it. */
const MADE_OF = {
  'glass-batt-dense': [24, 34.8, 0],
  'stone-batt': [40, 48, 0],
  'stone-board': [110, 132, 0],
  'cellulose-dense': [55, 13.75, 71.5],
  'cellulose-loose': [30, 7.5, 39],
  xps: [33, 122.1, 0],
  'eps-white': [16, 53.6, 0],
  osb: [650, 325, 975],
  plasterboard: [900, 270, 0],
  'plaster-gypsum': [1000, 130, 0],
  'block-aerated': [550, 200.75, 0],
  'brick-outer': [1700, 408, 0],
  'wood-fibre-board': [180, 126, 252],
  concrete: [2400, 324, 0],
} as const satisfies Readonly<Record<string, readonly [density: number, carbon: number, stored: number]>>;

/** A layer with what it is made of. */
const of = <L extends LayerFigures>(materialId: keyof typeof MADE_OF, layer: L): L => {
  const [densityKgM3, carbonKgM3, storedKgM3] = MADE_OF[materialId];
  return { ...layer, materialId, densityKgM3, carbonKgM3, storedKgM3 };
};

const fibre = (name: string, thicknessM: number, conductivityWmK: number): LayerFigures =>
  letting(materialLayer(name, thicknessM, conductivityWmK), thicknessM, 1);

const plasterboard = of('plasterboard', letting(materialLayer('Plasterboard', 0.0125, 0.25), 0.0125, 10, 4));
const sheathing = of('osb', letting(materialLayer('Wood sheathing', 0.012, 0.13), 0.012, 200, 70));
/** Air moves behind it: what lies further out holds no vapour. */
const cladding = letting(resistanceLayer('Ventilated cladding', 0.08), 0.1, 1);

/**
 * Starter library: common build-ups with usual conductivities and framing fractions, meant to be adjusted
 * to what stands on site. Resistances of cavities are the labels of the insulation.
 */
export const BUILD_UP_LIBRARY: readonly LibraryBuildUp[] = [
  {
    id: 'framed-wall-140',
    name: 'Framed wall {140}, fibre batts',
    kinds: ['wall'],
    layers: [
      plasterboard,
      of('stone-batt', framed('Studs {140}, batts', 0.14, 3.7, 0.23)),
      sheathing,
      cladding,
    ],
    frameAlignment: null,
    gradedLayer: 1,
  },
  {
    id: 'framed-wall-90',
    name: 'Framed wall {90}, fibre batts',
    kinds: ['wall'],
    layers: [
      plasterboard,
      of('stone-batt', framed('Studs {90}, batts', 0.09, 2.3, 0.25)),
      sheathing,
      cladding,
    ],
    frameAlignment: null,
    gradedLayer: 1,
  },
  {
    id: 'framed-wall-140-board',
    name: 'Framed wall {140}, batts, outside board {50}',
    kinds: ['wall'],
    layers: [
      plasterboard,
      of('stone-batt', framed('Studs {140}, batts', 0.14, 3.7, 0.23)),
      sheathing,
      of('stone-board', fibre('Outside board', 0.05, 0.036)),
      cladding,
    ],
    frameAlignment: null,
    gradedLayer: 1,
  },
  {
    id: 'double-frame',
    name: 'Double frame {300}, dense-packed',
    kinds: ['wall'],
    layers: [
      plasterboard,
      of('cellulose-dense', framed('Inner studs {90}', 0.09, 2.25, 0.16)),
      of('cellulose-dense', fibre('Gap, dense-packed', 0.12, 0.04)),
      of('cellulose-dense', framed('Outer studs {90}', 0.09, 2.25, 0.2)),
      sheathing,
      cladding,
    ],
    frameAlignment: 'aligned',
    gradedLayer: 2,
  },
  {
    id: 'masonry-cavity',
    name: 'Masonry, cavity batts {150}',
    kinds: ['wall'],
    layers: [
      of('plaster-gypsum', letting(materialLayer('Plaster', 0.013, 0.5), 0.013, 10, 6)),
      of('block-aerated', letting(materialLayer('Inner leaf, block', 0.1, 0.18), 0.1, 10, 5)),
      of('glass-batt-dense', fibre('Cavity batts', 0.15, 0.034)),
      of('brick-outer', letting(materialLayer('Outer leaf, brick', 0.1025, 0.77), 0.1025, 10, 5)),
    ],
    frameAlignment: null,
    gradedLayer: 2,
  },
  {
    id: 'rim-board',
    name: 'Rim, cut board sealed in',
    kinds: ['rim'],
    layers: [
      of('xps', letting(framed('Joists, cut board', 0.1, 2.9, 0.12), 0.1, 60)),
      of('osb', letting(materialLayer('Rim board', 0.028, 0.13), 0.028, 50, 20)),
      sheathing,
      cladding,
    ],
    frameAlignment: null,
    gradedLayer: 0,
  },
  {
    id: 'ceiling-loose-fill',
    name: 'Ceiling, loose fill {400} over joists',
    kinds: ['ceiling'],
    layers: [
      plasterboard,
      of('cellulose-loose', framed('Joists {140}, loose fill', 0.14, 3.5, 0.1)),
      of('cellulose-loose', fibre('Loose fill over joists', 0.26, 0.04)),
    ],
    frameAlignment: null,
    gradedLayer: 2,
  },
  {
    id: 'roof-slope-220',
    name: 'Roof slope {220}, dense-packed',
    kinds: ['roof'],
    layers: [
      plasterboard,
      of('cellulose-dense', framed('Rafters {220}, dense-packed', 0.22, 5.5, 0.12)),
      of('wood-fibre-board', letting(materialLayer('Wood-fibre board', 0.06, 0.045), 0.06, 5, 3)),
      letting(resistanceLayer('Ventilated covering', 0.08), 0.1, 1),
    ],
    frameAlignment: null,
    gradedLayer: 1,
  },
  {
    id: 'floor-joists-220',
    name: 'Joisted floor {220}, batts',
    kinds: ['floor'],
    layers: [
      of('osb', letting(materialLayer('Subfloor', 0.022, 0.13), 0.022, 50, 15)),
      of('stone-batt', framed('Joists {220}, batts', 0.22, 5.8, 0.12)),
    ],
    frameAlignment: null,
    gradedLayer: 1,
  },
  {
    id: 'slab-board-150',
    name: 'Slab on board {150}',
    kinds: ['floor'],
    layers: [
      of('concrete', letting(materialLayer('Concrete slab', 0.1, 2), 0.1, 130, 80)),
      of('eps-white', letting(materialLayer('Under-slab board', 0.15, 0.035), 0.15, 60)),
    ],
    frameAlignment: null,
    gradedLayer: 1,
  },
  {
    id: 'window',
    name: 'Window or door, R of the unit',
    kinds: ['opening'],
    layers: [resistanceLayer('Unit without films', 0.6)],
    frameAlignment: null,
    gradedLayer: null,
  },
];

/** Build-ups of the library that suit a kind of area. */
export function libraryFor(kind: EnvelopeKind): readonly LibraryBuildUp[] {
  return BUILD_UP_LIBRARY.filter(({ kinds }) => kinds.includes(kind));
}

const QUARTERS = ['', '¼', '½', '¾'] as const;

/** Inches as the trade says them: to the quarter, `5½ in`. */
function inQuarterInches(millimetres: number): string {
  const quarters = Math.round(fromSi(millimetres / 1000, 'thickness', 'imperial') * 4);
  const whole = Math.floor(quarters / 4);
  return `${whole === 0 ? '' : whole}${QUARTERS[quarters % 4] ?? ''} in`;
}

const inUnits = (name: string, units: UnitSystem): string =>
  name.replace(/\{(\d+)\}/g, (_, size: string) =>
    units === 'metric' ? size : inQuarterInches(Number(size)),
  );

/**
 * A library entry as it goes into an area: the same layers by the same ids, whoever takes it, under names in their units.
 * @example buildUpOf(entry, 'imperial').name // 'Framed wall 5½ in, fibre batts'
 */
export function buildUpOf(entry: LibraryBuildUp, units: UnitSystem = 'metric'): BuildUp {
  const { id, name, layers, frameAlignment, gradedLayer } = entry;
  const withIds = layers.map((layer, i) => ({
    id: v5(`build-up/${id}/${i}`, v5.URL),
    ...layer,
    name: inUnits(layer.name, units),
  }));
  return {
    name: inUnits(name, units),
    layers: withIds,
    frameAlignment,
    gradedLayer: gradedLayer === null ? null : (withIds[gradedLayer]?.id ?? null),
    costPerM2: null,
  };
}

/**
 * Kinds of area that a build-up is known to suit, by the library entry that it was begun from, whatever was changed in it
 * since; null where nothing is known.
 */
export function kindsSuiting({ layers }: BuildUp): readonly EnvelopeKind[] | null {
  const ids = new Set(layers.map(({ id }) => id));
  const begunFrom = BUILD_UP_LIBRARY.find((entry) => buildUpOf(entry).layers.some(({ id }) => ids.has(id)));
  return begunFrom?.kinds ?? null;
}
