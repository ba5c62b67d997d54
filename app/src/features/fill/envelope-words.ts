import type { EnvelopeFigures } from '@calvet/contract/installation/area-figures';

/** Areas may miss the stated envelope by this share before it is said. */
export const ENVELOPE_TOLERANCE = 0.01;

/**
 * What a figure of the envelope leaves out or takes for granted, to stand wherever it does; null where it is of the whole
 * envelope, every piece of work judged.
 */
export function reservationOn({ built, shareOfEnvelope, ungraded, unsized }: EnvelopeFigures): string | null {
  if (built === null) return null;
  const share = shareOfEnvelope ?? 1;
  const parts = [
    ...(share < 1 - ENVELOPE_TOLERANCE
      ? // Never the whole, however little is missing.
        [`of ${Math.min(99, Math.round(share * 100))} % of the envelope`]
      : []),
    ...(unsized > 0
      ? [unsized === 1 ? '1 area without its size' : `${unsized} areas without their sizes`]
      : []),
    ...(ungraded > 0 ? [ungraded === 1 ? '1 area not graded' : `${ungraded} areas not graded`] : []),
  ];
  return parts.length === 0 ? null : parts.join(', ');
}

export const asSentence = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
