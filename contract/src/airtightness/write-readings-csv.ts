import Papa from 'papaparse';
import type { AirtightnessTestBody, BaselineReading } from './airtightness-test';
import type { Direction } from '@calvet/core/airtightness/conditions';
import type { RowKind } from './readings-csv';
import { DIRECTIONS } from './test-figures';

const RANGE_COLUMNS = ['fan_coefficient', 'fan_exponent', 'fan_min_pa', 'fan_max_pa'] as const;
const FLOW_COLUMNS = { metric: 'flow_m3h', imperial: 'flow_cfm' } as const;
/** Lines of each kind in a template. */
const TEMPLATE: readonly (readonly [RowKind, number])[] = [
  ['baseline before', 5],
  ['reading', 10],
  ['baseline after', 5],
];

const asCsv = (fields: readonly string[], data: readonly (readonly unknown[])[]): string =>
  `${Papa.unparse({ fields: [...fields], data: data.map((row) => [...row]) }, { newline: '\n' })}\n`;

/** A file to be filled in and brought in: the columns that a run needs, and its lines; those left blank are not read. */
export function writeTemplateCsv(direction: Direction, units: keyof typeof FLOW_COLUMNS): string {
  const header = ['direction', 'row', 'house_pressure_pa', FLOW_COLUMNS[units], 'struck_out'];
  const rows = TEMPLATE.flatMap(([kind, count]) =>
    Array.from({ length: count }, () => [direction, kind, '', '', '']),
  );
  return asCsv(header, rows);
}

/** A test's readings as a file that is read back by `surveyCsv` and `readReadingsCsv`: SI figures, dot as decimal mark. */
export function writeReadingsCsv(test: AirtightnessTestBody): string {
  const header = [
    'direction',
    'row',
    'house_pressure_pa',
    'flow_m3h',
    'fan_pressure_pa',
    'fan_range',
    ...RANGE_COLUMNS,
    'struck_out',
  ];
  const rows = DIRECTIONS.flatMap((direction) => {
    const run = test[direction];
    if (run === null) return [];
    const baselineRow =
      (kind: RowKind) =>
      ({ pressurePa }: BaselineReading) => [direction, kind, pressurePa];
    const readings = run.readings
      .filter(
        ({ pressurePa, flowM3h, fanPressurePa }) =>
          pressurePa !== null && (flowM3h ?? fanPressurePa) !== null,
      )
      .map((reading) => {
        const range = test.fanRanges.find(({ name }) => name === reading.fanRange);
        return [
          direction,
          'reading',
          reading.pressurePa,
          reading.flowM3h,
          reading.fanPressurePa,
          range?.name,
          range?.coefficient,
          range?.exponent,
          range?.minPa,
          range?.maxPa,
          reading.struckOut,
        ];
      });
    return [
      ...run.baselineBeforePa.map(baselineRow('baseline before')),
      ...readings,
      ...run.baselineAfterPa.map(baselineRow('baseline after')),
    ];
  });
  return asCsv(header, rows);
}
