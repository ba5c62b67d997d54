import { option } from './schema';

/** What an area of the envelope is; `rim` is the band of a floor, `opening` a window or door. */
export type EnvelopeKind = 'wall' | 'rim' | 'floor' | 'ceiling' | 'roof' | 'opening';

export const ENVELOPE_KINDS: readonly EnvelopeKind[] = ['wall', 'rim', 'ceiling', 'roof', 'floor', 'opening'];

export const envelopeKind = option(...ENVELOPE_KINDS);
