import { barrierHere, type BarrierHere } from '@calvet/contract/continuity/barrier-here';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import type { Look } from '@calvet/contract/walk/looks';
import { Reopening } from '@calvet/contract/walk/reopened';
import { rulesHere } from '@calvet/contract/walk/rules-here';
import { useMemo } from 'react';
import type { HouseView } from '../../data/as-drawn';

/** The air barrier of a house as far as somebody looked: anew with every verdict. */
export function useBarrier(
  { house, works, penetrations, mends, plans }: HouseView,
  walk: Walk,
  looks: ReadonlyMap<string, Look>,
): BarrierHere {
  const holesAgain = useMemo(() => {
    const reopening = new Reopening(works, walk, house.id);
    return new Set(penetrations.filter((hole) => reopening.afterHole(hole) !== null).map(({ id }) => id));
  }, [works, walk, house.id, penetrations]);
  const rules = rulesHere(plans[0]);
  return useMemo(
    () => barrierHere(walk, { looks, penetrations, mends, holesAgain, rules }),
    [walk, looks, penetrations, mends, holesAgain, rules],
  );
}
