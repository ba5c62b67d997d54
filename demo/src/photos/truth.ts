import type { Pixel } from '@calvet/core/drawing/camera';

/** Something wrong that a photo shows, where it is in the picture, and how large it is in truth. */
export interface Flaw {
  readonly what: 'void' | 'compressed' | 'gap';
  readonly outlinePx: readonly Pixel[];
  /** Of voids and compressed places. */
  readonly areaM2?: number;
  /** Of gaps. */
  readonly lengthM?: number;
}

/** What a drawn photo shows in truth. */
export interface PhotoTruth {
  readonly kind: 'cavities' | 'sill' | 'seam' | 'penetration' | 'fan';
  readonly widthPx: number;
  readonly heightPx: number;
  /** Cavities that are wholly in the picture. */
  readonly cavitiesPx: readonly (readonly Pixel[])[];
  readonly cavityAreaM2: number;
  readonly flaws: readonly Flaw[];
}

/** Share of the cavities in a picture that a kind of flaw takes, 0…1. */
export function shareOf({ cavityAreaM2, flaws }: PhotoTruth, what: Flaw['what']): number {
  if (cavityAreaM2 === 0) return 0;
  const area = flaws.reduce((sum, flaw) => sum + (flaw.what === what ? (flaw.areaM2 ?? 0) : 0), 0);
  return area / cavityAreaM2;
}
