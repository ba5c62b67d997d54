import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, fields, figure, number, option, optional, outcome, temperatureC, text } from '../schema';
import type { HeatFlow } from './films';

export interface AirSpaceInput {
  readonly thicknessM: number;
  /** Which way heat crosses it. */
  readonly heatFlow: HeatFlow;
  /** Of the face on the inside; with the other one, or neither. */
  readonly emissivityInside?: number;
  readonly emissivityOutside?: number;
  /** Mean of both faces; 10 °C where left out. */
  readonly meanTemperatureC?: number;
}

export interface AirSpace {
  readonly rsi: number;
  readonly basis: 'table' | 'formula';
  /** h_a; null by the table. */
  readonly convectionWm2K: number | null;
  /** h_r; null by the table. */
  readonly radiationWm2K: number | null;
}

/** Deepest air layer that the method knows, m. */
export const AIR_SPACE_MAX_M = 0.3;

/** Unventilated air layers between dull faces, mm → m²·K/W. ISO 6946:2017, table 8. */
const THICKNESSES_MM = [0, 5, 7, 10, 15, 25, 50, 100, 300] as const;
const TABLE: Readonly<Record<HeatFlow, readonly number[]>> = {
  up: [0, 0.11, 0.13, 0.15, 0.16, 0.16, 0.16, 0.16, 0.16],
  horizontal: [0, 0.11, 0.13, 0.15, 0.17, 0.18, 0.18, 0.18, 0.18],
  down: [0, 0.11, 0.13, 0.15, 0.17, 0.19, 0.21, 0.22, 0.23],
};

/** λ of still air as the standard takes it, W/(m·K). */
export const STILL_AIR_WMK = 0.025;
/** Stefan–Boltzmann constant, W/(m²·K⁴). */
export const STEFAN_BOLTZMANN = 5.67e-8;
const ZERO_CELSIUS_K = 273.15;

/**
 * Resistance of an unventilated air layer between dull faces, m²·K/W, straight between the lines of the table; what is
 * deeper than its last line counts as that. ISO 6946:2017, table 8.
 * @example airLayerByTable(0.012, 'up') // 0.154
 */
export function airLayerByTable(thicknessM: number, heatFlow: HeatFlow): number {
  const mm = Math.min(thicknessM, AIR_SPACE_MAX_M) * 1000;
  const resistances = TABLE[heatFlow];
  const next = THICKNESSES_MM.findIndex((line) => mm <= line);
  if (next <= 0) return resistances[next < 0 ? resistances.length - 1 : 0] ?? 0;
  const [from = 0, to = 0] = [THICKNESSES_MM[next - 1], THICKNESSES_MM[next]];
  const [low = 0, high = 0] = [resistances[next - 1], resistances[next]];
  return low + ((high - low) * (mm - from)) / (to - from);
}

/**
 * Heat that convection and conduction carry across an air layer, W/(m²·K), with at most 5 K between its faces.
 * ISO 6946:2017, D.2.
 * @example convectionAcross(0.025, 'horizontal') // 1.25
 */
export function convectionAcross(thicknessM: number, heatFlow: HeatFlow): number {
  return Math.max(STILL_AIR_WMK / thicknessM, leastConvection(thicknessM, heatFlow));
}

/**
 * What convection carries at least across an air layer, however deep it is, W/(m²·K). ISO 6946:2017, table D.1.
 * @example leastConvection(0.05, 'up') // 1.95
 */
export function leastConvection(thicknessM: number, heatFlow: HeatFlow): number {
  switch (heatFlow) {
    case 'horizontal':
      return 1.25;
    case 'up':
      return 1.95;
    case 'down':
      return 0.12 * thicknessM ** -0.44;
  }
}

/**
 * Resistance of an unventilated air layer, m²·K/W: by the table between dull faces, by convection and radiation where
 * the emissivities of its faces are given. ISO 6946:2017, table 8 and annex D.
 * @example airSpace({ thicknessM: 0.025, heatFlow: 'horizontal', emissivityInside: 0.05, emissivityOutside: 0.9 }).rsi // 0.664
 * @throws {Refusal} `required` (one emissivity without the other)
 */
export function airSpace(input: AirSpaceInput): AirSpace {
  const { thicknessM, heatFlow, emissivityInside, emissivityOutside, meanTemperatureC = 10 } = input;
  if (emissivityInside === undefined && emissivityOutside === undefined) {
    const rsi = airLayerByTable(thicknessM, heatFlow);
    return { rsi, basis: 'table', convectionWm2K: null, radiationWm2K: null };
  }
  if (emissivityInside === undefined || emissivityOutside === undefined) {
    throw new Refusal(
      'required',
      emissivityInside === undefined ? 'emissivityInside' : 'emissivityOutside',
      'Give the emissivities of both faces, or of neither.',
    );
  }
  const convectionWm2K = convectionAcross(thicknessM, heatFlow);
  const radiationWm2K =
    (4 * STEFAN_BOLTZMANN * (meanTemperatureC + ZERO_CELSIUS_K) ** 3) /
    (1 / emissivityInside + 1 / emissivityOutside - 1);
  return { rsi: 1 / (convectionWm2K + radiationWm2K), basis: 'formula', convectionWm2K, radiationWm2K };
}

const emissivity = number({ quantity: 'plain', above: 0, max: 1 });

export const airSpaceOperation: Operation<AirSpaceInput, AirSpace> = {
  words: {
    shelf: 'heat',
    title: 'Air space',
    tells: 'R of a closed air space, with dull faces or a bright one.',
    alsoCalled: 'air gap, cavity, reflective, foil, emissivity, airspace, ISO 6946',
    mainFigures: ['rsi', 'basis'],
  },
  schema: fields<AirSpaceInput>({
    thicknessM: number({ quantity: 'thickness', above: 0, max: AIR_SPACE_MAX_M }),
    heatFlow: option('horizontal', 'up', 'down'),
    emissivityInside: as('Emissivity of the inner face', optional(emissivity)),
    emissivityOutside: as('Emissivity of the outer face', optional(emissivity)),
    meanTemperatureC: as('Mean temperature', optional(temperatureC())),
  }),
  run: airSpace,
  output: outcome<AirSpace>({
    rsi: as('R', figure('resistance')),
    basis: text(),
    convectionWm2K: as('By convection', optional(figure('transmittance'))),
    radiationWm2K: as('By radiation', optional(figure('transmittance'))),
  }),
};
