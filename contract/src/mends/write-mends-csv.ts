import Papa from 'papaparse';
import { workName } from '../plan/work';
import { TRADE_WORDS } from '../plan/work-words';
import { MEND_WORDS } from '../walk/mend';
import type { MendHere } from './mend-list';

const HEADER = [
  'place',
  'what',
  'why',
  'how',
  'trade',
  'minutes',
  'before',
  'before_day',
  'visit',
  'leak_m3h_low',
  'leak_m3h_likely',
  'leak_m3h_high',
  'state',
  'reason',
];

const rounded = (value: number): number => Math.round(value * 10) / 10;

/** Mends as a file for a spreadsheet: as they stand, figures in SI with a dot as decimal mark, flows at 50 Pa. */
export function writeMendsCsv(mends: readonly MendHere[]): string {
  const rows = mends.map(
    ({ placeName, what, why, how, trade, minutes, cover, visit, leak, state, record }) => [
      placeName,
      what,
      why,
      how,
      TRADE_WORDS[trade],
      minutes,
      cover === null ? null : workName(cover.work),
      cover?.start ?? null,
      visit === null ? null : workName(visit),
      rounded(leak.low),
      rounded(leak.likely),
      rounded(leak.high),
      MEND_WORDS[state],
      record.reason,
    ],
  );
  // It is not read back: what begins like a formula is made text.
  return `${Papa.unparse({ fields: HEADER, data: rows }, { newline: '\n', escapeFormulae: true })}\n`;
}
