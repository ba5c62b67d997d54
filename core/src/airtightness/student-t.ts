import jStat from 'jstat';

/** Factors found before, by whole degrees of freedom up to what a test can have. */
const known: number[] = [];
const KEPT_UP_TO = 1000;

/** Of the normal distribution, at 97.5 %. */
const Z = 1.959963984540054;

/** Expansion of the quantile about that of the normal distribution. Handbook of Mathematical Functions, 26.7.5. */
function manyDegrees(nu: number): number {
  const [z3, z5, z7] = [Z ** 3, Z ** 5, Z ** 7];
  return (
    Z +
    (z3 + Z) / (4 * nu) +
    (5 * z5 + 16 * z3 + 3 * Z) / (96 * nu ** 2) +
    (3 * z7 + 19 * z5 + 17 * z3 - 15 * Z) / (384 * nu ** 3)
  );
}

/**
 * Two-sided 95 % factor of Student's t, to seven digits: the interval is estimate ± factor × standard error.
 * The degrees of freedom need not be whole (Welch–Satterthwaite).
 * @example t95(8) // 2.306
 */
export function t95(degreesOfFreedom: number): number {
  // The package loses digits from there on, until there are three left.
  if (degreesOfFreedom > KEPT_UP_TO) return manyDegrees(degreesOfFreedom);
  const isKept = Number.isInteger(degreesOfFreedom);
  const before = isKept ? known[degreesOfFreedom] : undefined;
  if (before !== undefined) return before;
  const factor = jStat.studentt.inv(0.975, degreesOfFreedom);
  if (isKept) known[degreesOfFreedom] = factor;
  return factor;
}
