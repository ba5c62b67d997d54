import { as, fields, nonNegative, number, optional, share } from '../schema';

/** What is stated of the instruments: limits of error, as their makers give them. */
export interface InstrumentAccuracy {
  /** Of the pressure gauge, as a share of the reading. */
  readonly pressureShare?: number;
  /** Of the pressure gauge, at least. */
  readonly pressureFloorPa?: number;
  /** Of the flow, as a share of it, for the fan range used. */
  readonly flowShare?: number;
  /**
   * The part of the limits that is each reading's own: resolution and repeatability. The rest, by squares, is one error in
   * all readings alike.
   */
  readonly ownPart?: number;
  /** Scatter of a single pressure reading in the wind; from the baseline readings where left out. */
  readonly pressureScatterPa?: number;
}

export const accuracyInput = fields<InstrumentAccuracy>({
  pressureShare: as('Gauge, error by reading', optional(share())),
  pressureFloorPa: as('Gauge, least error', optional(nonNegative('housePressure'))),
  flowShare: as('Flow, error by reading', optional(number({ quantity: 'share', above: 0, max: 1 }))),
  ownPart: as('Of it, each reading’s own', optional(number({ quantity: 'share', above: 0, max: 1 }))),
  pressureScatterPa: optional(nonNegative('housePressure')),
});

const PRESSURE_SHARE = 0.01;
const PRESSURE_FLOOR_PA = 0.15;
const FLOW_SHARE = 0.03;
/** Of ± 3 %, each reading's own ± 0.5 %. */
const OWN_PART = 1 / 6;

/** Limits of error of each reading's own, and of what all share, as shares of the reading. */
export interface Instruments {
  readonly ownPressureShare: number;
  readonly resolutionPa: number;
  readonly ownFlowShare: number;
  readonly sharedPressureShare: number;
  readonly sharedFlowShare: number;
}

/**
 * Fills in what is not stated, and splits each limit into each reading's own part and what all share, by squares.
 * @example instrumentsOf({ flowShare: 0.06 }).sharedFlowShare // 0.0592
 */
export function instrumentsOf(accuracy: InstrumentAccuracy): Instruments {
  const { pressureShare = PRESSURE_SHARE, flowShare = FLOW_SHARE, ownPart = OWN_PART } = accuracy;
  const sharedPart = Math.sqrt(1 - ownPart ** 2);
  return {
    ownPressureShare: pressureShare * ownPart,
    resolutionPa: accuracy.pressureFloorPa ?? PRESSURE_FLOOR_PA,
    ownFlowShare: flowShare * ownPart,
    sharedPressureShare: pressureShare * sharedPart,
    sharedFlowShare: flowShare * sharedPart,
  };
}
