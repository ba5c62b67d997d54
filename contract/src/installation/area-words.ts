import type { EnvelopeKind } from '@calvet/core/envelope-kind';

/** What part of the envelope an area is, in words; `opening` is a window or door. */
export const AREA_WORDS = {
  wall: 'Wall',
  atticWall: 'Wall towards the attic',
  foundationWall: 'Foundation wall',
  rim: 'Rim',
  ceiling: 'Ceiling',
  roof: 'Roof',
  floor: 'Floor',
  slab: 'Slab on the ground',
  opening: 'Window or door',
} as const satisfies Readonly<Record<EnvelopeKind, string>>;
