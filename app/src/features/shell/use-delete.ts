import type { Kind } from '@calvet/contract/kinds';
import type { RecordBase } from '@calvet/contract/record';
import { useStore } from '../../data/store-context';
import { useNote } from '../../ui/undo';

/** Deletes a record, says so in the given words, and offers the way back. */
export function useDelete(): (kind: Kind, record: RecordBase, text: string) => void {
  const { deleteRecord, restoreRecord } = useStore();
  const note = useNote();
  return (kind, { ledgerId, id }, text) => {
    deleteRecord(ledgerId, kind, id);
    note({ text, undo: () => restoreRecord(ledgerId, kind, id) });
  };
}
