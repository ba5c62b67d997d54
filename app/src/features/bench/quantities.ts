import { QUANTITIES, unitOf, type Quantity, type UnitSystem } from '@calvet/core';

/** Names that say more than their ending. */
const BY_NAME: Readonly<Record<string, Quantity>> = {
  altitudeM: 'altitude',
  windMs: 'wind',
  ela4M2: 'leakArea',
  holeAreaM2: 'leakArea',
  voidAreaM2: 'smallArea',
  cavityAreaM2: 'smallArea',
  outlineAreasM2: 'smallArea',
  n50: 'airChange',
  n50PerHour: 'airChange',
  airChangesPerHour: 'airChange',
  qE50: 'flowPerArea',
  qF50: 'flowPerArea',
  q50: 'flow',
  bagsPerM2: 'perArea',
  perM2: 'perArea',
  psiWmK: 'linearTransmittance',
  heatingDegreeDaysKd: 'degreeDays',
  minutes: 'duration',
  vapourPressurePa: 'vapourPressure',
  saturationPressurePa: 'vapourPressure',
  spacingM: 'thickness',
  studWidthM: 'thickness',
  flangeWidthM: 'thickness',
  penetrationM: 'thickness',
  depthM: 'thickness',
  extraHeatKwhPerYear: 'energy',
  chances: 'share',
  layer: 'position',
  condensingLayer: 'position',
  controlLayer: 'position',
  row: 'position',
  sides: 'count',
  days: 'count',
  storeys: 'count',
  bedrooms: 'count',
  bottomPlates: 'count',
  topPlates: 'count',
  corners: 'count',
  intersections: 'count',
  bags: 'count',
  bagsNeeded: 'count',
  moreCavities: 'count',
  draws: 'count',
  seed: 'count',
  looseEdgesWithoutLength: 'count',
};

/** Figures without a unit. */
const PLAIN =
  /^(?:exponent.*|coefficient|degreesOfFreedom|rSquared|normalizedLeakage|leakageRatio|reducedChiSquared|weatherFactor|coverageFactor|weight|x|y|viscosityPaS|.*M3hPaN)$/;

const SHARES =
  /(?:share|fraction|humidity|uncertainty|fill|recovery|calibration|confidence|chance|chanceNow|chanceAll|chanceFixes|LnQ50|relativeError|continuityByLength|effect|shareFromSize|shareOutside|shareObserved|ownPart|(?:low|high)90)$/i;

/** Endings that name a unit; the first that fits counts. */
const BY_ENDING: readonly (readonly [RegExp, Quantity])[] = [
  [/LA10M2$/, 'leakArea'],
  [/M3hM2$/, 'flowPerArea'],
  [/M3h$/, 'flow'],
  [/KgM3$/, 'density'],
  [/KgM2$/, 'massPerArea'],
  [/Kg$/, 'mass'],
  [/M2$/, 'area'],
  [/M3$/, 'volume'],
  [/conductivityWmK$/i, 'conductivity'],
  [/WK$/, 'heatLoss'],
  [/W$/, 'power'],
  [/^sd.*M$|SdM$/, 'vapourThickness'],
  [/(?:thickness|depths?)M$/i, 'thickness'],
  [/(?:lengths?|width|height)M$/i, 'length'],
  [/(?:temperatures?|point)C$/i, 'temperature'],
  [/rsi$/i, 'resistance'],
  [/uValue$|^deltaU/i, 'transmittance'],
  [/Pa$/, 'housePressure'],
];

/** Members that are measured in what the object around them is. */
const OF_WHAT_HOLDS_THEM: ReadonlySet<string> = new Set([
  'low',
  'likely',
  'high',
  'value',
  'low95',
  'high95',
  'I',
  'II',
  'III',
  'none',
]);

/** What holds areas of the size of a hand. */
const HOLDS_SMALL_AREAS: ReadonlySet<string> = new Set(['regions', 'samples', 'fasteners']);

/** Where a member stands: beside what, and within what. */
export interface Surroundings {
  readonly siblings?: Readonly<Record<string, unknown>>;
  readonly holder?: string;
}

/** What a figure of an input or output is measured in, from its name and what stands round it; null where unknown. */
export function quantityOf(name: string, { siblings = {}, holder }: Surroundings = {}): Quantity | null {
  if (name === 'limit') return BY_NAME[String(siblings.quantity)] ?? null;
  if (holder !== undefined && OF_WHAT_HOLDS_THEM.has(name)) return quantityOf(holder);
  if (name === 'pressurePa' && !('flowM3h' in siblings) && !('fanPressurePa' in siblings))
    return 'airPressure';
  if (name === 'areaM2' && holder !== undefined && HOLDS_SMALL_AREAS.has(holder)) return 'smallArea';
  const byName = BY_NAME[name];
  if (byName !== undefined) return byName;
  if (PLAIN.test(name)) return 'plain';
  if (name === 'overfill' || SHARES.test(name)) return 'share';
  return BY_ENDING.find(([ending]) => ending.test(name))?.[1] ?? null;
}

/** Units of the steps that stand for one quantity alone. */
const BY_UNIT: ReadonlyMap<string, Quantity> = new Map(
  (
    [
      'length',
      'area',
      'volume',
      'flow',
      'flowPerArea',
      'resistance',
      'transmittance',
      'heatLoss',
      'power',
      'temperature',
      'mass',
      'massPerArea',
      'density',
    ] as const
  ).map((quantity) => [QUANTITIES[quantity].metric.symbol, quantity]),
);

/** The quantity of a step's result, where it is written otherwise in a system of units than in SI; null where it is not. */
export function quantityOfStep(unit: string, units: UnitSystem): Quantity | null {
  const quantity = BY_UNIT.get(unit);
  return quantity === undefined || unitOf(quantity, units).symbol === unit ? null : quantity;
}
