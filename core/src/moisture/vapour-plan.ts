import { dewPoint } from '../air/dew-point';
import { saturationPressurePa } from '../air/saturation';
import { SCREENING } from '../cautions';
import { exceeds, fallsBelow } from '../finding';
import { LAYERS_MAX } from '../limits';
import type { Operation } from '../operation';
import {
  as,
  boolean,
  fields,
  figure,
  list,
  nonNegative,
  option,
  optional,
  outcome,
  part,
  positive,
  text,
} from '../schema';
import type { FilmChoice } from '../thermal/films';
import { TIGHT_SD_M } from './interfaces';
import { temperatureProfile } from './layers';
import { daysOf, yearMembers, type ClimateMonth } from './monthly';
import { isVariable, plannedLayers, type PlannedLayer, type VapourLayer } from './vapour-layer';
import { vapourPlanFindings, type VapourPlanFinding } from './vapour-plan-findings';

export interface VapourPlanInput extends FilmChoice {
  /** Inside → outside. */
  readonly layers: readonly VapourLayer[];
  /** Twelve, January first. */
  readonly months: readonly ClimateMonth[];
  /** From this sd on a layer counts as tight; 3.5 m where left out. */
  readonly tightSdM?: number;
  /** From this sd on a layer controls vapour; 0.5 m where left out. */
  readonly controlSdM?: number;
}

/** Which way vapour is driven over the year. */
export type Drive = 'outward' | 'inward' | 'both';

/** Ways to keep a build-up dry, by what it is made of. */
export type VapourSchool =
  | 'innerSheathing'
  | 'variableMembrane'
  | 'insideSheet'
  | 'insideBrake'
  | 'foamFirst'
  | 'warmSheathing'
  | 'open';

/** The inner face of the first layer on which indoor air could condense, in the coldest month. */
export interface VapourPlane {
  readonly layer: number;
  readonly shareOutside: number;
  /** Null where it is as warm outdoors as indoors, or the air indoors is quite dry. */
  readonly leastShareOutside: number | null;
  readonly holds: boolean;
}

export interface VapourPlan {
  readonly drive: Drive;
  /** Null where nothing drives it. */
  readonly outwardShare: number | null;
  readonly controlLayer: number | null;
  /** Share of the resistance that lies inside of it. */
  readonly controlShareInside: number | null;
  readonly plane: VapourPlane | null;
  readonly schools: readonly VapourSchool[];
  readonly findings: readonly VapourPlanFinding[];
}

const CONTROL_SD_M = 0.5;
const OUTWARD_FROM = 0.8;
const INWARD_TO = 0.2;
/** What lies inside of a layer before water can condense on it, m²·K/W. */
const COVERED_RSI = 0.25;
function outwardShareOf(months: readonly ClimateMonth[]): number | null {
  let [outward, all] = [0, 0];
  months.forEach((month, i) => {
    const inside = month.indoorRelativeHumidity * saturationPressurePa(month.indoorTemperatureC);
    const outside = month.outdoorRelativeHumidity * saturationPressurePa(month.outdoorTemperatureC);
    outward += daysOf(month, i) * Math.max(0, inside - outside);
    all += daysOf(month, i) * Math.abs(inside - outside);
  });
  return all > 0 ? outward / all : null;
}

function driveOf(outwardShare: number | null): Drive {
  if (outwardShare === null) return 'both';
  if (!fallsBelow(outwardShare, OUTWARD_FROM)) return 'outward';
  return exceeds(outwardShare, INWARD_TO) ? 'both' : 'inward';
}

function controlOf(layers: readonly PlannedLayer[], controlSdM: number): PlannedLayer | null {
  let control: PlannedLayer | null = null;
  for (const layer of layers) {
    if (fallsBelow(layer.sdDryM, controlSdM) || !layer.isInside) continue;
    if (layer.kind === 'foam' && !fallsBelow(layer.layersInsideRsi, COVERED_RSI)) continue;
    if (control === null || exceeds(layer.sdDryM, control.sdDryM)) control = layer;
  }
  return control;
}

function planeLayerOf(layers: readonly PlannedLayer[], controlSdM: number): PlannedLayer | null {
  const isPlane = ({ kind, sdDryM, layersInsideRsi }: PlannedLayer): boolean =>
    !fallsBelow(layersInsideRsi, COVERED_RSI) && (kind === 'foam' || !fallsBelow(sdDryM, controlSdM));
  return layers.find(isPlane) ?? null;
}

/**
 * The month of lowest outdoor temperature, the earliest of equals.
 * @example coldestOf([]) // undefined
 */
export const coldestOf = (months: readonly ClimateMonth[]): ClimateMonth | undefined =>
  months.reduce<ClimateMonth | undefined>(
    (coldest, month) =>
      coldest === undefined || month.outdoorTemperatureC < coldest.outdoorTemperatureC ? month : coldest,
    undefined,
  );

