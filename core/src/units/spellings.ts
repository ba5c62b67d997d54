import {
  KG_PER_POUND,
  KGM3_PER_LBFT3,
  M3H_PER_CFM,
  M3H_PER_LITRE_SECOND,
  METRES_PER_FOOT,
  METRES_PER_INCH,
  RSI_PER_R,
  WK_PER_BTUHF,
} from './factors';
import { QUANTITIES, type Quantity } from './quantity';

/** A unit that may be typed, in every way in which it is written. */
export interface SpelledUnit {
  /** The first is the one that messages show. */
  readonly spellings: readonly string[];
  /** SI of one of it: `si = typed · toSi + shift`. */
  readonly toSi: number;
  readonly shift: number;
}

const spelled = (toSi: number, ...spellings: string[]): SpelledUnit => ({ spellings, toSi, shift: 0 });

const LENGTHS = [
  spelled(1, 'm', 'metre', 'metres', 'meter', 'meters'),
  spelled(0.01, 'cm'),
  spelled(0.001, 'mm'),
  spelled(METRES_PER_FOOT, 'ft', 'foot', 'feet', "'"),
  spelled(METRES_PER_INCH, 'in', 'inch', 'inches', '"'),
];
const LENGTHS_IN_MM = LENGTHS.map((unit) => ({ ...unit, toSi: unit.toSi * 1000 }));
const AREAS = [
  spelled(1, 'm²', 'sqm'),
  spelled(1e-4, 'cm²', 'sqcm'),
  spelled(1e-6, 'mm²'),
  spelled(METRES_PER_FOOT ** 2, 'ft²', 'sqft', 'sf'),
  spelled(METRES_PER_INCH ** 2, 'in²', 'sqin'),
];
const PRESSURES = [
  spelled(1, 'Pa'),
  spelled(100, 'hPa', 'mbar'),
  spelled(1000, 'kPa'),
  spelled(249.08891, 'inH2O', 'inwc', 'iwc'),
  spelled(3386.389, 'inHg'),
  spelled(133.322387, 'mmHg'),
];
const HEAT_LOSSES = [spelled(1, 'W/K'), spelled(WK_PER_BTUHF, 'Btu/(h·°F)')];

