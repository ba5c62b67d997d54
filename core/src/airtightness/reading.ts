import { BASELINE_MAX } from '../limits';
import { REFERENCE_AIR } from '../air/density';
import { as, fields, figure, list, nonNegative, optional, positive, type ListSchema } from '../schema';
import { Refusal } from '../refusal';
import type { AirOnBothSides, Direction } from './conditions';

/** A ring or plate on the fan: flow at reference density = coefficient · (fan pressure)^exponent, m³/h. */
export interface FanRange {
  readonly coefficient: number;
  readonly exponent: number;
  readonly minPa: number;
  readonly maxPa: number;
}

/** One reading of the gauge: building pressure, with the flow through the fan or the pressure at the fan. */
export interface Reading {
  /** Indoors minus outdoors as shown, baseline not yet taken off. */
  readonly pressurePa: number;
  /** Actual flow through the fan. */
  readonly flowM3h?: number;
  readonly fanPressurePa?: number;
  readonly range?: FanRange;
}

export interface ReducedReading {
  /** Baseline taken off; negative when depressurising. */
  readonly inducedPressurePa: number;
  /** Actual flow through the fan. */
  readonly fanFlowM3h: number;
  /** Flow through the envelope, at the density of the air that enters it. */
  readonly envelopeFlowM3h: number;
}

function fanFlowM3h(reading: Reading, direction: Direction, air: AirOnBothSides): number {
  const { flowM3h, fanPressurePa, range } = reading;
  if (flowM3h !== undefined) {
    if (fanPressurePa !== undefined) {
      throw new Refusal('conflict', 'flowM3h', 'Give either the flow or the fan pressure, not both.');
    }
    return flowM3h;
  }
  if (fanPressurePa === undefined) {
    throw new Refusal('required', 'flowM3h', 'Give the flow, or the fan pressure with its range.');
  }
  if (range === undefined) {
    throw new Refusal('required', 'range', 'Say which range of the fan was used.');
  }
  if (fanPressurePa < range.minPa || fanPressurePa > range.maxPa) {
    throw new Refusal(
      'fan-pressure-out-of-range',
      'fanPressurePa',
      `The fan pressure must lie between ${range.minPa} and ${range.maxPa} Pa for this range.`,
      { value: fanPressurePa, bound: fanPressurePa < range.minPa ? range.minPa : range.maxPa },
    );
  }
  const throughFan = direction === 'depressurise' ? air.indoor : air.outdoor;
  return (
    range.coefficient *
    fanPressurePa ** range.exponent *
    Math.sqrt(REFERENCE_AIR.densityKgM3 / throughFan.densityKgM3)
  );
}

/**
 * Induced pressure and flow through the envelope of one reading.
 * ISO 9972, 6.2 (baseline) and annex (fan flow, flow through the envelope).
 * Fields of refusals are those of the reading.
 * @example reduceReading({ pressurePa: -51, flowM3h: 655 }, -1, 'depressurise', { indoor: { densityKgM3: 1.2 }, outdoor: { densityKgM3: 1.25 }, densityRatio: 0.96 }) // { inducedPressurePa: -50, fanFlowM3h: 655, envelopeFlowM3h: 628.8 }
 * @throws {Refusal} `wrong-sign`, `fan-pressure-out-of-range`, `required`, `conflict`, `out-of-range`
 */
export function reduceReading(
  reading: Reading,
  baselinePa: number,
  direction: Direction,
  air: AirOnBothSides,
): ReducedReading {
  if (reading.range !== undefined) refuseInvertedRange(reading.range);
  const inducedPressurePa = reading.pressurePa - baselinePa;
  const pointsRight = direction === 'depressurise' ? inducedPressurePa < 0 : inducedPressurePa > 0;
  if (!pointsRight) {
    throw new Refusal(
      'wrong-sign',
      'pressurePa',
      direction === 'depressurise'
        ? 'While depressurising, the building pressure less its baseline must be below zero.'
        : 'While pressurising, the building pressure less its baseline must be above zero.',
      { value: reading.pressurePa, bound: baselinePa },
    );
  }
  const fanFlow = fanFlowM3h(reading, direction, air);
  return {
    inducedPressurePa,
    fanFlowM3h: fanFlow,
    envelopeFlowM3h: direction === 'depressurise' ? fanFlow * air.densityRatio : fanFlow / air.densityRatio,
  };
}

/**
 * Mean of the readings with the fan off.
 * @example meanPa([-1, -2, -1.5]) // -1.5
 */
export function meanPa(readings: readonly number[]): number {
  let sum = 0;
  for (const value of readings) sum += value;
  return sum / readings.length;
}

/**
 * What a baseline comes to at its worst: the largest in size of the means of its positive and of its negative readings,
 * before and after, so that gusts both ways do not cancel. ISO 9972, 5.3.3.
 * @example largestBaselinePa([-1, 2, -3], [-0.5]) // 2
 */
export function largestBaselinePa(before: readonly number[], after: readonly number[]): number {
  let largest = 0;
  for (const readings of [before, after]) {
    for (const sign of [1, -1]) {
      const ofSign = readings.filter((pa) => pa * sign > 0);
      if (ofSign.length > 0) largest = Math.max(largest, Math.abs(meanPa(ofSign)));
    }
  }
  return largest;
}

export const readingMembers = {
  pressurePa: as('Building pressure', figure('housePressure')),
  flowM3h: optional(positive('flow')),
  fanPressurePa: optional(positive('housePressure')),
  range: optional(
    fields<FanRange>({
      coefficient: positive('plain'),
      exponent: as('Exponent n', positive('plain')),
      minPa: as('Lowest fan pressure', nonNegative('housePressure')),
      maxPa: as('Highest fan pressure', figure('housePressure')),
    }),
  ),
};

/**
 * Readings with the fan off: at least one.
 * @example baseline().least // 1
 */
export const baseline = (): ListSchema => list(figure('housePressure'), 1, BASELINE_MAX);

/** The widest of a range must lie above its narrowest. */
function refuseInvertedRange({ minPa, maxPa }: FanRange): void {
  if (maxPa > minPa) return;
  throw new Refusal('out-of-range', 'range.maxPa', 'The highest fan pressure must be above the lowest.', {
    value: maxPa,
    bound: minPa,
  });
}
