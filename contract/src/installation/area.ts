import Joi from 'joi';
import type { FrameAlignment, HeatFlow, InstallationGrade } from '@calvet/core';
import { LAYERS_MAX } from '../limits';
import { body, filled, nullable, number, positive, text, uuid, type Stored } from '../record';

export const AREA_KINDS = ['wall', 'rim', 'ceiling', 'roof', 'floor', 'opening'] as const;
/** What part of the envelope an area is; `opening` is a window or door. */
export type AreaKind = (typeof AREA_KINDS)[number];

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
  readonly kind: AreaKind;
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

const HEAT_FLOW: Readonly<Record<AreaKind, HeatFlow>> = {
  wall: 'horizontal',
  rim: 'horizontal',
  opening: 'horizontal',
  ceiling: 'up',
  roof: 'up',
  floor: 'down',
};

/** Which way heat leaves through an area of this kind in winter. */
export function heatFlowOf(kind: AreaKind): HeatFlow {
  return HEAT_FLOW[kind];
}

const layerId = uuid().required();
const layerName = text(120).allow('').required();
const RSI_MAX = 100;
const THICKNESS_MAX_M = 5;

/** Schemas of the figures that layers are given by; also used field by field. */
export const layerFigures = {
  rsi: number().min(0).max(RSI_MAX),
  thicknessM: positive(THICKNESS_MAX_M),
  conductivityWmK: positive(500),
  cavityRsi: positive(RSI_MAX),
  frameRsi: positive(RSI_MAX),
  framingFraction: number().min(0).max(1),
} as const;

const layer = Joi.alternatives().conditional('.kind', {
  switch: [
    {
      is: 'resistance',
      then: Joi.object({
        id: layerId,
        kind: Joi.valid('resistance'),
        name: layerName,
        rsi: layerFigures.rsi.required(),
      }),
    },
    {
      is: 'material',
      then: Joi.object({
        id: layerId,
        kind: Joi.valid('material'),
        name: layerName,
        thicknessM: layerFigures.thicknessM.required(),
        conductivityWmK: layerFigures.conductivityWmK.required(),
      }),
    },
  ],
  otherwise: Joi.object({
    id: layerId,
    kind: Joi.valid('framed').required(),
    name: layerName,
    cavityRsi: layerFigures.cavityRsi.required(),
    frameRsi: layerFigures.frameRsi.required(),
    framingFraction: layerFigures.framingFraction.required(),
    thicknessM: nullable(layerFigures.thicknessM).required(),
  }),
});

export const buildUp = body<BuildUp>({
  name: text(120).allow('').required(),
  layers: Joi.array().items(layer).unique('id').min(1).max(LAYERS_MAX).required(),
  frameAlignment: Joi.valid('aligned', 'offset', null).required(),
  gradedLayer: nullable(uuid()).required(),
});

export const areaBody = body<AreaBody>({
  name: filled(120).required(),
  kind: Joi.valid(...AREA_KINDS).required(),
  areaM2: nullable(positive(1e5)).required(),
  buildUp: buildUp.required(),
  grade: Joi.valid('I', 'II', 'III', null).required(),
  voidFraction: nullable(number().greater(GRADED_VOID_MAX).max(1)).required(),
});
