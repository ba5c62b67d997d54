import { DRAUGHT } from '../cautions';
import type { Operation } from '../operation';
import {
  as,
  fields,
  figure,
  nonNegative,
  option,
  optional,
  outcome,
  positive,
  temperatureC,
  windMs,
} from '../schema';
import { M3H_PER_LITRE_SECOND } from '../units/factors';

export type Storeys = 1 | 2 | 3;
/** 1: open site, no obstructions · 5: shielded on all sides. */
export type ShelterClass = 1 | 2 | 3 | 4 | 5;

export interface InfiltrationInput {
  /** Effective leakage area at 4 Pa. */
  readonly ela4M2: number;
  readonly indoorTemperatureC: number;
  readonly outdoorTemperatureC: number;
  readonly windMs: number;
  readonly storeys: Storeys;
  readonly shelterClass: ShelterClass;
  readonly volumeM3?: number;
}

export interface Infiltration {
  readonly flowM3h: number;
  /** Null without a volume. */
  readonly airChangesPerHour: number | null;
}

/** (L/s)²/(cm⁴·K), by storeys. */
export const STACK_COEFFICIENT: Readonly<Record<Storeys, number>> = { 1: 0.000145, 2: 0.00029, 3: 0.000435 };
/** (L/s)²/(cm⁴·(m/s)²), by storeys and shelter class. */
export const WIND_COEFFICIENT: Readonly<Record<Storeys, Readonly<Record<ShelterClass, number>>>> = {
  1: { 1: 0.000319, 2: 0.000246, 3: 0.000174, 4: 0.000104, 5: 0.000032 },
  2: { 1: 0.00042, 2: 0.000325, 3: 0.000231, 4: 0.000137, 5: 0.000042 },
  3: { 1: 0.000494, 2: 0.000382, 3: 0.000271, 4: 0.000161, 5: 0.000049 },
};
const CM2_PER_M2 = 1e4;

/**
 * Air that leaks through a house by stack and wind: q (L/s) = ELA4 (cm²)·√(Cs·|Δθ| + Cw·U²).
 * ASHRAE Fundamentals, basic model.
 * @example infiltration({ ela4M2: 0.0315, indoorTemperatureC: 21, outdoorTemperatureC: -4, windMs: 3.2, storeys: 2, shelterClass: 3 }).flowM3h // 111
 */
export function infiltration(input: InfiltrationInput): Infiltration {
  const { ela4M2, storeys, shelterClass, volumeM3 } = input;
  const difference = Math.abs(input.indoorTemperatureC - input.outdoorTemperatureC);
  const driven =
    STACK_COEFFICIENT[storeys] * difference + WIND_COEFFICIENT[storeys][shelterClass] * input.windMs ** 2;
  const flowM3h = ela4M2 * CM2_PER_M2 * Math.sqrt(driven) * M3H_PER_LITRE_SECOND;
  return { flowM3h, airChangesPerHour: volumeM3 === undefined ? null : flowM3h / volumeM3 };
}

export const infiltrationOperation: Operation<InfiltrationInput, Infiltration> = {
  words: {
    shelf: 'ventilation',
    title: 'Infiltration from leaks',
    tells: 'Air that wind and warmth drive through a leak area.',
    alsoCalled: 'air leakage, natural ventilation, ACH, natural air change, wind, stack effect',
    mainFigures: ['flowM3h', 'airChangesPerHour'],
    caution: DRAUGHT,
  },
  schema: fields<InfiltrationInput>({
    ela4M2: as('Leak area, ELA at 4 Pa', nonNegative('leakArea')),
    indoorTemperatureC: temperatureC(),
    outdoorTemperatureC: temperatureC(),
    windMs: windMs(),
    storeys: option(1, 2, 3),
    shelterClass: option(1, 2, 3, 4, 5),
    volumeM3: optional(positive('volume')),
  }),
  run: infiltration,
  output: outcome<Infiltration>({
    flowM3h: figure('flow'),
    airChangesPerHour: optional(figure('airChange')),
  }),
};
