import Papa from 'papaparse';
import { M3H_PER_CFM, M3H_PER_LITRE_SECOND, parseDecimal, type Direction } from '@calvet/core';
import { BASELINE_MAX, READINGS_MAX } from '../limits';
import { decimalMarkOf, eitherReading, type DecimalMark, type FigureReading } from './file-decimals';
import type {
  AirtightnessTestBody,
  BaselineReading,
  NamedFanRange,
  TestReading,
  TestRun,
} from './airtightness-test';
import { PRESSURE_MAX_PA } from './airtightness-test';
import { DIRECTIONS } from './test-figures';

/** A test's readings never need more; a larger file is something else. */
export const CSV_BYTES_MAX = 200_000;

/** Where a file is not what it should be. Lines count from 1, the header being the first. */
export interface CsvRefusal {
  readonly line: number;
  readonly column: string | null;
  readonly message: string;
}

/** What a file brings: runs by direction, and the fan ranges that it describes. */
export interface ImportedReadings {
  readonly runs: Readonly<Partial<Record<Direction, TestRun>>>;
  readonly fanRanges: readonly NamedFanRange[];
  /** Lines that hold a reading or a baseline. */
  readonly count: number;
}

/** A figure of a file that could be either, and nothing in the file tells which. */
export interface CsvQuestion {
  readonly line: number;
  readonly column: string;
  readonly text: string;
  /** What the file is to be read with, for each of its readings. */
  readonly choices: readonly FigureReading[];
}

export type CsvResult =
  | { readonly ok: true; readonly imported: ImportedReadings }
  | { readonly ok: false; readonly refusal: CsvRefusal }
  | { readonly ok: false; readonly question: CsvQuestion };

class Unclear extends Error {
  constructor(readonly question: CsvQuestion) {
    super(question.text);
  }
}

class Refused extends Error {
  constructor(
    readonly line: number,
    readonly column: string | null,
    message: string,
  ) {
    super(message);
  }
}

const FLOW_COLUMNS: Readonly<Record<string, number>> = {
  flow_m3h: 1,
  flow_l_s: M3H_PER_LITRE_SECOND,
  flow_cfm: M3H_PER_CFM,
};
/** Columns that describe a fan range. */
export const RANGE_COLUMNS = ['fan_coefficient', 'fan_exponent', 'fan_min_pa', 'fan_max_pa'] as const;
const COLUMNS = [
  'direction',
  'row',
  'house_pressure_pa',
  ...Object.keys(FLOW_COLUMNS),
  'fan_pressure_pa',
  'fan_range',
  ...RANGE_COLUMNS,
  'struck_out',
] as const;

const WORD_COLUMNS: ReadonlySet<string | undefined> = new Set([
  'direction',
  'row',
  'fan_range',
  'struck_out',
]);
const isFigureColumn = (column: string | undefined): boolean => !WORD_COLUMNS.has(column);

const ROWS = ['reading', 'baseline before', 'baseline after'] as const;
export type RowKind = (typeof ROWS)[number];

interface Line {
  readonly number: number;
  readonly cell: (column: string) => string;
  /** The mark before decimals in the whole file; null where nothing tells. */
  readonly decimalMark: DecimalMark | null;
}

interface Defaults {
  readonly direction: Direction;
  /** Ranges that the test knows already; a file may name them without describing them. */
  readonly fanRanges: readonly NamedFanRange[];
  readonly newId: () => string;
  /** What somebody said of figures that could be either; without it the file itself must tell. */
  readonly decimalMark?: DecimalMark;
}

function numberIn(line: Line, column: string): number | null {
  const text = line.cell(column);
  if (text === '') return null;
  const choices = eitherReading(text);
  if (choices !== null) {
    const told = choices.find(({ decimalMark }) => decimalMark === line.decimalMark);
    if (told === undefined) throw new Unclear({ line: line.number, column, text, choices });
    return told.value;
  }
  const parsed = parseDecimal(text);
  if (parsed.ok) return parsed.value;
  throw new Refused(line.number, column, `“${text}” is not a number.`);
}

function numberWithin(line: Line, column: string, above: number, most: number): number | null {
  const value = numberIn(line, column);
  if (value === null || (value > above && value <= most)) return value;
  throw new Refused(line.number, column, `${value} must be above ${above} and no more than ${most}.`);
}

