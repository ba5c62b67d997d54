import type { Bodies, Kind } from '@calvet/contract/kinds';
import type { Stored } from '@calvet/contract/record';
import { useCallback, useLayoutEffect, useRef } from 'react';
import { useStore } from './store-context';
import type { EntryStage } from './typing';

/** Some fields of a record, or what they become of what is shown by then. */
type Change<K extends Kind> = Partial<Bodies[K]> | ((shown: Stored<Bodies[K]>) => Partial<Bodies[K]>);

/** Takes fields of a record: to be kept, or, while they are typed, only to be shown. */
export type Keep<K extends Kind> = (body: Change<K>, stage?: EntryStage) => void;

/**
 * The way to change fields of a record that a screen shows. What is kept is what differs from what is shown by then, so that
 * an undo, or a late answer, takes nothing back that was done meanwhile. A record that is nowhere yet is made with it.
 */
export function useKeep<K extends Kind>(kind: K, record: Stored<Bodies[K]>): Keep<K> {
  const { updateRecord, typeInto } = useStore();
  const shown = useRef(record);
  useLayoutEffect(() => {
    shown.current = record;
  });
  return useCallback(
    (body, stage = 'entered') => {
      const next = typeof body === 'function' ? body(shown.current) : body;
      if (stage === 'typed') typeInto(kind, shown.current, next);
      else updateRecord(kind, shown.current, next);
    },
    [kind, typeInto, updateRecord],
  );
}
