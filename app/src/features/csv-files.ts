/** What reads and writes tables in files, as one piece: it is fetched when a file is first meant. */
export { COLUMN_MEANINGS, FLOW_UNITS, type FlowUnit } from '@calvet/contract/airtightness/csv-columns';
export { CSV_BYTES_MAX, surveyCsv, type CsvSurvey } from '@calvet/contract/airtightness/csv-survey';
export {
  hasRoom,
  readReadingsCsv,
  withImported,
  type CsvQuestion,
} from '@calvet/contract/airtightness/readings-csv';
export { writeReadingsCsv, writeTemplateCsv } from '@calvet/contract/airtightness/write-readings-csv';
export { writeAreasCsv } from '@calvet/contract/installation/write-areas-csv';
export { writeMendsCsv } from '@calvet/contract/mends/write-mends-csv';