function headerOf(cells: readonly string[]): readonly string[] {
  const header = cells.map((cell) => cell.trim().toLowerCase());
  const unknown = header.find((name) => name !== '' && !COLUMNS.some((column) => column === name));
  if (unknown !== undefined) {
    throw new Refused(
      1,
      unknown,
      `The header has a column that is not known. Known are: ${COLUMNS.join(', ')}.`,
    );
  }
  const twice = header.find((name, i) => name !== '' && header.indexOf(name) !== i);
  if (twice !== undefined) throw new Refused(1, twice, 'The header names this column twice.');
  if (!header.includes('house_pressure_pa')) {
    throw new Refused(1, 'house_pressure_pa', 'The header must name the column house_pressure_pa.');
  }
  const flows = header.filter((name) => Object.hasOwn(FLOW_COLUMNS, name));
  if (flows.length > 1) throw new Refused(1, flows[1] ?? null, 'The header must name one flow column only.');
  if (flows.length === 0 && !header.includes('fan_pressure_pa')) {
    throw new Refused(1, 'flow_m3h', 'The header must name flow_m3h, flow_l_s, flow_cfm or fan_pressure_pa.');
  }
  return header;
}

function directionOf(line: Line, fallback: Direction): Direction {
  const text = line.cell('direction').toLowerCase();
  if (text === '') return fallback;
  const direction = DIRECTIONS.find((known) => known === text);
  if (direction === undefined) {
    throw new Refused(line.number, 'direction', `“${text}” is neither depressurise nor pressurise.`);
  }
  return direction;
}

function rowKindOf(line: Line): RowKind {
  const text = line.cell('row').toLowerCase();
  if (text === '') return 'reading';
  const kind = ROWS.find((known) => known === text);
  if (kind === undefined) throw new Refused(line.number, 'row', `“${text}” is none of: ${ROWS.join(', ')}.`);
  return kind;
}

function pressureOf(line: Line): number {
  const pressure = numberIn(line, 'house_pressure_pa');
  if (pressure === null)
    throw new Refused(line.number, 'house_pressure_pa', 'The building pressure is missing.');
  if (Math.abs(pressure) > PRESSURE_MAX_PA) {
    throw new Refused(line.number, 'house_pressure_pa', `${pressure} Pa is beyond ${PRESSURE_MAX_PA} Pa.`);
  }
  return pressure;
}

function rangeOf(line: Line, known: readonly NamedFanRange[]): NamedFanRange | null {
  const name = line.cell('fan_range');
  if (name === '') return null;
  if (name.length > 60)
    throw new Refused(line.number, 'fan_range', 'The name of the range is over 60 characters.');
  const [coefficient, exponent, minPa, maxPa] = [
    numberWithin(line, 'fan_coefficient', 0, 1e6),
    numberWithin(line, 'fan_exponent', 0, 2),
    numberWithin(line, 'fan_min_pa', -1e-9, 10_000),
    numberWithin(line, 'fan_max_pa', 0, 10_000),
  ];
  if (coefficient === null && exponent === null && minPa === null && maxPa === null) {
    const before = known.find((range) => range.name === name);
    if (before === undefined) {
      throw new Refused(
        line.number,
        'fan_range',
        `The test knows no range “${name}”, and the line does not describe it.`,
      );
    }
    return before;
  }
  if (coefficient === null || exponent === null || minPa === null || maxPa === null || maxPa <= minPa) {
    throw new Refused(
      line.number,
      'fan_range',
      `A range needs ${RANGE_COLUMNS.join(', ')}, the highest above the lowest.`,
    );
  }
  return { name, coefficient, exponent, minPa: Math.max(0, minPa), maxPa };
}

function readingOf(
  line: Line,
  flowColumn: string | null,
  range: NamedFanRange | null,
  id: string,
): TestReading {
  const shown = flowColumn === null ? null : numberWithin(line, flowColumn, 0, 1e6);
  const fanPressurePa = numberWithin(line, 'fan_pressure_pa', 0, 10_000);
  if (shown === null && fanPressurePa === null) {
    throw new Refused(
      line.number,
      flowColumn ?? 'fan_pressure_pa',
      'The reading has neither a flow nor a fan pressure.',
    );
  }
  if (shown !== null && fanPressurePa !== null) {
    throw new Refused(
      line.number,
      'fan_pressure_pa',
      'The reading has both a flow and a fan pressure; give one.',
    );
  }
  if (fanPressurePa !== null && range === null) {
    throw new Refused(line.number, 'fan_range', 'A fan pressure needs the range of the fan that was used.');
  }
  const struckOut = line.cell('struck_out');
  return {
    id,
    pressurePa: pressureOf(line),
    flowM3h: shown === null || flowColumn === null ? null : shown * (FLOW_COLUMNS[flowColumn] ?? 1),
    fanPressurePa,
    fanRange: fanPressurePa === null ? null : (range?.name ?? null),
    struckOut: struckOut === '' ? null : struckOut.slice(0, 200),
  };
}

interface Gathered {
  readonly before: BaselineReading[];
  readonly after: BaselineReading[];
  readonly readings: TestReading[];
}

