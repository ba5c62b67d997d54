import type { Phase } from '@calvet/contract/plan/own-checkpoint';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import type { Penetration } from '@calvet/contract/walk/penetration';
import { partOf } from '@calvet/contract/walk/round';
import { useState } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { useHoles, type Holes } from './use-holes';
import { useLeaks, type Leaks } from './use-leaks';
import type { Walking } from './use-walking';

/** What of a place is open to be recorded: one thing at a time. */
type Opened =
  | { readonly kind: 'newHole' }
  | { readonly kind: 'hole'; readonly id: string }
  | { readonly kind: 'move'; readonly id: string }
  | { readonly kind: 'junction'; readonly key: string };

/** Holes, leaks and junctions of one place, and which of them is open. */
export interface PlaceRecords {
  readonly phase: Phase;
  readonly holes: Holes;
  readonly leaks: Leaks;
  readonly opened: Opened | null;
  /** The hole that is open, or moved; null: none. */
  readonly hole: Penetration | null;
  readonly beginHole: () => void;
  readonly openHole: (id: string) => void;
  readonly moveHole: (id: string) => void;
  readonly openJunction: (key: string) => void;
  readonly close: () => void;
}

/** What is recorded at the place where somebody is. */
export function usePlaceRecords(view: HouseView, walk: Walk, { stop, round, tell }: Walking): PlaceRecords {
  const phase = round.phases.get(partOf(stop)) ?? 'beforeFill';
  const holes = useHoles(view, walk, { stop, phase, onDone: tell });
  const leaks = useLeaks(view, walk, stop);
  const [opened, setOpened] = useState<Opened | null>(null);
  const id = opened?.kind === 'hole' || opened?.kind === 'move' ? opened.id : null;
  return {
    phase,
    holes,
    leaks,
    opened,
    hole: view.penetrations.find((each) => each.id === id) ?? null,
    beginHole: () => setOpened({ kind: 'newHole' }),
    openHole: (of) => setOpened({ kind: 'hole', id: of }),
    moveHole: (of) => setOpened({ kind: 'move', id: of }),
    openJunction: (key) => setOpened({ kind: 'junction', key }),
    close: () => setOpened(null),
  };
}
