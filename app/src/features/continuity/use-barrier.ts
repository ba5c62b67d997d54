import { barrierHere, type BarrierHere } from '@calvet/contract/continuity/barrier-here';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import type { Look } from '@calvet/contract/walk/looks';
import { Reopening } from '@calvet/contract/walk/reopened';
import { rulesHere } from '@calvet/contract/walk/rules-here';
import { useMemo } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { asLastTime } from '../../data/last-time';

type Lists = Pick<HouseView, 'works' | 'penetrations' | 'mends' | 'plans'>;

/** Holes that have to be looked at again, by their ids. */
const holesAgainIn = asLastTime(
  (
    houseId: string,
    works: Lists['works'],
    walk: Walk,
    penetrations: Lists['penetrations'],
  ): ReadonlySet<string> => {
    const reopening = new Reopening(works, walk, houseId);
    return new Set(penetrations.filter((hole) => reopening.afterHole(hole) !== null).map(({ id }) => id));
  },
);

const barrierOf = asLastTime(
  (
    walk: Walk,
    looks: ReadonlyMap<string, Look>,
    penetrations: Lists['penetrations'],
    mends: Lists['mends'],
    holesAgain: ReadonlySet<string>,
    plan: Lists['plans'][number] | undefined,
  ) => barrierHere(walk, { looks, penetrations, mends, holesAgain, rules: rulesHere(plan) }),
);

/** The air barrier of a house as far as somebody looked: anew with every verdict. */
export function useBarrier(
  { house, works, penetrations, mends, plans }: HouseView,
  walk: Walk,
  looks: ReadonlyMap<string, Look>,
): BarrierHere {
  const [plan] = plans;
  return useMemo(
    () =>
      barrierOf(walk, looks, penetrations, mends, holesAgainIn(house.id, works, walk, penetrations), plan),
    [walk, looks, penetrations, mends, house.id, works, plan],
  );
}
