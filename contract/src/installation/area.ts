import type { EnvelopeKind, FrameAlignment, HeatFlow, InstallationGrade } from '@calvet/core';
import {
  figure,
  filled,
  formerly,
  id,
  list,
  mergedGroup,
  option,
  orNull,
  shape,
  text,
  unsaid,
} from '../kind/field';
import { kindOf } from '../kind/kind';
import { LAYERS_MAX, NAME_MAX } from '../limits';
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
  readonly name: string;
  readonly kind: EnvelopeKind;
  /** Null until somebody gave it: the area is then in no sum. */
  readonly areaM2: number | null;
  readonly buildUp: BuildUp;
  /** Null until somebody graded it. */
  readonly grade: InstallationGrade | null;
  /** Share of void in the cavity, where that is more than any grade allows; it counts in place of a grade. Else null. */
  readonly voidFraction: number | null;
}

export type Area = Stored<AreaBody>;

/** Up to this share of void the work has a grade; ANSI 301, appendix A. */
export const GRADED_VOID_MAX = 0.05;

/** True where somebody has judged the work: by a grade, or by a share of void that is too large for one. */
export const isJudged = ({ grade, voidFraction }: AreaBody): boolean =>
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

export const area = kindOf<AreaBody>()({
  word: 'Area',
  ledger: 'house',
  list: 'areas',
  title: ['name'],
  order: 'as made',
  page: 'areas',
  isShown: true,
  fields: {
    name: filled('Name', NAME_MAX),
    kind: option('Kind', AREA_WORDS),
    areaM2: orNull(figure('Area', 'area', { above: 0, max: 1e5 })),
    buildUp: formerly(
      mergedGroup<BuildUp>('Build-up', {
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
      }),
      layersWithIds,
    ),
    grade: orNull(option('Grade', { I: 'I', II: 'II', III: 'III' })),
    voidFraction: unsaid(orNull(figure('Void', 'share', { above: GRADED_VOID_MAX, max: 1 })), null),
  },
});