function planeAt({ at, shareInside }: PlannedLayer, month: ClimateMonth): VapourPlane {
  const { indoorTemperatureC: θi, outdoorTemperatureC: θe, indoorRelativeHumidity } = month;
  const plane = { layer: at, shareOutside: 1 - shareInside };
  if (indoorRelativeHumidity === 0) return { ...plane, leastShareOutside: null, holds: true };
  const { dewPointC } = dewPoint({ temperatureC: θi, relativeHumidity: indoorRelativeHumidity });
  return {
    ...plane,
    leastShareOutside: θi === θe ? null : (dewPointC - θe) / (θi - θe),
    holds: !fallsBelow(θi - shareInside * (θi - θe), dewPointC),
  };
}

function schoolOfControl(control: PlannedLayer, tightSdM: number): VapourSchool {
  if (control.kind === 'board') return 'innerSheathing';
  if (isVariable(control)) return 'variableMembrane';
  return fallsBelow(control.sdDampM, tightSdM) ? 'insideBrake' : 'insideSheet';
}

function schoolsOf(
  layers: readonly PlannedLayer[],
  control: PlannedLayer | null,
  plane: VapourPlane | null,
  { tightSdM, controlSdM }: { readonly tightSdM: number; readonly controlSdM: number },
): readonly VapourSchool[] {
  const schools: VapourSchool[] = control === null ? [] : [schoolOfControl(control, tightSdM)];
  if (plane !== null && plane.layer !== control?.at) {
    if (layers[plane.layer]?.kind === 'foam') schools.push('foamFirst');
    else if (plane.holds && control === null) schools.push('warmSheathing');
  }
  if (plane === null && layers.every(({ sdDryM }) => fallsBelow(sdDryM, controlSdM))) schools.push('open');
  return schools;
}

/**
 * Which way a build-up is kept dry, and where it contradicts itself. Rules of our own, on temperatures of ISO 13788, 5:
 * they sort build-ups, they design none; rain and air leaks are left out.
 * @example vapourPlan(examples['moisture.vapourPlan']).schools // ['variableMembrane']
 * @throws {Refusal} `not-ascending`, `no-resistance`
 */
export function vapourPlan(input: VapourPlanInput): VapourPlan {
  const limits = { tightSdM: input.tightSdM ?? TIGHT_SD_M, controlSdM: input.controlSdM ?? CONTROL_SD_M };
  const profile = temperatureProfile(
    input.layers.map(({ rsi }) => ({ rsi })),
    input,
  );
  const layers = plannedLayers(input.layers, profile);
  const outwardShare = outwardShareOf(input.months);
  const drive = driveOf(outwardShare);
  const control = controlOf(layers, limits.controlSdM);
  const planeLayer = planeLayerOf(layers, limits.controlSdM);
  const coldest = coldestOf(input.months);
  const plane = planeLayer === null || coldest === undefined ? null : planeAt(planeLayer, coldest);
  return {
    drive,
    outwardShare,
    controlLayer: control?.at ?? null,
    controlShareInside: control?.shareInside ?? null,
    plane,
    schools: schoolsOf(layers, control, plane, limits),
    findings: vapourPlanFindings({ layers, drive, control, plane, ...limits }),
  };
}

export const vapourPlanOperation: Operation<VapourPlanInput, VapourPlan> = {
  words: {
    shelf: 'moisture',
    title: 'How a build-up is kept dry',
    tells: 'Which way vapour is kept in check, and where a build-up contradicts itself.',
    alsoCalled: 'vapour barrier, vapor retarder, smart membrane, exterior foam, drying, mould, mold, rot',
    mainFigures: ['schools', 'drive', 'plane.holds', 'plane.leastShareOutside'],
    caution: SCREENING,
  },
  schema: fields<VapourPlanInput>({
    layers: list(
      fields<VapourLayer>({
        rsi: as('R', nonNegative('resistance')),
        sdDryM: as('sd value, dry', nonNegative('vapourThickness')),
        sdDampM: as('sd value, damp', optional(nonNegative('vapourThickness'))),
        kind: optional(option('sheet', 'board', 'foam', 'other')),
      }),
      1,
      LAYERS_MAX,
    ),
    ...yearMembers,
    tightSdM: as('sd value that counts as tight', optional(positive('vapourThickness'))),
    controlSdM: as('sd value that controls vapour', optional(positive('vapourThickness'))),
  }),
  run: vapourPlan,
  output: outcome<VapourPlan>({
    drive: text(),
    outwardShare: as('Driven outwards', optional(figure('share'))),
    controlLayer: as('Layer that controls vapour', optional(figure('position'))),
    controlShareInside: as('R inside of it', optional(figure('share'))),
    plane: as(
      'Where it could condense',
      optional(
        part({
          layer: figure('position'),
          shareOutside: as('Share of R outside of it', figure('share')),
          leastShareOutside: as('Least share of R outside of it', optional(figure('share'))),
          holds: as('Stays warm enough', boolean()),
        }),
      ),
    ),
    schools: list(text()),
  }),
};
