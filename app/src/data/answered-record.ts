import type { ChangeOutcome } from '@calvet/contract/changes/change';
import type { KindedRecord } from '@calvet/contract/kinds';
import { withPending } from './ledger-copy';
import type { Pending } from './outbox-rules';

/** A record as an answer of the server leaves it. */
export interface AnsweredRecord {
  readonly ledgerId: string;
  readonly item: KindedRecord;
}

/** The record with a change laid over it that the server took as the next one; null where others came between. */
function changed(
  { ledgerId, change }: Pending,
  held: KindedRecord | undefined,
  revision: number,
): KindedRecord | null {
  if ((held?.record.revision ?? 0) !== revision - 1) return null;
  const known = new Map(held === undefined ? [] : [[change.id, held]]);
  const item = withPending({ upTo: 0, records: known }, ledgerId, [change]).records.get(change.id);
  return item === undefined ? null : ({ ...item, record: { ...item.record, revision } } as KindedRecord);
}

/**
 * What a change and its answer tell of its record: as the server sent it along, or with the change laid over what is held
 * where that is the state before it. Nothing where what is held is newer, or others came between: that is fetched.
 */
export function answeredRecord(
  pending: Pending,
  outcome: ChangeOutcome | undefined,
  held: KindedRecord | undefined,
): AnsweredRecord | null {
  const { ledgerId } = pending;
  switch (outcome?.outcome) {
    case undefined:
    case 'refused':
      return null;
    case 'conflict':
      return { ledgerId, item: outcome.current };
    case 'applied':
    case 'already-applied': {
      const item = outcome.current ?? changed(pending, held, outcome.revision);
      return item === null ? null : { ledgerId, item };
    }
  }
}