function limit(line: Line, gathered: Gathered): void {
  const { before, after, readings } = gathered;
  if (readings.length > READINGS_MAX)
    throw new Refused(line.number, null, `A run holds ${READINGS_MAX} readings.`);
  if (Math.max(before.length, after.length) > BASELINE_MAX) {
    throw new Refused(line.number, null, `A baseline holds ${BASELINE_MAX} readings.`);
  }
}

function linesOf(
  text: string,
  said: DecimalMark | undefined,
): { readonly header: readonly string[]; readonly lines: readonly Line[] } {
  // A dot or comma may be the decimal mark, so that only the header can tell what parts the columns.
  const [firstLine = ''] = text.split(/\r?\n/, 1);
  const delimiter = [';', '\t', ','].find((mark) => firstLine.includes(mark)) ?? ',';
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { delimiter });
  const [broken] = errors.filter(({ type }) => type === 'Quotes');
  if (broken !== undefined) throw new Refused((broken.row ?? 0) + 1, null, 'A quotation mark is not closed.');
  const header = headerOf(data[0] ?? []);
  const figures = data.slice(1).flatMap((cells) => cells.filter((_, at) => isFigureColumn(header[at])));
  const decimalMark = said ?? decimalMarkOf(figures);
  const lines = data.slice(1).flatMap((cells, i): Line[] => {
    const number = i + 2;
    if (cells.every((cell) => cell.trim() === '')) return [];
    if (cells.length > header.length) {
      throw new Refused(number, null, `The line has ${cells.length} columns, the header ${header.length}.`);
    }
    return [{ number, decimalMark, cell: (column) => (cells[header.indexOf(column)] ?? '').trim() }];
  });
  return { header, lines };
}

function gather(text: string, defaults: Defaults): ImportedReadings {
  const { header, lines } = linesOf(text, defaults.decimalMark);
  const flowColumn = header.find((name) => Object.hasOwn(FLOW_COLUMNS, name)) ?? null;
  if (lines.length === 0) throw new Refused(2, null, 'The file has a header and no readings.');
  const runs = new Map<Direction, Gathered>();
  const ranges = new Map(defaults.fanRanges.map((range) => [range.name, range]));
  for (const line of lines) {
    const direction = directionOf(line, defaults.direction);
    const gathered = runs.get(direction) ?? { before: [], after: [], readings: [] };
    runs.set(direction, gathered);
    const range = rangeOf(line, [...ranges.values()]);
    if (range !== null) ranges.set(range.name, range);
    const kind = rowKindOf(line);
    if (kind === 'reading') gathered.readings.push(readingOf(line, flowColumn, range, defaults.newId()));
    else {
      const baseline = { id: defaults.newId(), pressurePa: pressureOf(line) };
      (kind === 'baseline before' ? gathered.before : gathered.after).push(baseline);
    }
    limit(line, gathered);
  }
  return {
    runs: Object.fromEntries(
      [...runs].map(([direction, { before, after, readings }]): [Direction, TestRun] => [
        direction,
        { baselineBeforePa: before, baselineAfterPa: after, readings },
      ]),
    ),
    fanRanges: [...ranges.values()],
    count: lines.length,
  };
}

/**
 * Reads a file of readings: columns and units as in docs/formats.md. All of it or nothing: the first line that
 * does not fit is named with the reason. Where nothing in the file tells whether `1,200` is 1.2 or 1200, that is asked.
 */
export function readReadingsCsv(text: string, defaults: Defaults): CsvResult {
  try {
    if (text.length > CSV_BYTES_MAX) {
      throw new Refused(
        1,
        null,
        `The file is over ${CSV_BYTES_MAX / 1000} kB; the readings of a test need far less.`,
      );
    }
    return { ok: true, imported: gather(text, defaults) };
  } catch (error) {
    if (error instanceof Unclear) return { ok: false, question: error.question };
    if (!(error instanceof Refused)) throw error;
    return { ok: false, refusal: { line: error.line, column: error.column, message: error.message } };
  }
}

/** What a test holds after readings were brought in: runs of the file replace those of the same direction. */
export function withImported(
  imported: ImportedReadings,
  test: AirtightnessTestBody,
): Partial<AirtightnessTestBody> {
  const kept = (run: TestRun, before: TestRun | null): TestRun => ({
    ...run,
    baselineBeforePa:
      run.baselineBeforePa.length > 0 ? run.baselineBeforePa : (before?.baselineBeforePa ?? []),
    baselineAfterPa: run.baselineAfterPa.length > 0 ? run.baselineAfterPa : (before?.baselineAfterPa ?? []),
  });
  const { depressurise, pressurise } = imported.runs;
  return {
    fanRanges: imported.fanRanges,
    ...(depressurise === undefined ? {} : { depressurise: kept(depressurise, test.depressurise) }),
    ...(pressurise === undefined ? {} : { pressurise: kept(pressurise, test.pressurise) }),
  };
}
