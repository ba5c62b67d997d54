import { changedWalk, lookedAtIn, type LookedAt, type WalkChange } from '@calvet/contract/walk/changed-walk';
import type { Plan } from '@calvet/contract/plan/plan';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import { useState } from 'react';

/** What was to be looked at in each house when this page was opened first, or when what had changed was taken note of. */
const before = new Map<string, readonly LookedAt[]>();

/** What came and went in a house since; null while nothing did. */
export function useWalkChange(
  houseId: string,
  walk: Walk,
  { checkpointsAdded }: Pick<Plan, 'checkpointsAdded'>,
): { readonly change: WalkChange | null; readonly takeNote: () => void } {
  const [, setNoted] = useState(0);
  const now = lookedAtIn(walk, checkpointsAdded);
  const had = before.get(houseId);
  if (had === undefined) before.set(houseId, now);
  const change = changedWalk(had ?? now, now);
  return {
    change: change.came.length + change.went.length === 0 ? null : change,
    takeNote: () => {
      before.set(houseId, now);
      setNoted((count) => count + 1);
    },
  };
}
