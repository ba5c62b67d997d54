import {
  KG_PER_POUND,
  KGM3_PER_LBFT3,
  M3H_PER_CFM,
  METRES_PER_FOOT,
  METRES_PER_INCH,
  RSI_PER_R,
  WK_PER_BTUHF,
} from './factors';

/** How a person reads and writes figures. Records and computations are SI always. */
export type UnitSystem = 'metric' | 'imperial';

/** A unit that a quantity is shown and entered in: `shown = si · perSi + offset`. */
export interface Unit {
  readonly symbol: string;
  readonly perSi: number;
  readonly offset: number;
  /** Digits after the point that the quantity is usually written with. */
  readonly decimals: number;
}

const unit = (symbol: string, perSi: number, decimals: number, offset = 0): Unit => ({
  symbol,
  perSi,
  offset,
  decimals,
});
const both = (same: Unit): Readonly<Record<UnitSystem, Unit>> => ({ metric: same, imperial: same });

const FEET = 1 / METRES_PER_FOOT;
const SQUARE_FEET = FEET ** 2;
const MM_TO_INCHES = 0.001 / METRES_PER_INCH;

/** Every quantity that screens and files show, with its unit in each system. */
export const QUANTITIES = {
  length: { metric: unit('m', 1, 2), imperial: unit('ft', FEET, 1) },
  altitude: { metric: unit('m', 1, 0), imperial: unit('ft', FEET, 0) },
  thickness: { metric: unit('mm', 1000, 0), imperial: unit('in', 1 / METRES_PER_INCH, 2) },
  /** Widths of gaps are kept in mm, as rules and records name them. */
  gap: { metric: unit('mm', 1, 0), imperial: unit('in', MM_TO_INCHES, 2) },
  area: { metric: unit('m²', 1, 1), imperial: unit('ft²', SQUARE_FEET, 0) },
  volume: { metric: unit('m³', 1, 0), imperial: unit('ft³', FEET ** 3, 0) },
  housePressure: both(unit('Pa', 1, 1)),
  airPressure: { metric: unit('hPa', 0.01, 1), imperial: unit('inHg', 1 / 3386.389, 2) },
  temperature: { metric: unit('°C', 1, 1), imperial: unit('°F', 1.8, 1, 32) },
  temperatureDifference: { metric: unit('K', 1, 1), imperial: unit('°F', 1.8, 1) },
  wind: { metric: unit('m/s', 1, 1), imperial: unit('mph', 3600 / 1609.344, 1) },
  flow: { metric: unit('m³/h', 1, 0), imperial: unit('cfm', 1 / M3H_PER_CFM, 0) },
  airChange: both(unit('/h', 1, 2)),
  flowPerArea: {
    metric: unit('m³/(h·m²)', 1, 2),
    imperial: unit('cfm/ft²', 1 / M3H_PER_CFM / SQUARE_FEET, 3),
  },
  smallArea: { metric: unit('cm²', 1e4, 0), imperial: unit('in²', 1 / METRES_PER_INCH ** 2, 0) },
  leakArea: { metric: unit('cm²', 1e4, 0), imperial: unit('in²', 1 / METRES_PER_INCH ** 2, 1) },
  resistance: { metric: unit('m²·K/W', 1, 2), imperial: unit('h·ft²·°F/Btu', 1 / RSI_PER_R, 1) },
  transmittance: { metric: unit('W/(m²·K)', 1, 3), imperial: unit('Btu/(h·ft²·°F)', RSI_PER_R, 3) },
  conductivity: {
    metric: unit('W/(m·K)', 1, 3),
    imperial: unit('Btu·in/(h·ft²·°F)', RSI_PER_R / METRES_PER_INCH, 3),
  },
  heatLoss: { metric: unit('W/K', 1, 1), imperial: unit('Btu/(h·°F)', 1 / WK_PER_BTUHF, 1) },
  linearTransmittance: {
    metric: unit('W/(m·K)', 1, 3),
    imperial: unit('Btu/(h·ft·°F)', METRES_PER_FOOT / WK_PER_BTUHF, 3),
  },
  pointTransmittance: { metric: unit('W/K', 1, 3), imperial: unit('Btu/(h·°F)', 1 / WK_PER_BTUHF, 3) },
  heatLossPerMinute: {
    metric: unit('W/K per min', 1, 3),
    imperial: unit('Btu/(h·°F) per min', 1 / WK_PER_BTUHF, 3),
  },
  power: { metric: unit('W', 1, 0), imperial: unit('Btu/h', 1.8 / WK_PER_BTUHF, 0) },
  energy: both(unit('kWh', 1, 0)),
  degreeDays: { metric: unit('K·d', 1, 0), imperial: unit('°F·d', 1.8, 0) },
  vapourPressure: both(unit('Pa', 1, 0)),
  vapourThickness: { metric: unit('m', 1, 2), imperial: unit('ft', FEET, 2) },
  mass: { metric: unit('kg', 1, 2), imperial: unit('lb', 1 / KG_PER_POUND, 2) },
  massPerArea: { metric: unit('kg/m²', 1, 2), imperial: unit('lb/ft²', 1 / KG_PER_POUND / SQUARE_FEET, 3) },
  massPerAreaAndR: {
    metric: unit('kg/m² per m²·K/W', 1, 2),
    imperial: unit('lb/ft² per R', RSI_PER_R / KG_PER_POUND / SQUARE_FEET, 3),
  },
  density: { metric: unit('kg/m³', 1, 1), imperial: unit('lb/ft³', 1 / KGM3_PER_LBFT3, 2) },
  perArea: { metric: unit('/m²', 1, 2), imperial: unit('/ft²', 1 / SQUARE_FEET, 3) },
  years: both(unit('years', 1, 1)),
  /** Whatever money the costs are in. */
  money: both(unit('', 1, 0)),
  pricePerKwh: both(unit('/kWh', 1, 3)),
  duration: both(unit('min', 1, 0)),
  share: both(unit('%', 100, 1)),
  count: both(unit('', 1, 0)),
  /** Positions count from zero in computations and from one for people. */
  position: both(unit('', 1, 0, 1)),
  plain: both(unit('', 1, 3)),
} as const satisfies Readonly<Record<string, Readonly<Record<UnitSystem, Unit>>>>;

export type Quantity = keyof typeof QUANTITIES;

/**
 * The unit in which a quantity is shown.
 * @example unitOf('flow', 'imperial').symbol // 'cfm'
 */
export function unitOf(quantity: Quantity, system: UnitSystem): Unit {
  return QUANTITIES[quantity][system];
}

/**
 * A figure in SI as it is shown in a system of units.
 * @example fromSi(100, 'flow', 'imperial') // 58.9 cfm
 */
export function fromSi(si: number, quantity: Quantity, system: UnitSystem): number {
  const { perSi, offset } = unitOf(quantity, system);
  return si * perSi + offset;
}

/**
 * A figure in shown units brought to SI.
 * @example toSi(50, 'temperature', 'imperial') // 10 °C
 */
export function toSi(shown: number, quantity: Quantity, system: UnitSystem): number {
  const { perSi, offset } = unitOf(quantity, system);
  return (shown - offset) / perSi;
}
