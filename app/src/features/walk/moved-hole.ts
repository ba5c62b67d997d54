import { areasAt } from '@calvet/contract/walk/areas-at';
import type { StopHere, Walk } from '@calvet/contract/walk/generate-walk';
import type { Penetration, PenetrationBody } from '@calvet/contract/walk/penetration';
import { stopName } from './place-bar';

/** What changes of a hole that is told to be at another stop: it goes through what is nearest there. */
export const movedTo = (
  stop: StopHere,
  walk: Walk,
  hole: Penetration,
): Pick<PenetrationBody, 'stop' | 'placeName' | 'item'> => ({
  stop: stop.key,
  placeName: stopName(stop),
  item: areasAt(stop, walk)[0]?.key ?? hole.item,
});
