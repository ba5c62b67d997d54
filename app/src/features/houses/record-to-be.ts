import type { Bodies, Kind } from '@calvet/contract/kinds';
import type { RecordBase, Stored } from '@calvet/contract/record';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect } from 'react';
import { useRecordToBe } from '../../data/hooks';

/**
 * The record that an address leads to: the one that is made, or, where the address says that it is new, one that stands on
 * the screen alone until something is entered in it. Undefined where there is neither.
 */
export function useMadeOrToBe<Body extends Bodies[Kind]>(
  made: Stored<Body> | undefined,
  place: Pick<RecordBase, 'id' | 'ledgerId'>,
  begin: () => Body,
): Stored<Body> | undefined {
  const router = useRouter();
  const { isNew } = useLocalSearchParams<{ isNew?: string }>();
  const toBe = useRecordToBe(place, begin);
  const isMade = made !== undefined;
  useEffect(() => {
    // Once it was made, an address that finds nothing means that it was deleted.
    if (isMade && isNew !== undefined) router.setParams({ isNew: undefined });
  }, [isMade, isNew, router]);
  return made ?? (isNew === undefined ? undefined : toBe);
}
