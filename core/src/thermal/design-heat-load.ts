import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, fields, figure, nonNegative, optional, outcome, part, share, temperatureC } from '../schema';

/** What lets heat out of a house. */
export interface HeatPaths {
  /** UA of the house. */
  readonly transmissionWK: number;
  readonly infiltrationM3h: number;
  readonly ventilationM3h?: number;
  /** Share of the ventilation's heat that comes back; 0 where left out. */
  readonly heatRecovery?: number;
}

export interface DesignHeatLoadInput {
  readonly indoorTemperatureC: number;
  readonly outdoorTemperatureC: number;
  readonly planned: HeatPaths;
  readonly asBuilt?: HeatPaths;
}

export interface HeatLoad {
  readonly transmissionW: number;
  /** By infiltration and unrecovered ventilation. */
  readonly airW: number;
  readonly totalW: number;
}

export interface DesignHeatLoad {
  readonly planned: HeatLoad;
  readonly asBuilt: HeatLoad | null;
  /** As built less planned. */
  readonly differenceW: number | null;
}

/** Heat that a cubic metre of air carries, Wh/(m³·K). */
export const AIR_HEAT_CAPACITY = 0.336;

function loadOf(paths: HeatPaths, difference: number): HeatLoad {
  const { transmissionWK, infiltrationM3h, ventilationM3h = 0, heatRecovery = 0 } = paths;
  const transmissionW = transmissionWK * difference;
  const airW = AIR_HEAT_CAPACITY * (infiltrationM3h + ventilationM3h * (1 - heatRecovery)) * difference;
  return { transmissionW, airW, totalW: transmissionW + airW };
}

/**
 * Heat that a house needs at design conditions, W: (UA + 0.336·q)·(θi − θe), q the infiltration and the unrecovered
 * ventilation (m³/h); as planned and as built. EN 12831-1 without heating-up allowance; it does not size equipment.
 * @example designHeatLoad({ indoorTemperatureC: 20, outdoorTemperatureC: -10, planned: { transmissionWK: 100, infiltrationM3h: 50 } }).planned.totalW // 3504
 * @throws {Refusal} `not-warmer-than-outdoors`
 */
export function designHeatLoad(input: DesignHeatLoadInput): DesignHeatLoad {
  const { indoorTemperatureC, outdoorTemperatureC } = input;
  if (indoorTemperatureC <= outdoorTemperatureC) {
    throw new Refusal(
      'not-warmer-than-outdoors',
      'indoorTemperatureC',
      'Heat load is reckoned for winter: it must be warmer indoors than outdoors.',
      { value: indoorTemperatureC, bound: outdoorTemperatureC },
    );
  }
  const difference = indoorTemperatureC - outdoorTemperatureC;
  const planned = loadOf(input.planned, difference);
  const asBuilt = input.asBuilt === undefined ? null : loadOf(input.asBuilt, difference);
  return { planned, asBuilt, differenceW: asBuilt === null ? null : asBuilt.totalW - planned.totalW };
}

const heatPaths = fields<HeatPaths>({
  transmissionWK: as('Heat loss of the envelope', nonNegative('heatLoss')),
  infiltrationM3h: nonNegative('flow'),
  ventilationM3h: optional(nonNegative('flow')),
  heatRecovery: optional(share()),
});

const load = part({
  transmissionW: as('By transmission', figure('power')),
  airW: as('By air', figure('power')),
  totalW: as('In all', figure('power')),
});

export const designHeatLoadOperation: Operation<DesignHeatLoadInput, DesignHeatLoad> = {
  words: {
    shelf: 'heat',
    title: 'Design heat load',
    tells: 'Heat that the coldest day takes, as planned and as built.',
    alsoCalled: 'heating load, sizing, Btu, kW, boiler, furnace, heat pump, peak',
    mainFigures: ['asBuilt.totalW', 'planned.totalW', 'differenceW'],
    caution: 'Heating is sized by a licensed trade to local code; this shows what the work changes.',
  },
  schema: fields<DesignHeatLoadInput>({
    indoorTemperatureC: temperatureC(),
    outdoorTemperatureC: temperatureC(),
    planned: heatPaths,
    asBuilt: optional(heatPaths),
  }),
  run: designHeatLoad,
  output: outcome<DesignHeatLoad>({
    planned: load,
    asBuilt: optional(load),
    differenceW: optional(as('Load added', figure('power'))),
  }),
};
