import { FASTENERS_MAX, LAYERS_MAX } from '../limits';
import type { Operation } from '../operation';
import { as, fields, figure, list, nonNegative, option, optional, outcome, part, positive } from '../schema';
import { exceeds, type Finding } from '../finding';
import { fastenersDeltaU, fastenersInput, type Fasteners } from './fasteners';
import { filmMembers, filmsOf, type FilmChoice } from './films';
import {
  gradeAdjustmentInput,
  gradeEffect,
  type GradeAdjustment,
  type GradeEffect,
} from './grade-adjustment';
import {
  heatPaths,
  isothermalPlanesRsi,
  parallelPathU,
  unbridgedTotalRsi,
  type FrameAlignment,
} from './heat-paths';
import { layerInput, layersOf, type LayerInput } from './layer';

export type AssemblyMethod = 'parallelPath' | 'isothermalPlanes' | 'iso6946';

export const assemblyMethod = option('parallelPath', 'isothermalPlanes', 'iso6946');

export interface AssemblyInput extends FilmChoice {
  /** Inside → outside. */
  readonly layers: readonly LayerInput[];
  readonly method: AssemblyMethod;
  /** Required with two or more framed layers. */
  readonly frameAlignment?: FrameAlignment;
  readonly fasteners?: readonly Fasteners[];
  readonly gradeAdjustment?: GradeAdjustment;
  readonly areaM2?: number;
  readonly heatingDegreeDaysKd?: number;
}

/** What the grade of the work costs against Grade I. */
export interface GradePrice {
  readonly deltaUAWK: number;
  /** Null without heating degree days. */
  readonly extraHeatKwhPerYear: number | null;
  /** Area of the same build-up left without insulation that would lose as much; null where empty is no worse. */
  readonly equivalentEmptyAreaM2: number | null;
}

export interface Assembly {
  readonly uValue: number;
  /** 1/U. */
  readonly effectiveRsi: number;
  /** R_T of the undisturbed build-up, before corrections. */
  readonly totalRsi: number;
  /** R′, by parallel paths. */
  readonly upperRsi: number;
  /** R″, by isothermal planes. */
  readonly lowerRsi: number;
  /** (R′ − R″)/(2·R_T); of the combined method only. */
  readonly relativeError: number | null;
  readonly deltaUFasteners: number;
  readonly deltaUVoids: number;
  /** U with fasteners, without the grade adjustment. */
  readonly plainUValue: number;
  readonly price: GradePrice | null;
  readonly findings: readonly Finding<'bounds-far-apart'>[];
}

const BOUNDS_RATIO = 1.5;

/**
 * R_T of a build-up by a method, from its bounds.
 * @example totalResistance('iso6946', 4, 3.6) // 3.8
 */
export function totalResistance(method: AssemblyMethod, upperRsi: number, lowerRsi: number): number {
  switch (method) {
    case 'parallelPath':
      return upperRsi;
    case 'isothermalPlanes':
      return lowerRsi;
    case 'iso6946':
      return (upperRsi + lowerRsi) / 2;
  }
}

function boundsFindings(method: AssemblyMethod, upperRsi: number, lowerRsi: number): Assembly['findings'] {
  const ratio = upperRsi / lowerRsi;
  if (method !== 'iso6946' || !exceeds(ratio, BOUNDS_RATIO)) return [];
  return [
    {
      rule: 'bounds-far-apart',
      severity: 'warn',
      message:
        'The two bounds of resistance are too far apart for the combined method: have it calculated in detail.',
      value: ratio,
      limit: BOUNDS_RATIO,
    },
  ];
}

function priceOf(effect: GradeEffect, areaM2: number, degreeDays: number | undefined): GradePrice {
  const deltaUAWK = effect.deltaU * areaM2;
  return {
    deltaUAWK,
    extraHeatKwhPerYear: degreeDays === undefined ? null : (deltaUAWK * 24 * degreeDays) / 1000,
    equivalentEmptyAreaM2: effect.deltaUAllVoid > 0 ? deltaUAWK / effect.deltaUAllVoid : null,
  };
}

