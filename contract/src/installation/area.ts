import type { EnvelopeKind } from '@calvet/core/envelope-kind';
import type { FrameAlignment } from '@calvet/core/thermal/heat-paths';
import type { HeatFlow } from '@calvet/core/thermal/films';
import type { InstallationGrade } from '@calvet/core/thermal/grade-adjustment';
import {
  figure,
  filled,
  formerly,
  id,
  list,
  mergedGroup,
  option,
  orNull,
  said,
  shape,
  text,
  unsaid,
} from '../kind/field';
import { kindOf } from '../kind/kind';
import { ITEM_KEY_MAX, LAYERS_MAX, NAME_MAX } from '../limits';
import type { Stored } from '../record';
import { layersWithIds } from './former-build-up';

/** What part of the envelope an area is, in words; `opening` is a window or door. */
export const AREA_WORDS = {
  wall: 'Wall',
  rim: 'Rim',
  ceiling: 'Ceiling',
  roof: 'Roof',
  floor: 'Floor',
  opening: 'Window or door',
} as const satisfies Readonly<Record<EnvelopeKind, string>>;

/** What a layer is: its resistance known, its material known, or framed. */
export type LayerFigures =
  | { readonly kind: 'resistance'; readonly name: string; readonly rsi: number }
  | {
      readonly kind: 'material';
      readonly name: string;
      readonly thicknessM: number;
      readonly conductivityWmK: number;
    }
  | {
      readonly kind: 'framed';
      readonly name: string;
      readonly cavityRsi: number;
      readonly frameRsi: number;
      readonly framingFraction: number;
      readonly thicknessM: number | null;
    };

/** A layer of a build-up. */
export type BuildUpLayer = LayerFigures & { readonly id: string };

/** Layers of an area, inside → outside. */
export interface BuildUp {
  readonly name: string;
  readonly layers: readonly BuildUpLayer[];
  /** How the frames of two or more framed layers stand to each other. */
  readonly frameAlignment: FrameAlignment | null;
  /** Id of the layer whose installation is graded; null where there is none, as in a window. */
  readonly gradedLayer: string | null;
}

/** An area of the envelope with its build-up and the grade of its insulation work. */
export interface AreaBody {
  /** Null: as the drawing names it. */
  readonly name: string | null;
  /** Null: as it was drawn. */
  readonly kind: EnvelopeKind | null;
  /** Null: as it was drawn; where it was not, until somebody gave it: the area is then in no sum. */
  readonly areaM2: number | null;
  /** Null: as planned. */
  readonly buildUp: BuildUp | null;
  /** Null until somebody graded it. */
  readonly grade: InstallationGrade | null;
  /** Share of void in the cavity, where that is more than any grade allows; it counts in place of a grade. Else null. */
  readonly voidFraction: number | null;
  /** Key of the part of the drawing that it is; null: made by hand. */
  readonly item: string | null;
  /** What that part was called when the area was last entered. */
  readonly itemName: string | null;
}

/** What an area that is no part of a drawing says of that. */
export const MADE_BY_HAND = { item: null, itemName: null } as const;

/** What of an area the drawing may say. */
export interface PlannedArea {
  readonly name: string;
  readonly kind: EnvelopeKind;
  readonly buildUp: BuildUp;
}

/** An area as it is worked with: what its record leaves open, as it was drawn. */
export type AreaInHand = Omit<AreaBody, keyof PlannedArea> & PlannedArea;

export type Area = Stored<AreaInHand>;

/** An area as its record says it. */
export type KeptArea = Stored<AreaBody>;

/** Up to this share of void the work has a grade; ANSI 301, appendix A. */
export const GRADED_VOID_MAX = 0.05;

/** True where somebody has judged the work: by a grade, or by a share of void that is too large for one. */
export const isJudged = ({ grade, voidFraction }: Pick<AreaBody, 'grade' | 'voidFraction'>): boolean =>
  grade !== null || voidFraction !== null;

const HEAT_FLOW: Readonly<Record<EnvelopeKind, HeatFlow>> = {
  wall: 'horizontal',
  rim: 'horizontal',
  opening: 'horizontal',
  ceiling: 'up',
  roof: 'up',
  floor: 'down',
};

/** Which way heat leaves through an area of this kind in winter. */
export function heatFlowOf(kind: EnvelopeKind): HeatFlow {
  return HEAT_FLOW[kind];
}

const rsi = (label: string, above: boolean) =>
  figure(label, 'resistance', above ? { above: 0, max: 100 } : { min: 0, max: 100 });
const layerName = text('', NAME_MAX);
const thickness = figure('', 'thickness', { above: 0, max: 5 });

/** How a layer can be given, in words. */
export const LAYER_WORDS = { resistance: 'Known R', material: 'Material', framed: 'Framed' } as const;

/** What each shape of layer is given by. */
export const layerFields = shape<BuildUpLayer>(LAYER_WORDS, {
  resistance: { id: id(''), name: layerName, rsi: rsi('R', false) },
  material: {
    id: id(''),
    name: layerName,
    thicknessM: thickness,
    conductivityWmK: figure('', 'conductivity', { above: 0, max: 500 }),
  },
  framed: {
    id: id(''),
    name: layerName,
    cavityRsi: rsi('cavity R', true),
    frameRsi: rsi('frame R', true),
    framingFraction: figure('framing', 'share', { min: 0, max: 1 }),
    thicknessM: orNull(thickness),
  },
});

/** What a build-up is given by. */
export const buildUpFields = {
  name: text('Name of the build-up', NAME_MAX),
  layers: list<BuildUpLayer>('Layers', 'A layer', layerFields, {
    key: 'id',
    least: 1,
    most: LAYERS_MAX,
  }),
  frameAlignment: orNull(
    option('How the frames stand', { aligned: 'One behind the other', offset: 'Offset' }),
  ),
  gradedLayer: orNull(id('Graded layer')),
} as const;

export const area = kindOf<AreaBody>()({
  word: 'Area',
  ledger: 'house',
  list: 'areas',
  title: ['name'],
  order: 'as made',
  page: 'areas',
  isShown: true,
  fields: {
    name: orNull(filled('Name', NAME_MAX)),
    kind: orNull(option('Kind', AREA_WORDS)),
    areaM2: orNull(figure('Area', 'area', { above: 0, max: 1e5 })),
    buildUp: formerly(orNull(mergedGroup<BuildUp>('Build-up', buildUpFields)), layersWithIds),
    grade: orNull(option('Grade', { I: 'I', II: 'II', III: 'III' })),
    voidFraction: unsaid(orNull(figure('Void', 'share', { above: GRADED_VOID_MAX, max: 1 })), null),
    item: unsaid(said('Part of the drawing', ITEM_KEY_MAX), null),
    itemName: unsaid(said('What it was drawn as', NAME_MAX * 2), null),
  },
});
