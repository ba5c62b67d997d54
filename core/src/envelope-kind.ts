import { option } from './schema';

/**
 * What an area of the envelope is: `rim` the band of a floor, `atticWall` a wall towards a cold attic, `foundationWall` one
 * of concrete or masonry under the ground or about it, `slab` a floor on the ground, `opening` a window or door.
 */
export type EnvelopeKind =
  'wall' | 'rim' | 'ceiling' | 'roof' | 'floor' | 'opening' | 'atticWall' | 'foundationWall' | 'slab';

/** The usual ones first. */
export const ENVELOPE_KINDS: readonly EnvelopeKind[] = [
  'wall',
  'rim',
  'ceiling',
  'roof',
  'floor',
  'opening',
  'atticWall',
  'foundationWall',
  'slab',
];

export const envelopeKind = option(...ENVELOPE_KINDS);
