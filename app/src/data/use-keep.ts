import type { Bodies, Kind, Stored } from '@calvet/contract';
import { useCallback, useLayoutEffect, useRef } from 'react';
import { useStore } from './store-context';

/** Some fields of a record, or what they become of what is shown by then. */
type Kept<K extends Kind> = Partial<Bodies[K]> | ((shown: Stored<Bodies[K]>) => Partial<Bodies[K]>);

/**
 * The way to change fields of a record that a screen shows. What is kept is what differs from what is shown by then, so that
 * an undo, or a late answer, takes nothing back that was done meanwhile.
 */
export function useKeep<K extends Kind>(kind: K, record: Stored<Bodies[K]>): (body: Kept<K>) => void {
  const { updateRecord } = useStore();
  const shown = useRef(record);
  useLayoutEffect(() => {
    shown.current = record;
  });
  return useCallback(
    (body) => updateRecord(kind, shown.current, typeof body === 'function' ? body(shown.current) : body),
    [kind, updateRecord],
  );
}
