import { parseDecimal } from '@calvet/core/units/decimal';
import type { Direction } from '@calvet/core/airtightness/conditions';
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
import {
  COLUMN_MEANINGS,
  FLOW_UNITS,
  PRESSURE_UNITS,
  type ColumnMeaning,
  type FlowUnit,
} from './csv-columns';
import { Refused, refusalIn, type CsvRefusal, type CsvSurvey } from './csv-survey';
import { DIRECTIONS } from './test-figures';

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

const WORDS: ReadonlySet<ColumnMeaning | null> = new Set(['direction', 'row', 'fanRange', 'struckOut', null]);
const RANGE_FIGURES = ['fanCoefficient', 'fanExponent', 'fanMin', 'fanMax'] as const;
/** A line without any of these holds nothing yet, as in a template that was not filled to its end. */
const FILLED_BY = ['housePressure', 'flow', 'fanPressure', 'struckOut'] as const;
const ROWS = ['reading', 'baseline before', 'baseline after'] as const;
export type RowKind = (typeof ROWS)[number];

interface Line {
  readonly number: number;
  readonly cell: (meaning: ColumnMeaning) => string;
  /** What a column is called in the file; what it would hold where the file has none. */
  readonly nameOf: (meaning: ColumnMeaning) => string;
  /** What a figure of a column is multiplied by to be in SI. */
  readonly factorOf: (meaning: ColumnMeaning) => number;
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
  /** What somebody said of a column of flows that names no unit. */
  readonly flowUnit?: FlowUnit;
}

