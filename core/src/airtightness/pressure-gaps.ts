import { exceeds, type Finding } from '../finding';
import type { RunResult } from './run';

/** Neighbouring pressures further apart than this (Pa) leave the line between them to chance. ISO 9972, 5.3.4: about 10 Pa. */
const WIDEST_GAP_PA = 12;

/**
 * Where neighbouring pressures of a run lie too far apart: one finding a run, for its widest gap.
 * @example pressureGaps(multiPoint(examples['airtightness.multiPoint']).runs) // []
 */
export function pressureGaps(runs: readonly RunResult[]): readonly Finding<'pressure-gap'>[] {
  return runs.flatMap(({ readings }, run): Finding<'pressure-gap'>[] => {
    const pressures = readings.map(({ inducedPressurePa }) => Math.abs(inducedPressurePa));
    const inOrder = Float64Array.from(pressures).sort();
    let [widest, below] = [0, 0];
    for (let i = 1; i < inOrder.length; i++) {
      const gap = (inOrder[i] ?? 0) - (inOrder[i - 1] ?? 0);
      if (gap > widest) [widest, below] = [gap, inOrder[i - 1] ?? 0];
    }
    if (!exceeds(widest, WIDEST_GAP_PA)) return [];
    const [from, to] = [Math.round(below), Math.round(below + widest)];
    return [
      {
        rule: 'pressure-gap',
        severity: 'warn',
        message: `Between ${from} and ${to} Pa there is no reading: take one in between.`,
        value: widest,
        limit: WIDEST_GAP_PA,
        run,
      },
    ];
  });
}
