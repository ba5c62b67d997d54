import { notStored } from '@calvet/contract/record';
import { areasAt } from '@calvet/contract/walk/areas-at';
import type { StopHere, Walk } from '@calvet/contract/walk/generate-walk';
import { newMend, type Mend, type MendBody } from '@calvet/contract/walk/mend';
import { useState } from 'react';
import { v7 } from 'uuid';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { useNote } from '../../ui/undo';
import { useToday } from '../../ui/use-today';
import { stopName } from './place-bar';

/** Leaks of one place that were found without a checkpoint, and the one that is open. */
export interface Leaks {
  readonly here: readonly Mend[];
  /** The one that is looked at; null: none. */
  readonly open: Mend | null;
  readonly isNew: boolean;
  readonly begin: () => void;
  readonly choose: (id: string) => void;
  readonly close: () => void;
  readonly remove: () => void;
}

/** The leaks of a house at one place of its walk. */
export function useLeaks(view: HouseView, walk: Walk, stop: StopHere): Leaks {
  const { deleteRecord, restoreRecord } = useStore();
  const note = useNote();
  const today = useToday();
  const [open, setOpen] = useState<Mend | null>(null);
  const houseId = view.house.id;
  const kept = view.mends.find(({ id }) => id === open?.id);
  return {
    here: view.mends.filter(
      (mend) => mend.stop === stop.key && mend.verdict === null && mend.penetration === null,
    ),
    open: kept ?? open,
    isNew: kept === undefined,
    begin: () => {
      const body: MendBody = {
        ...newMend(stopName(stop), today),
        item: areasAt(stop, walk)[0]?.key ?? null,
        stop: stop.key,
      };
      setOpen({ ...body, ...notStored(v7(), houseId) });
    },
    choose: (id) => setOpen(view.mends.find((mend) => mend.id === id) ?? null),
    close: () => setOpen(null),
    remove: () => {
      setOpen(null);
      if (kept === undefined) return;
      deleteRecord(houseId, 'mend', kept.id);
      note({ text: 'A leak was deleted.', undo: () => restoreRecord(houseId, 'mend', kept.id) });
    },
  };
}
