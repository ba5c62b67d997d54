import type { FrameAlignment, HeatFlow, InstallationGrade } from '@calvet/core';
import { number } from '@calvet/core/schema';
import type { ArraySchema } from 'joi';
import { LAYERS_MAX } from '../limits';
import type { Stored } from '../record';
import type { Described, SchemaPieces } from '../schema-pieces';

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

const RSI_MAX = 100;

/** Bounds of the figures that layers are given by. */
export const LAYER_BOUNDS = {
  rsi: number({ min: 0, max: RSI_MAX }),
  thicknessM: number({ above: 0, max: 5 }),
  conductivityWmK: number({ above: 0, max: 500 }),
  cavityRsi: number({ above: 0, max: RSI_MAX }),
  frameRsi: number({ above: 0, max: RSI_MAX }),
  framingFraction: number({ min: 0, max: 1 }),
} as const;

/** Bounds of the figures of an area. */
export const AREA_BOUNDS = {
  areaM2: number({ above: 0, max: 1e5 }),
  voidFraction: number({ above: GRADED_VOID_MAX, max: 1 }),
} as const;

function layers({ Joi, number: within, nullable, text, uuid }: SchemaPieces): ArraySchema {
  const shared = { id: uuid().required(), name: text(120).allow('').required() };
  const figure = (name: keyof typeof LAYER_BOUNDS) => within(LAYER_BOUNDS[name]);
  const layer = Joi.alternatives().conditional('.kind', {
    switch: [
      {
        is: 'resistance',
        then: Joi.object({ ...shared, kind: Joi.valid('resistance'), rsi: figure('rsi').required() }),
      },
      {
        is: 'material',
        then: Joi.object({
          ...shared,
          kind: Joi.valid('material'),
          thicknessM: figure('thicknessM').required(),
          conductivityWmK: figure('conductivityWmK').required(),
        }),
      },
    ],
    otherwise: Joi.object({
      ...shared,
      kind: Joi.valid('framed').required(),
      cavityRsi: figure('cavityRsi').required(),
      frameRsi: figure('frameRsi').required(),
      framingFraction: figure('framingFraction').required(),
      thicknessM: nullable(figure('thicknessM')).required(),
    }),
  });
  return Joi.array().items(layer).unique('id').min(1).max(LAYERS_MAX);
}

export const areaBody: Described<AreaBody> = (pieces) => {
  const { Joi, body, filled, number: within, nullable, text, uuid } = pieces;
  return body<AreaBody>({
    name: filled(120).required(),
    kind: Joi.valid(...AREA_KINDS).required(),
    areaM2: nullable(within(AREA_BOUNDS.areaM2)).required(),
    buildUp: body<BuildUp>({
      name: text(120).allow('').required(),
      layers: layers(pieces).required(),
      frameAlignment: Joi.valid('aligned', 'offset', null).required(),
      gradedLayer: nullable(uuid()).required(),
    }).required(),
    grade: Joi.valid('I', 'II', 'III', null).required(),
    voidFraction: nullable(within(AREA_BOUNDS.voidFraction)).required(),
  });
};
