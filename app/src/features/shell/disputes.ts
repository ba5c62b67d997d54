import { changedBody } from '@calvet/contract/changes/ledger';
import { valueAt } from '@calvet/contract/changes/parts';
import type { KindedRecord } from '@calvet/contract/kinds';
import type { UnitSystem } from '@calvet/core/units/quantity';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import type { Troubled } from '../../data/outbox-rules';
import { labelOf } from './field-words';
import { valueWords } from './value-words';

/** One thing that two devices gave different values. */
export interface Dispute {
  readonly key: string;
  readonly label: string;
  readonly mine: string;
  readonly theirs: string;
  readonly by: string;
  /** When they entered it, on this device's clock. */
  readonly at: string;
}

/** A time as it is written beside a name. */
export function timeWords(isoTime: string): string {
  const time = parseISO(isoTime);
  return Number.isNaN(time.getTime()) ? 'just now' : format(time, 'd MMM, HH:mm');
}

/** What others did to a record that this device deletes: its fields, with who and when of the last. */
export function editsIn({ change: { kind }, trouble }: Troubled): {
  readonly fields: string;
  readonly by: string;
  readonly at: string;
} | null {
  if (trouble.kind !== 'conflict') return null;
  const last = [...trouble.fields].sort((a, b) => a.at.localeCompare(b.at)).at(-1);
  if (last === undefined) return null;
  const labels = new Set(trouble.fields.map(({ field }) => labelOf(kind, field).toLowerCase()));
  return { fields: [...labels].join(', '), by: last.by, at: timeWords(last.at) };
}

/**
 * What mine and theirs are, one by one; none where the record as a whole is in dispute.
 * @param current the newest state of the record that is known here
 */
export function disputesIn(
  { change, trouble }: Troubled,
  units: UnitSystem,
  current?: KindedRecord,
): readonly Dispute[] {
  if (trouble.kind !== 'conflict' || change.op !== 'update') return [];
  const newest =
    current !== undefined && current.record.revision > trouble.current.record.revision
      ? current
      : trouble.current;
  const theirs = newest.record as unknown as Readonly<Record<string, unknown>>;
  const mine = changedBody(change.kind, theirs, change);
  return trouble.fields.map(({ field, by, at }) => {
    const words = (body: typeof mine) =>
      valueWords(change.kind, field, valueAt(change.kind, body, field), units);
    return {
      key: field,
      label: labelOf(change.kind, field),
      mine: words(mine),
      theirs: words(theirs),
      by,
      at: timeWords(at),
    };
  });
}
