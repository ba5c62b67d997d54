import { M3H_PER_CFM, M3H_PER_LITRE_SECOND } from '@calvet/core/units/factors';

/** Pascals of an inch of water of 4 °C. */
const PA_PER_INCH_OF_WATER = 249.08891;

/** Factors to SI of the units that a column of pressures, and one of flows, may be in. */
export const PRESSURE_UNITS = { Pa: 1, 'in. w.c.': PA_PER_INCH_OF_WATER } as const;
export const FLOW_UNITS = { 'm³/h': 1, 'L/s': M3H_PER_LITRE_SECOND, cfm: M3H_PER_CFM } as const;

export type FlowUnit = keyof typeof FLOW_UNITS;
export type ColumnUnit = FlowUnit | keyof typeof PRESSURE_UNITS;

/** What columns of a file of readings can hold, in words. */
export const COLUMN_MEANINGS = {
  housePressure: 'building pressure',
  flow: 'flow',
  fanPressure: 'fan pressure',
  fanRange: 'fan range',
  fanCoefficient: 'coefficient of the range',
  fanExponent: 'exponent of the range',
  fanMin: 'lowest fan pressure of the range',
  fanMax: 'highest fan pressure of the range',
  direction: 'direction',
  row: 'kind of line',
  struckOut: 'why it does not count',
} as const;

export type ColumnMeaning = keyof typeof COLUMN_MEANINGS;

/** A column of a file: its own name, and what it is taken for. */
export interface CsvColumn {
  readonly name: string;
  /** Null where it is none of those that are read. */
  readonly meaning: ColumnMeaning | null;
  /** Of pressures and flows; null where a flow does not say. */
  readonly unit: ColumnUnit | null;
  /** A unit that it names and that is not read, as it stands in the name. */
  readonly strangeUnit: string | null;
}

/** What names of columns are known by, the narrower first: in words of both worlds of units, and as we write them. */
const KNOWN_BY: readonly (readonly [ColumnMeaning, RegExp])[] = [
  ['direction', /^(test )?(direction|mode)$/],
  ['row', /^(row|line|kind)( kind| type)?$/],
  ['struckOut', /\b(struck|excluded?|omit(ted)?|reject(ed)?|reason|not counted)\b/],
  ['fanCoefficient', /\bcoefficient\b/],
  ['fanExponent', /\bexponent\b/],
  ['fanMin', /\bfan (min|minimum|lowest)\b/],
  ['fanMax', /\bfan (max|maximum|highest)\b/],
  ['fanPressure', /\b(fan|flow|nozzle) (\w+ )?pressure\b|\bpressure (at|of|in) (the )?fan\b/],
  ['fanRange', /\b(range|ring|plate|orifice)\b/],
  ['flow', /\b(flow|airflow|flowrate|leakage)\b/],
  ['housePressure', /\b(house|building|envelope|indoor|induced|test) (\w+ )?pressure\b/],
  ['housePressure', /^((delta|δ) ?p|dp|pressure( difference)?)( pa)?$/],
];

const UNITS: readonly (readonly [ColumnUnit, RegExp])[] = [
  ['m³/h', /\bm ?3 ?\/? ?(h|hr|hour)\b|\bcmh\b/],
  ['L/s', /\bl ?\/? ?s\b|\blps\b|\blit(er|re)s? (per|a) second\b/],
  ['cfm', /\bcfm\b|\b(ft|feet|foot) ?3 ?\/ ?min\b/],
  ['in. w.c.', /\bin(ch(es)?)? ?(of )?(wc|wg|w c|w g|h2o|water)\b/],
  ['Pa', /\bpa\b|\bpascals?\b/],
];
const STRANGE_UNIT =
  /\b([hk]pa|mbar|bar|psi|mm ?h2o|mm ?wc|m ?3 ?\/? ?s|m ?3 ?\/? ?min|acfm|scfm|kg ?\/? ?s)\b/;

const UNITS_OF: Readonly<Partial<Record<ColumnMeaning, readonly ColumnUnit[]>>> = {
  housePressure: ['Pa', 'in. w.c.'],
  fanPressure: ['Pa', 'in. w.c.'],
  flow: ['m³/h', 'L/s', 'cfm'],
};

/** "House_Pressure (Pa)" → "house pressure pa"; "Q [m³/h]" → "q m3/h". */
const plain = (name: string): string =>
  name
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}/%]+/gu, ' ')
    .trim();

/** What a column is, by its name. A pressure that names no unit is in Pa; a flow may be in any. */
export function columnNamed(name: string): CsvColumn {
  const words = plain(name);
  const unitNamed = UNITS.find(([, known]) => known.test(words))?.[0] ?? null;
  const named = KNOWN_BY.find(([, known]) => known.test(words))?.[0] ?? null;
  const meaning =
    named ?? (unitNamed !== null && UNITS_OF.flow?.includes(unitNamed) === true ? 'flow' : null);
  const fitting = meaning === null ? [] : (UNITS_OF[meaning] ?? []);
  if (fitting.length === 0) return { name, meaning, unit: null, strangeUnit: null };
  const strange = STRANGE_UNIT.exec(words)?.[0] ?? null;
  const strangeUnit = strange ?? (unitNamed !== null && !fitting.includes(unitNamed) ? unitNamed : null);
  const unit = unitNamed ?? (meaning === 'flow' ? null : 'Pa');
  return { name, meaning, unit: strangeUnit === null ? unit : null, strangeUnit };
}
