import Papa from 'papaparse';
import {
  COLUMN_MEANINGS,
  columnNamed,
  FLOW_UNITS,
  PRESSURE_UNITS,
  type ColumnMeaning,
  type CsvColumn,
} from './csv-columns';

/** A test's readings never need more; a larger file is something else. */
export const CSV_BYTES_MAX = 200_000;

/** Where a file is not what it should be. Lines count from 1. */
export interface CsvRefusal {
  readonly line: number;
  readonly column: string | null;
  readonly message: string;
}

/** A file as it was found: its columns by what they are taken for, and the lines below their names. */
export interface CsvSurvey {
  /** Line that names the columns; those before it are not read. */
  readonly headerLine: number;
  readonly columns: readonly CsvColumn[];
  readonly rows: readonly { readonly number: number; readonly cells: readonly string[] }[];
}

export type SurveyResult =
  { readonly ok: true; readonly survey: CsvSurvey } | { readonly ok: false; readonly refusal: CsvRefusal };

/** The names of columns are looked for so far down. */
const HEADER_WITHIN = 50;

/** A file is not what it should be. */
export class Refused extends Error {
  constructor(
    readonly line: number,
    readonly column: string | null,
    message: string,
  ) {
    super(message);
  }
}

const has = (columns: readonly CsvColumn[], wanted: ColumnMeaning): boolean =>
  columns.some(({ meaning }) => meaning === wanted);

const namesReadings = (columns: readonly CsvColumn[]): boolean =>
  has(columns, 'housePressure') && (has(columns, 'flow') || has(columns, 'fanPressure'));

/** @throws {Refused} where two columns are the same thing, or one is in a unit that is not read. */
function checkColumns(columns: readonly CsvColumn[], headerLine: number): void {
  for (const [i, { name, meaning, strangeUnit }] of columns.entries()) {
    if (meaning === null) continue;
    const other = columns.slice(0, i).find((before) => before.meaning === meaning);
    if (other !== undefined) {
      const what = COLUMN_MEANINGS[meaning];
      throw new Refused(
        headerLine,
        name,
        `The ${what} stands in “${other.name}” already: take one of them out.`,
      );
    }
    if (strangeUnit !== null) {
      const units = Object.keys(meaning === 'flow' ? FLOW_UNITS : PRESSURE_UNITS).join(', ');
      throw new Refused(
        headerLine,
        name,
        `“${strangeUnit}” is no unit that is read here; these are: ${units}.`,
      );
    }
  }
}

interface Table {
  readonly rows: readonly (readonly string[])[];
  readonly openQuote: number | null;
}

function tableOf(text: string, delimiter: string): Table {
  const { data, errors } = Papa.parse<string[]>(text, { delimiter });
  const broken = errors.find(({ type }) => type === 'Quotes');
  return { rows: data, openQuote: broken === undefined ? null : (broken.row ?? 0) + 1 };
}

function surveyed(text: string): CsvSurvey {
  // A dot or comma may be the decimal mark: what parts the columns is what lets their names be found.
  let nearest: { readonly line: number; readonly columns: readonly CsvColumn[] } | null = null;
  for (const mark of [';', '\t', ',']) {
    const { rows, openQuote } = tableOf(text.replace(/^\uFEFF/, ''), mark);
    for (const [i, cells] of rows.slice(0, HEADER_WITHIN).entries()) {
      const columns = cells.map((cell) => columnNamed(cell.trim()));
      if (nearest === null && has(columns, 'housePressure')) nearest = { line: i + 1, columns };
      if (!namesReadings(columns)) continue;
      if (openQuote !== null) throw new Refused(openQuote, null, 'A quotation mark is not closed.');
      checkColumns(columns, i + 1);
      const below = rows.slice(i + 1).map((row, at) => ({ number: i + 2 + at, cells: row }));
      return { headerLine: i + 1, columns, rows: below };
    }
  }
  if (nearest !== null) {
    throw new Refused(nearest.line, 'flow', 'No column is named for the flow or for the fan pressure.');
  }
  throw new Refused(
    1,
    null,
    'No line names a column for the building pressure, and one for the flow or the fan pressure. The template shows how.',
  );
}

/**
 * Looks at a file of readings: which of its lines names the columns, in words or as in docs/formats.md, and what each is
 * taken for. Nothing is read of the lines yet.
 */
export function surveyCsv(text: string): SurveyResult {
  try {
    if (text.length > CSV_BYTES_MAX) {
      const most = `${CSV_BYTES_MAX / 1000} kB`;
      throw new Refused(1, null, `The file is over ${most}; the readings of a test need far less.`);
    }
    return { ok: true, survey: surveyed(text) };
  } catch (error) {
    return { ok: false, refusal: refusalIn(error) };
  }
}

/** What is wrong, where it is the file; throws on what is not. */
export function refusalIn(error: unknown): CsvRefusal {
  if (!(error instanceof Refused)) throw error;
  return { line: error.line, column: error.column, message: error.message };
}