function numberIn(line: Line, meaning: ColumnMeaning): number | null {
  const text = line.cell(meaning);
  if (text === '') return null;
  const column = line.nameOf(meaning);
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

function numberWithin(line: Line, meaning: ColumnMeaning, above: number, most: number): number | null {
  const value = numberIn(line, meaning);
  if (value === null || (value > above && value <= most)) return value;
  const column = line.nameOf(meaning);
  throw new Refused(line.number, column, `${value} must be above ${above} and no more than ${most}.`);
}

function directionOf(line: Line, fallback: Direction): Direction {
  const text = line.cell('direction').toLowerCase();
  if (text === '') return fallback;
  const direction = DIRECTIONS.find((known) => known === text);
  if (direction === undefined) {
    const column = line.nameOf('direction');
    throw new Refused(line.number, column, `“${text}” is neither depressurise nor pressurise.`);
  }
  return direction;
}

function rowKindOf(line: Line): RowKind {
  const text = line.cell('row').toLowerCase();
  if (text === '') return 'reading';
  const kind = ROWS.find((known) => known === text);
  if (kind !== undefined) return kind;
  throw new Refused(line.number, line.nameOf('row'), `“${text}” is none of: ${ROWS.join(', ')}.`);
}

function pressureOf(line: Line): number {
  const shown = numberIn(line, 'housePressure');
  const column = line.nameOf('housePressure');
  if (shown === null) throw new Refused(line.number, column, 'The building pressure is missing.');
  const pressure = shown * line.factorOf('housePressure');
  if (Math.abs(pressure) > PRESSURE_MAX_PA) {
    throw new Refused(line.number, column, `${pressure} Pa is beyond ${PRESSURE_MAX_PA} Pa.`);
  }
  return pressure;
}

function rangeOf(line: Line, known: readonly NamedFanRange[]): NamedFanRange | null {
  const name = line.cell('fanRange');
  if (name === '') return null;
  const column = line.nameOf('fanRange');
  if (name.length > 60)
    throw new Refused(line.number, column, 'The name of the range is over 60 characters.');
  const [coefficient, exponent, minPa, maxPa] = [
    numberWithin(line, 'fanCoefficient', 0, 1e6),
    numberWithin(line, 'fanExponent', 0, 2),
    numberWithin(line, 'fanMin', -1e-9, 10_000),
    numberWithin(line, 'fanMax', 0, 10_000),
  ];
  if (coefficient === null && exponent === null && minPa === null && maxPa === null) {
    const before = known.find((range) => range.name === name);
    if (before !== undefined) return before;
    throw new Refused(
      line.number,
      column,
      `The test knows no range “${name}”, and the line does not describe it.`,
    );
  }
  if (coefficient === null || exponent === null || minPa === null || maxPa === null || maxPa <= minPa) {
    const needed = RANGE_FIGURES.map((meaning) => COLUMN_MEANINGS[meaning]).join(', ');
    throw new Refused(line.number, column, `A range needs ${needed}, the highest above the lowest.`);
  }
  return { name, coefficient, exponent, minPa: Math.max(0, minPa), maxPa };
}

function readingOf(line: Line, range: NamedFanRange | null, id: string): TestReading {
  const flow = numberWithin(line, 'flow', 0, 1e6);
  const shown = numberWithin(line, 'fanPressure', 0, 10_000);
  const fanPressurePa = shown === null ? null : shown * line.factorOf('fanPressure');
  if (flow === null && fanPressurePa === null) {
    throw new Refused(line.number, line.nameOf('flow'), 'The reading has neither a flow nor a fan pressure.');
  }
  if (flow !== null && fanPressurePa !== null) {
    const column = line.nameOf('fanPressure');
    throw new Refused(line.number, column, 'The reading has both a flow and a fan pressure; give one.');
  }
  if (fanPressurePa !== null && range === null) {
    const column = line.nameOf('fanRange');
    throw new Refused(line.number, column, 'A fan pressure needs the range of the fan that was used.');
  }
  const struckOut = line.cell('struckOut');
  return {
    id,
    pressurePa: pressureOf(line),
    flowM3h: flow === null ? null : flow * line.factorOf('flow'),
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

const isBlank = (cell: string | undefined): boolean => (cell ?? '').trim() === '';

function linesOf({ columns, rows }: CsvSurvey, { decimalMark: said, flowUnit }: Defaults): readonly Line[] {
  const at = (meaning: ColumnMeaning): number => columns.findIndex((column) => column.meaning === meaning);
  const figures = rows.flatMap(({ cells }) =>
    cells.filter((_, i) => !WORDS.has(columns[i]?.meaning ?? null)),
  );
  const decimalMark = said ?? decimalMarkOf(figures);
  const nameOf = (meaning: ColumnMeaning): string => columns[at(meaning)]?.name ?? COLUMN_MEANINGS[meaning];
  const factors: Readonly<Record<string, number>> = { ...PRESSURE_UNITS, ...FLOW_UNITS };
  const factorOf = (meaning: ColumnMeaning): number => {
    const unit = columns[at(meaning)]?.unit ?? (meaning === 'flow' ? flowUnit : undefined);
    return factors[unit ?? ''] ?? 1;
  };
  return rows.flatMap(({ number, cells }): Line[] => {
    if (FILLED_BY.every((meaning) => isBlank(cells[at(meaning)]))) return [];
    if (cells.slice(columns.length).some((cell) => !isBlank(cell))) {
      const counts = `The line has ${cells.length} columns, the line of their names ${columns.length}.`;
      throw new Refused(number, null, counts);
    }
    return [{ number, decimalMark, nameOf, factorOf, cell: (meaning) => (cells[at(meaning)] ?? '').trim() }];
  });
}

function gather(survey: CsvSurvey, defaults: Defaults): ImportedReadings {
  const lines = linesOf(survey, defaults);
  if (lines.length === 0) {
    throw new Refused(survey.headerLine + 1, null, 'Below the names of the columns there are no readings.');
  }
  const runs = new Map<Direction, Gathered>();
  const ranges = new Map(defaults.fanRanges.map((range) => [range.name, range]));
  for (const line of lines) {
    const direction = directionOf(line, defaults.direction);
    const gathered = runs.get(direction) ?? { before: [], after: [], readings: [] };
    runs.set(direction, gathered);
    const range = rangeOf(line, [...ranges.values()]);
    if (range !== null) ranges.set(range.name, range);
    const kind = rowKindOf(line);
    if (kind === 'reading') gathered.readings.push(readingOf(line, range, defaults.newId()));
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
 * Reads the lines of a file, its columns being what the survey says. All of it or nothing: the first line that does not
 * fit is named with the reason. Where nothing in the file tells whether `1,200` is 1.2 or 1200, that is asked.
 */
export function readReadingsCsv(survey: CsvSurvey, defaults: Defaults): CsvResult {
  try {
    return { ok: true, imported: gather(survey, defaults) };
  } catch (error) {
    if (error instanceof Unclear) return { ok: false, question: error.question };
    return { ok: false, refusal: refusalIn(error) };
  }
}

const NO_RUN: TestRun = { baselineBeforePa: [], baselineAfterPa: [], readings: [] };

/**
 * What a test holds after readings were brought in. Runs of the file take the place of those of the same direction, whose
 * baseline stays where the file has none; or they are added to them.
 */
export function withImported(
  imported: ImportedReadings,
  test: AirtightnessTestBody,
  how: 'replace' | 'add' = 'replace',
): Partial<AirtightnessTestBody> {
  const replaced = (run: TestRun, before: TestRun): TestRun => ({
    ...run,
    baselineBeforePa: run.baselineBeforePa.length > 0 ? run.baselineBeforePa : before.baselineBeforePa,
    baselineAfterPa: run.baselineAfterPa.length > 0 ? run.baselineAfterPa : before.baselineAfterPa,
  });
  const added = (run: TestRun, before: TestRun): TestRun => ({
    baselineBeforePa: [...before.baselineBeforePa, ...run.baselineBeforePa],
    baselineAfterPa: [...before.baselineAfterPa, ...run.baselineAfterPa],
    readings: [...before.readings, ...run.readings],
  });
  const joined = how === 'add' ? added : replaced;
  const { depressurise, pressurise } = imported.runs;
  return {
    fanRanges: imported.fanRanges,
    ...(depressurise === undefined
      ? {}
      : { depressurise: joined(depressurise, test.depressurise ?? NO_RUN) }),
    ...(pressurise === undefined ? {} : { pressurise: joined(pressurise, test.pressurise ?? NO_RUN) }),
  };
}

/** True where a run holds no more than a record may. */
export function hasRoom({ baselineBeforePa, baselineAfterPa, readings }: TestRun): boolean {
  const longest = Math.max(baselineBeforePa.length, baselineAfterPa.length);
  return readings.length <= READINGS_MAX && longest <= BASELINE_MAX;
}
