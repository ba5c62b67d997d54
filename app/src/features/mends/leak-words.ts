import type { LeakRange } from '@calvet/contract/mends/leak-range';
import { fromSi, unitOf } from '@calvet/core/units/quantity';
import { usePreferences } from '../../data/preferences';

interface LeakWords {
  /** A flow at 50 Pa as an order of magnitude: from low to high. */
  readonly range: (leak: LeakRange) => string;
  /** One flow. */
  readonly flow: (m3h: number) => string;
}

/** Flows in whole units, as far as they are known. */
export function useLeakWords(): LeakWords {
  const { units } = usePreferences();
  const { symbol } = unitOf('flow', units);
  const bare = (m3h: number): string => fromSi(m3h, 'flow', units).toFixed(0);
  return {
    range: ({ low, likely, high }) => `${bare(low)}–${bare(high)} ${symbol}, likely ${bare(likely)}`,
    flow: (m3h) => `${bare(m3h)} ${symbol}`,
  };
}
