/** Counts by truth (rows) and guess (columns), both in the same order of classes. */
export type Confusion = readonly (readonly number[])[];

/** Agreement beyond chance, 1 at best; null where it, or its error, is undefined. */
export interface WeightedKappa {
  readonly weightedKappa: number | null;
  readonly kappaStandardError: number | null;
  readonly kappaLow95: number | null;
  readonly kappaHigh95: number | null;
}

/** Of a normal distribution, within so many standard errors to either side of which 95 % lie. */
export const NORMAL_95 = 1.96;
/** Chance that agrees to within this fully leaves nothing to be agreed on. */
const NOTHING_LEFT = 1e-12;

const UNDEFINED: WeightedKappa = {
  weightedKappa: null,
  kappaStandardError: null,
  kappaLow95: null,
  kappaHigh95: null,
};

/** Kappa of counts, one of them left out where it is named; null: chance alone agrees fully. */
function kappaOf(confusion: Confusion, without?: readonly [number, number]): number | null {
  const size = confusion.length;
  const countAt = (i: number, j: number): number =>
    (confusion[i]?.[j] ?? 0) - (without?.[0] === i && without[1] === j ? 1 : 0);
  const rows = Array<number>(size).fill(0);
  const columns = Array<number>(size).fill(0);
  let total = 0;
  for (let i = 0; i < size; i++) {
    for (let j = 0; j < size; j++) {
      const count = countAt(i, j);
      rows[i] = (rows[i] ?? 0) + count;
      columns[j] = (columns[j] ?? 0) + count;
      total += count;
    }
  }
  if (total === 0) return null;
  let [observed, byChance] = [0, 0];
  for (let i = 0; i < size; i++) {
    for (let j = 0; j < size; j++) {
      const weight = 1 - ((i - j) / (size - 1)) ** 2;
      observed += (weight * countAt(i, j)) / total;
      byChance += (weight * (rows[i] ?? 0) * (columns[j] ?? 0)) / total ** 2;
    }
  }
  return 1 - byChance <= NOTHING_LEFT ? null : (observed - byChance) / (1 - byChance);
}

/** Standard error by the jackknife: every answer is left out once. Null where one that is left out leaves no kappa. */
function jackknifed(confusion: Confusion): number | null {
  const left: { readonly kappa: number; readonly times: number }[] = [];
  for (const [i, row] of confusion.entries()) {
    for (const [j, times] of row.entries()) {
      if (times === 0) continue;
      const kappa = kappaOf(confusion, [i, j]);
      if (kappa === null) return null;
      left.push({ kappa, times });
    }
  }
  const total = left.reduce((sum, { times }) => sum + times, 0);
  const mean = left.reduce((sum, { kappa, times }) => sum + kappa * times, 0) / total;
  const squares = left.reduce((sum, { kappa, times }) => sum + (kappa - mean) ** 2 * times, 0);
  return Math.sqrt(((total - 1) / total) * squares);
}

/**
 * Agreement of two on classes in order, beyond what chance gives, weighted 1 − ((i − j)/(k − 1))²: Cohen, 1968,
 * Psychological Bulletin 70, 213–220; Fleiss and Cohen, 1973, Educational and Psychological Measurement 33, 613–619. Its
 * standard error by the jackknife, its bounds 1.96 of it to either side, within −1…1.
 * @example weightedKappa([[2, 0], [0, 2]]).weightedKappa // 1
 */
export function weightedKappa(confusion: Confusion): WeightedKappa {
  const kappa = kappaOf(confusion);
  if (kappa === null) return UNDEFINED;
  const error = jackknifed(confusion);
  if (error === null) return { ...UNDEFINED, weightedKappa: kappa };
  return {
    weightedKappa: kappa,
    kappaStandardError: error,
    kappaLow95: Math.max(-1, kappa - NORMAL_95 * error),
    kappaHigh95: Math.min(1, kappa + NORMAL_95 * error),
  };
}
