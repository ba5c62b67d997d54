import {
  BUILD_UP_LIBRARY,
  buildUpOf,
  NO_HEAT_TERMS,
  resistanceLayer,
  type AirtightnessTestBody,
  type BuildUp,
  type BuildUpLayer,
  type EnvelopeKind,
  type HeatTerms,
  type NamedFanRange,
  type PlannedBuildUp,
} from '@calvet/contract';
import type { WallPlan } from './draw-house';
import { idOf } from './ids';
import { readingsFrom, type LeakageLaw } from './leakage-law';

export const PLACE = 'Ellendrift, Vale of Osk';
/** The scenario's plateau: cool, dry, 340 m up. */
const ALTITUDE_M = 340;

export const conventions = {
  referenceMethod: 'iso9972',
  assemblyMethod: 'iso6946',
  filmConvention: 'iso',
  gradeSchool: 'voidFraction',
  ...NO_HEAT_TERMS,
  climateId: 'vale-of-osk',
  dailySpreadK: 4,
  winterDesignC: -15,
  indoor: {
    rule: 'outdoorTemperature',
    temperatureC: null,
    relativeHumidity: null,
    humidityClass: null,
    occupancy: 'normal',
    cooledToC: null,
    cooledHumidity: null,
  },
  ventilationM3h: 120,
  heatRecovery: 0.7,
} as const;

/** Greatest U that is asked of kinds of area, W/(m²·K). */
export const asked = (limits: Readonly<Partial<Record<EnvelopeKind, number>>>): HeatTerms['requirements'] =>
  (Object.entries(limits) as [EnvelopeKind, number][]).map(([use, greatestUValue]) => ({
    id: idOf(`asked of ${use}`, '2026-09-01'),
    use,
    leastRsi: null,
    greatestUValue,
  }));

export function fromLibrary(id: string): BuildUp {
  const found = BUILD_UP_LIBRARY.find((entry) => entry.id === id);
  if (found === undefined) throw new Error(`The library has no build-up "${id}".`);
  return buildUpOf(found);
}

/** Sizes that a house leaves to its drawing. */
export const AS_DRAWN = {
  volumeM3: null,
  floorAreaM2: null,
  envelopeAreaM2: null,
  heightM: null,
  storeys: null,
} as const;

export const planned = (use: PlannedBuildUp['use'], buildUp: BuildUp): Omit<PlannedBuildUp, 'id'> => ({
  ...buildUp,
  use,
});

/** An outline's side: how long it is, which way the next goes, what is special about it. */
export const side = (lengthM: number, turnDeg: number, more: Partial<WallPlan> = {}): WallPlan => ({
  lengthM,
  turnDeg,
  ...more,
});

export const windows = (widthM: number, heightM: number, count = 1) =>
  ({ use: 'window', widthM, heightM, count }) as const;
export const entrance = { use: 'entrance', widthM: 1.1, heightM: 2.1 } as const;
export const door = { use: 'door', widthM: 0.9, heightM: 2.1 } as const;

export function glazing(rsi: number, name: string): BuildUp {
  const unit: BuildUpLayer = {
    id: idOf(`window ${name}`, '2026-09-01'),
    ...resistanceLayer(name, rsi),
  };
  return { name, layers: [unit], frameAlignment: null, gradedLayer: null, costPerM2: null };
}

interface TestPlan {
  readonly key: string;
  readonly stage: AirtightnessTestBody['stage'];
  readonly day: string;
  readonly law: LeakageLaw;
  readonly indoorTemperatureC: number;
  readonly outdoorTemperatureC: number;
  readonly windMs: number;
  readonly baselinePa: number;
  readonly pressuresPa: readonly number[];
  readonly scatter: number;
  readonly seed: number;
  readonly bothDirections?: boolean;
  readonly range?: NamedFanRange;
  readonly note?: string;
}

export function test(plan: TestPlan): AirtightnessTestBody {
  const run = (direction: 'depressurise' | 'pressurise', law: LeakageLaw, seed: number) =>
    readingsFrom({ ...plan, testName: plan.key, altitudeM: ALTITUDE_M, direction, law, seed });
  return {
    stage: plan.stage,
    performedOn: plan.day,
    indoorTemperatureC: plan.indoorTemperatureC,
    outdoorTemperatureC: plan.outdoorTemperatureC,
    altitudeM: ALTITUDE_M,
    airPressurePa: null,
    windMs: plan.windMs,
    fanRanges: plan.range === undefined ? [] : [plan.range],
    depressurise: run('depressurise', plan.law, plan.seed),
    // Flaps and loose sheets leak a little more when pressed outwards.
    pressurise:
      plan.bothDirections === true
        ? run('pressurise', { ...plan.law, q50M3h: plan.law.q50M3h * 1.03 }, plan.seed + 0.01)
        : null,
    note: plan.note ?? '',
  };
}

/** Strikes out one reading of a run, after it was disturbed by a share of its flow. */
export function disturbed(
  body: AirtightnessTestBody,
  index: number,
  share: number,
  reason: string,
): AirtightnessTestBody {
  const run = body.depressurise;
  if (run === null) return body;
  const readings = run.readings.map((reading, i) =>
    i === index && reading.flowM3h !== null
      ? { ...reading, flowM3h: Number((reading.flowM3h * (1 + share)).toFixed(1)), struckOut: reason }
      : reading,
  );
  return { ...body, depressurise: { ...run, readings } };
}

export const STEPS = [12, 18, 24, 30, 37, 44, 51, 58, 65];
