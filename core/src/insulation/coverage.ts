import { DEPTHS_MAX, TABLE_LINES_MAX } from '../limits';
import { HOT } from '../cautions';
import { fallsBelow, type Finding } from '../finding';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, boolean, fields, figure, list, nonNegative, optional, outcome, positive } from '../schema';

/** One line of the maker's coverage table. */
export interface CoverageRow {
  readonly rsi: number;
  readonly bagsPerM2: number;
  readonly leastMassKgM2: number;
  readonly initialDepthM: number;
  readonly settledDepthM: number;
}

export interface CoverageInput {
  /** With rising R. */
  readonly table: readonly CoverageRow[];
  readonly wantedRsi: number;
  /** Net of what is not filled. */
  readonly areaM2: number;
  readonly bagMassKg: number;
  /** Bags blown; left out while planning. */
  readonly bags?: number;
  /** Depths read just after blowing. */
  readonly depthsM?: readonly number[];
}

export interface Coverage {
  /** Index of the line that serves: the first that reaches what is wanted. */
  readonly row: number;
  readonly bagsNeeded: number;
  readonly leastMassKgM2: number;
  readonly initialDepthM: number;
  readonly settledDepthM: number;
  /** Null without bags. */
  readonly massKgM2: number | null;
  /** R of the best line that the mass blown reaches; null without bags or where it reaches none. */
  readonly reachedRsi: number | null;
  /** Null until bags and depths are both known. */
  readonly accepted: boolean | null;
  readonly findings: readonly Finding<'too-few-bags' | 'mass-low' | 'depth-low' | 'row-implausible'>[];
}

/** Densities between which blown insulation lies, kg/m³; outside of them a line was mistyped. */
export const PLAUSIBLE_DENSITY_KGM3 = { low: 5, high: 150 } as const;
const WHOLE_BAG_SLACK = 1e-9;

function refuseFalling(table: readonly CoverageRow[]): void {
  table.forEach(({ rsi }, i) => {
    const before = table[i - 1];
    if (before !== undefined && rsi <= before.rsi) {
      throw new Refusal('not-ascending', `table[${i}].rsi`, 'Give the lines of the table with rising R.', {
        value: rsi,
        bound: before.rsi,
      });
    }
  });
}

function rowFor(table: readonly CoverageRow[], wantedRsi: number): number {
  const row = table.findIndex(({ rsi }) => !fallsBelow(rsi, wantedRsi));
  if (row >= 0) return row;
  throw new Refusal(
    'no-such-row',
    'wantedRsi',
    'The table does not reach this R: take a line off the bag that does.',
    {
      value: wantedRsi,
      bound: table.at(-1)?.rsi,
    },
  );
}

function findingsOf(
  input: CoverageInput,
  line: CoverageRow,
  bagsNeeded: number,
  massKgM2: number | null,
): Coverage['findings'] {
  const findings: Coverage['findings'][number][] = [];
  const density = line.leastMassKgM2 / line.settledDepthM;
  if (density < PLAUSIBLE_DENSITY_KGM3.low || density > PLAUSIBLE_DENSITY_KGM3.high) {
    findings.push({
      rule: 'row-implausible',
      severity: 'warn',
      message: 'Mass per area over settled depth gives no density that blown insulation has: check the line.',
      value: density,
    });
  }
  if (input.bags !== undefined && fallsBelow(input.bags, bagsNeeded)) {
    findings.push({
      rule: 'too-few-bags',
      severity: 'fail',
      message: 'Fewer bags were blown than the table asks for.',
      value: input.bags,
      limit: bagsNeeded,
    });
  }
  if (massKgM2 !== null && fallsBelow(massKgM2, line.leastMassKgM2)) {
    findings.push({
      rule: 'mass-low',
      severity: 'fail',
      message: 'The mass blown on each square metre is under the least that the table asks for.',
      value: massKgM2,
      limit: line.leastMassKgM2,
    });
  }
  (input.depthsM ?? []).forEach((depthM, reading) => {
    if (!fallsBelow(depthM, line.initialDepthM)) return;
    findings.push({
      rule: 'depth-low',
      severity: 'fail',
      message: 'The fill is shallower here than the initial depth of the table.',
      value: depthM,
      limit: line.initialDepthM,
      reading,
    });
  });
  return findings;
}

/**
 * A coverage table held against what was blown: bags, mass per area and initial depth, each checked by itself.
 * @example coverage(examples['insulation.coverage']).bagsNeeded // 72
 * @throws {Refusal} `not-ascending`, `no-such-row`
 */
export function coverage(input: CoverageInput): Coverage {
  const { table, wantedRsi, areaM2, bagMassKg, bags, depthsM = [] } = input;
  refuseFalling(table);
  const row = rowFor(table, wantedRsi);
  const line = table[row] as CoverageRow;
  const bagsNeeded = Math.ceil(line.bagsPerM2 * areaM2 - WHOLE_BAG_SLACK);
  const massKgM2 = bags === undefined ? null : (bags * bagMassKg) / areaM2;
  const findings = findingsOf(input, line, bagsNeeded, massKgM2);
  const reached =
    massKgM2 === null
      ? undefined
      : table.findLast(({ leastMassKgM2 }) => !fallsBelow(massKgM2, leastMassKgM2));
  return {
    row,
    bagsNeeded,
    leastMassKgM2: line.leastMassKgM2,
    initialDepthM: line.initialDepthM,
    settledDepthM: line.settledDepthM,
    massKgM2,
    reachedRsi: reached?.rsi ?? null,
    accepted:
      bags === undefined || depthsM.length === 0
        ? null
        : findings.every(({ severity }) => severity !== 'fail'),
    findings,
  };
}

export const coverageOperation: Operation<CoverageInput, Coverage> = {
  words: {
    shelf: 'insulation',
    title: 'Blown fill by the table on its bag',
    tells: 'Bags, depth and mass that a wanted R takes, and whether what was blown reaches it.',
    alsoCalled: 'coverage chart, settled thickness, attic, loft, cellulose, blown-in, loose fill, R-value',
    mainFigures: ['bagsNeeded', 'accepted', 'initialDepthM', 'massKgM2'],
    caution: HOT,
  },
  schema: fields<CoverageInput>({
    table: as(
      'Table',
      list(
        fields<CoverageRow>({
          rsi: as('R', positive('resistance')),
          bagsPerM2: as('Bags', positive('perArea')),
          leastMassKgM2: positive('massPerArea'),
          initialDepthM: positive('thickness'),
          settledDepthM: positive('thickness'),
        }),
        1,
        TABLE_LINES_MAX,
      ),
      'line',
    ),
    wantedRsi: as('R wanted', positive('resistance')),
    areaM2: positive('area'),
    bagMassKg: as('Mass of a bag', positive('mass')),
    bags: as('Bags used', optional(nonNegative('count'))),
    depthsM: optional(list(nonNegative('thickness'), 0, DEPTHS_MAX)),
  }),
  run: coverage,
  output: outcome<Coverage>({
    row: as('Line of the table', figure('position')),
    bagsNeeded: figure('count'),
    leastMassKgM2: figure('massPerArea'),
    initialDepthM: figure('thickness'),
    settledDepthM: figure('thickness'),
    massKgM2: optional(as('Mass reached', figure('massPerArea'))),
    reachedRsi: optional(as('R reached', figure('resistance'))),
    accepted: optional(boolean()),
  }),
};
