import type { PenetrationThrough } from '@calvet/core/penetrations/penetration-words';
import type { AirBarrier } from '../plan/schools';
import type { AreaHere, StopHere, Walk } from './generate-walk';

/**
 * Areas that somebody at a stop has before them, the nearest first: the wall one stands at, then what else is on its storey.
 * From outside and for the whole house: all of them.
 */
export function areasAt(
  { kind, wall, storeyId, checkpoints }: StopHere,
  { areas }: Pick<Walk, 'areas'>,
): readonly AreaHere[] {
  const closed = areas.filter((area) => area.kind !== 'opening');
  const faced = new Set(wall === null ? checkpoints.flatMap(({ path }) => path[2] ?? []) : [wall]);
  const rank = ({ at, kind: of }: AreaHere): number => {
    if (kind === 'stretch' && at.wall === wall) return 0;
    if (kind === 'roofSpace') return of === 'ceiling' || of === 'roof' ? 0 : 2;
    if (kind === 'below') return of === 'floor' ? 0 : 2;
    if (kind === 'middle') return at.wall === null ? 0 : 1;
    return faced.has(at.wall ?? '') ? 0 : 1;
  };
  return closed
    .filter(({ at }) => storeyId === null || at.storeyId === storeyId)
    .map((area, i) => ({ area, i }))
    .sort((a, b) => rank(a.area) - rank(b.area) || a.i - b.i)
    .map(({ area }) => area);
}

const THROUGH: Readonly<Record<AirBarrier, PenetrationThrough>> = {
  barrierOuterSheathing: 'board',
  barrierInnerMembrane: 'sheet',
  barrierInnerSheathing: 'board',
  barrierGasketedLining: 'lining',
  barrierMasonryCoat: 'masonry',
};

/** What a hole through an area most likely goes through: what makes it airtight. */
export const throughOf = (barrier: AirBarrier | null): PenetrationThrough =>
  barrier === null ? 'board' : THROUGH[barrier];