/**
 * U (W/(m²·K)) and effective R (m²·K/W) of a build-up: plain, with fasteners, and as its insulation was installed.
 * ISO 6946, 6 and annex F; grade by ANSI 301, appendix A.
 * @example assembly({ layers: [{ rsi: 5.4 }], method: 'iso6946', filmConvention: 'iso', heatFlow: 'up' }).effectiveRsi // 5.54
 * @throws {Refusal} `required`, `conflict`, `framing-fraction-sum`, `fraction-sum`, `not-homogeneous`,
 * `no-resistance`, `no-density-root`
 */
export function assembly(input: AssemblyInput): Assembly {
  const { method, gradeAdjustment, areaM2 } = input;
  const films = filmsOf(input);
  const layers = layersOf(input.layers);
  const paths = heatPaths(layers, input.frameAlignment);
  const upperRsi = 1 / parallelPathU(paths, layers, films);
  const lowerRsi = isothermalPlanesRsi(layers, films);
  const totalRsi = totalResistance(method, upperRsi, lowerRsi);

  const unbridgedRsi = unbridgedTotalRsi(layers, films);
  const deltaUFasteners = (input.fasteners ?? []).reduce(
    (sum, fasteners, i) => sum + fastenersDeltaU(fasteners, layers, unbridgedRsi, `fasteners[${i}]`),
    0,
  );
  const plainUValue = 1 / totalRsi + deltaUFasteners;
  const effect = gradeAdjustment === undefined ? null : gradeEffect(gradeAdjustment, layers, paths, films);
  const deltaUVoids = effect?.deltaU ?? 0;
  const uValue = plainUValue + deltaUVoids;
  return {
    uValue,
    effectiveRsi: 1 / uValue,
    totalRsi,
    upperRsi,
    lowerRsi,
    relativeError: method === 'iso6946' ? (upperRsi - lowerRsi) / (2 * totalRsi) : null,
    deltaUFasteners,
    deltaUVoids,
    plainUValue,
    price:
      effect === null || areaM2 === undefined ? null : priceOf(effect, areaM2, input.heatingDegreeDaysKd),
    findings: boundsFindings(method, upperRsi, lowerRsi),
  };
}

export const assemblyInput = fields<AssemblyInput>({
  layers: list(layerInput, 1, LAYERS_MAX),
  method: assemblyMethod,
  frameAlignment: optional(option('aligned', 'offset')),
  ...filmMembers,
  fasteners: optional(list(fastenersInput, 0, FASTENERS_MAX)),
  gradeAdjustment: optional(gradeAdjustmentInput),
  areaM2: optional(positive('area')),
  heatingDegreeDaysKd: optional(nonNegative('degreeDays')),
});

export const assemblyOperation: Operation<AssemblyInput, Assembly> = {
  words: {
    shelf: 'heat',
    title: 'R and U of a build-up',
    tells: 'Effective R and U with framing, fasteners and the grade of the work, and what the grade costs.',
    alsoCalled: 'R-value, U-value, RSI, effective R, clear wall, whole wall, thermal bridge, studs, ISO 6946',
    mainFigures: ['effectiveRsi', 'uValue', 'deltaUVoids', 'price.deltaUAWK'],
  },
  schema: assemblyInput,
  run: assembly,
  output: outcome<Assembly>({
    uValue: as('U', figure('transmittance')),
    effectiveRsi: as('Effective R', figure('resistance')),
    totalRsi: as('R of all layers and films', figure('resistance')),
    upperRsi: as('R by parallel paths', figure('resistance')),
    lowerRsi: as('R by isothermal planes', figure('resistance')),
    relativeError: optional(figure('share')),
    deltaUFasteners: as('U added by fasteners', figure('transmittance')),
    deltaUVoids: as('U added by the grade', figure('transmittance')),
    plainUValue: as('U with sound insulation', figure('transmittance')),
    price: optional(
      part({
        deltaUAWK: as('Heat loss added', figure('heatLoss')),
        extraHeatKwhPerYear: as('Extra heat a year', figure('energy')),
        equivalentEmptyAreaM2: as('Like leaving empty', figure('area')),
      }),
    ),
  }),
};
