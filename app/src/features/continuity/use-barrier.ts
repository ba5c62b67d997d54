import { barrierHere, type BarrierHere } from '@calvet/contract/continuity/barrier-here';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import type { Look } from '@calvet/contract/walk/looks';
import { useMemo } from 'react';
import type { HouseView } from '../../data/as-drawn';

/** The air barrier of a house as far as somebody looked: anew with every verdict. */
export function useBarrier(
  { penetrations, mends }: HouseView,
  walk: Walk,
  looks: ReadonlyMap<string, Look>,
): BarrierHere {
  return useMemo(() => barrierHere(walk, { looks, penetrations, mends }), [walk, looks, penetrations, mends]);
}