/** Units that may be typed, whichever are set, for a quantity that has more than those it is shown in. */
const MORE_UNITS: Partial<Readonly<Record<Quantity, readonly SpelledUnit[]>>> = {
  length: LENGTHS,
  altitude: LENGTHS,
  thickness: LENGTHS,
  gap: LENGTHS_IN_MM,
  vapourThickness: LENGTHS,
  area: AREAS,
  smallArea: AREAS,
  leakArea: AREAS,
  volume: [
    spelled(1, 'm³', 'cbm'),
    spelled(0.001, 'L', 'litre', 'litres', 'liter', 'liters'),
    spelled(METRES_PER_FOOT ** 3, 'ft³', 'cuft', 'cf'),
  ],
  housePressure: PRESSURES,
  airPressure: PRESSURES,
  vapourPressure: PRESSURES,
  temperature: [
    { spellings: ['°C', 'C'], toSi: 1, shift: 0 },
    { spellings: ['°F', 'F'], toSi: 1 / 1.8, shift: -32 / 1.8 },
    { spellings: ['K'], toSi: 1, shift: -273.15 },
  ],
  wind: [
    spelled(1, 'm/s'),
    spelled(1 / 3.6, 'km/h', 'kmh', 'kph'),
    spelled(1609.344 / 3600, 'mph'),
    spelled(1852 / 3600, 'kn', 'knot', 'knots', 'kt'),
  ],
  flow: [
    spelled(1, 'm³/h', 'm3h', 'cmh'),
    spelled(M3H_PER_LITRE_SECOND, 'L/s', 'lps'),
    spelled(3600, 'm³/s'),
    spelled(M3H_PER_CFM, 'cfm', 'ft³/min', 'cfm50'),
  ],
  airChange: [spelled(1, '/h', '1/h', 'h-1', 'ach', 'ach50')],
  flowPerArea: [
    spelled(1, 'm³/(h·m²)', 'm³/h/m²', 'm/h'),
    spelled(M3H_PER_CFM / METRES_PER_FOOT ** 2, 'cfm/ft²', 'cfm50/ft²'),
    spelled(M3H_PER_LITRE_SECOND, 'L/(s·m²)', 'L/s/m²'),
  ],
  resistance: [
    spelled(1, 'm²·K/W', 'RSI'),
    spelled(RSI_PER_R, 'h·ft²·°F/Btu', 'ft²·°F·h/Btu', 'ft²·h·°F/Btu'),
  ],
  transmittance: [spelled(1, 'W/(m²·K)', 'W/m²/K'), spelled(1 / RSI_PER_R, 'Btu/(h·ft²·°F)')],
  conductivity: [
    spelled(1, 'W/(m·K)', 'W/m/K'),
    spelled(0.001, 'mW/(m·K)'),
    spelled(METRES_PER_INCH / RSI_PER_R, 'Btu·in/(h·ft²·°F)'),
  ],
  heatLoss: HEAT_LOSSES,
  pointTransmittance: HEAT_LOSSES,
  temperatureDifference: [spelled(1, 'K', '°C'), spelled(1 / 1.8, '°F')],
  linearTransmittance: [spelled(1, 'W/(m·K)'), spelled(WK_PER_BTUHF / METRES_PER_FOOT, 'Btu/(h·ft·°F)')],
  power: [spelled(1, 'W'), spelled(1000, 'kW'), spelled(WK_PER_BTUHF / 1.8, 'Btu/h')],
  energy: [spelled(1, 'kWh'), spelled(1000, 'MWh'), spelled(1 / 3.6, 'MJ')],
  degreeDays: [spelled(1, 'K·d', '°C·d'), spelled(1 / 1.8, '°F·d')],
  mass: [
    spelled(1, 'kg'),
    spelled(0.001, 'g'),
    spelled(KG_PER_POUND, 'lb', 'lbs'),
    spelled(KG_PER_POUND / 16, 'oz'),
  ],
  massPerArea: [
    spelled(1, 'kg/m²'),
    spelled(0.001, 'g/m²'),
    spelled(KG_PER_POUND / METRES_PER_FOOT ** 2, 'lb/ft²'),
  ],
  density: [spelled(1, 'kg/m³'), spelled(KGM3_PER_LBFT3, 'lb/ft³', 'pcf')],
  perArea: [spelled(1, '/m²', '1/m²'), spelled(1 / METRES_PER_FOOT ** 2, '/ft²', '1/ft²')],
  duration: [spelled(1, 'min', 'minutes'), spelled(60, 'h', 'hr', 'hours'), spelled(1 / 60, 's')],
  years: [spelled(1, 'years', 'year', 'yr')],
  pricePerKwh: [spelled(1, '/kWh')],
  share: [spelled(0.01, '%')],
};

/**
 * What is left of a unit's spelling where only signs and blanks differ: `m³/(h·m²)` and `M3 / h m^2` are one.
 * @example bareUnit(' m³/h ') // 'm3/h'
 */
export function bareUnit(text: string): string {
  return text
    .replace(/[°\u00BA]/g, '')
    .normalize('NFKC')
    .replace(/''/g, '"')
    .replace(/[\s·⋅×*.()^]/g, '')
    .toLowerCase();
}

const shownUnits = (quantity: Quantity): readonly SpelledUnit[] =>
  Object.values(QUANTITIES[quantity])
    .filter(({ symbol }) => symbol !== '')
    .map(({ symbol, perSi, offset }) => ({ spellings: [symbol], toSi: 1 / perSi, shift: -offset / perSi }));

/**
 * Units that may be typed for a quantity.
 * @example unitsTyped('flow').length > 3 // true
 */
export function unitsTyped(quantity: Quantity): readonly SpelledUnit[] {
  return MORE_UNITS[quantity] ?? shownUnits(quantity);
}

/**
 * The unit that somebody wrote beside a figure; undefined where the quantity is not measured in it.
 * @example unitWritten('cfm', 'flow').toSi // 1.699
 */
export function unitWritten(text: string, quantity: Quantity): SpelledUnit | undefined {
  const bare = bareUnit(text);
  return unitsTyped(quantity).find(({ spellings }) => spellings.some((each) => bareUnit(each) === bare));
}
