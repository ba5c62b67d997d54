import { airStateOperation, computeWith, REFERENCE_AIR, type Direction, type FanRange } from '@calvet/core';
import type { NamedFanRange, TestRun } from '@calvet/contract';
import { randomLcg, randomNormal } from 'd3-random';
import { idOf } from './ids';

/** What a house does to air in truth, before gauges and wind. */
export interface LeakageLaw {
  /** Flow at 50 Pa and reference conditions. */
  readonly q50M3h: number;
  readonly exponent: number;
}

export interface RunPlan {
  readonly testName: string;
  readonly day: string;
  readonly direction: Direction;
  readonly law: LeakageLaw;
  readonly indoorTemperatureC: number;
  readonly outdoorTemperatureC: number;
  readonly altitudeM: number;
  /** Mean pressure with the fan off. */
  readonly baselinePa: number;
  readonly pressuresPa: readonly number[];
  /** Relative scatter of the flow readings. */
  readonly scatter: number;
  readonly seed: number;
  /** Where given, readings are taken as fan pressure through this range. */
  readonly range?: NamedFanRange;
}

const REFERENCE_DENSITY = REFERENCE_AIR.densityKgM3;
const round = (value: number, decimals: number): number => Number(value.toFixed(decimals));

function fanPressurePa(fanFlowM3h: number, throughFanDensity: number, range: FanRange): number {
  const atReference = fanFlowM3h * Math.sqrt(throughFanDensity / REFERENCE_DENSITY);
  return (atReference / range.coefficient) ** (1 / range.exponent);
}

/**
 * Readings as a gauge would show them: the leakage law turned back through the air's densities, with scatter
 * and a drifting baseline from a seeded source.
 */
export function readingsFrom(plan: RunPlan): TestRun {
  const { direction, law, baselinePa, range } = plan;
  const normal = randomNormal.source(randomLcg(plan.seed))(0, 1);
  const air = (temperatureC: number) =>
    computeWith(airStateOperation, { temperatureC, altitudeM: plan.altitudeM }).densityKgM3;
  const indoor = air(plan.indoorTemperatureC);
  const outdoor = air(plan.outdoorTemperatureC);
  const entering = direction === 'depressurise' ? outdoor : indoor;
  const throughFan = direction === 'depressurise' ? indoor : outdoor;
  const sign = direction === 'depressurise' ? -1 : 1;
  const coefficient =
    (law.q50M3h / 50 ** law.exponent) * (entering / REFERENCE_DENSITY) ** (law.exponent - 1);
  const baseline = (when: string) =>
    Array.from({ length: 4 }, (_, i) => ({
      id: idOf(`${plan.testName} ${direction} baseline ${when} ${i}`, plan.day),
      pressurePa: round(baselinePa + 0.15 * normal(), 1),
    }));
  const readings = plan.pressuresPa.map((pressure, i) => {
    const pressurePa = round(sign * pressure + baselinePa + 0.1 * normal(), 1);
    const induced = Math.abs(pressurePa - baselinePa);
    const envelopeFlow = coefficient * induced ** law.exponent * (1 + plan.scatter * normal());
    const fanFlow =
      direction === 'depressurise' ? envelopeFlow * (outdoor / indoor) : envelopeFlow * (indoor / outdoor);
    const id = idOf(`${plan.testName} ${direction} ${i}`, plan.day);
    return range === undefined
      ? { id, pressurePa, flowM3h: round(fanFlow, 1), fanPressurePa: null, fanRange: null, struckOut: null }
      : {
          id,
          pressurePa,
          flowM3h: null,
          fanPressurePa: round(fanPressurePa(fanFlow, throughFan, range), 1),
          fanRange: range.name,
          struckOut: null,
        };
  });
  return { baselineBeforePa: baseline('before'), readings, baselineAfterPa: baseline('after') };
}
