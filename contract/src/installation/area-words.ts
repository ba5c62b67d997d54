import type { EnvelopeKind } from '@calvet/core/envelope-kind';

/** What part of the envelope an area is, in words; `opening` is a window or door. */
export const AREA_WORDS = {
  wall: 'Wall',
  rim: 'Rim',
  ceiling: 'Ceiling',
  roof: 'Roof',
  floor: 'Floor',
  opening: 'Window or door',
  atticWall: 'Wall towards the attic',
  foundationWall: 'Foundation wall',
  slab: 'Slab on the ground',
} as const satisfies Readonly<Record<EnvelopeKind, string>>;
