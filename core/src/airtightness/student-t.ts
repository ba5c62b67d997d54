import jStat from 'jstat';

/** Factors found before, by whole degrees of freedom up to what a test can have. */
const known: number[] = [];
const KEPT_UP_TO = 1000;

/**
 * Two-sided 95 % factor of Student's t, to seven digits: the interval is estimate ± factor × standard error.
 * The degrees of freedom need not be whole (Welch–Satterthwaite).
 * @example t95(8) // 2.306
 */
export function t95(degreesOfFreedom: number): number {
  const isKept = degreesOfFreedom <= KEPT_UP_TO && Number.isInteger(degreesOfFreedom);
  const before = isKept ? known[degreesOfFreedom] : undefined;
  if (before !== undefined) return before;
  const factor = jStat.studentt.inv(0.975, degreesOfFreedom);
  if (isKept) known[degreesOfFreedom] = factor;
  return factor;
}
