import type { BarrierHere } from '@calvet/contract/continuity/barrier-here';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import { memo } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { RoundCard } from './round-card';
import { AtThisPlace } from './this-place';
import type { Walking } from './use-walking';

/** A place as the page round what is looked at shows it: once the next thing to look at is shown. */
export interface SettledPlace {
  readonly view: HouseView;
  readonly walking: Walking;
  /** Called with the key of a junction. */
  readonly onJunction: (key: string) => void;
}

interface AroundPlaceProps {
  readonly walk: Walk;
  readonly settled: SettledPlace;
  readonly barrier: BarrierHere;
}

/** What else is asked and joined at a place, and the round. */
export const AroundPlace = memo(function AroundPlace({ walk, settled, barrier }: AroundPlaceProps) {
  const { view, walking, onJunction } = settled;
  return (
    <>
      <AtThisPlace walking={walking} barrier={barrier} onJunction={onJunction} />
      <RoundCard view={view} walk={walk} walking={walking} />
    </>
  );
});
