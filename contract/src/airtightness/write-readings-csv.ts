import Papa from 'papaparse';
import type { AirtightnessTestBody, BaselineReading } from './airtightness-test';
import { RANGE_COLUMNS, type RowKind } from './readings-csv';
import { DIRECTIONS } from './test-figures';

/** A test's readings as a file that `readReadingsCsv` reads back: SI figures, dot as decimal mark. */
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
  return Papa.unparse({ fields: header, data: rows }, { newline: '\n' }) + '\n';
}
