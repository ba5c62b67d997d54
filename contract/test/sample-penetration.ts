import { notStored } from '../src/record';
import type { Penetration, PenetrationSeal, Plane } from '../src/walk/penetration';

/** A cable through a wall, of which nothing is said yet. */
export const samplePenetration = (more: Partial<Penetration> = {}): Penetration => ({
  ...notStored('hole', 'h'),
  what: 'cable',
  through: 'board',
  item: 'wall/w1',
  stop: 'wall/w1',
  placeName: 'Front wall',
  planned: null,
  count: 1,
  gapMm: null,
  perimeterMm: null,
  seals: [],
  flags: [],
  made: 'made',
  seenOn: '2027-03-08',
  decided: null,
  leakM3H: null,
  note: null,
  ...more,
});

/** What closes a hole in one layer. */
export const sealed = (
  seal: PenetrationSeal['seal'],
  plane: Plane = 'barrier',
  phase: PenetrationSeal['phase'] = 'beforeFill',
): PenetrationSeal => ({ id: `${plane} ${seal}`, plane, phase, seal });
