import { idFor } from '../kind/former';

function baseline(recordId: string, path: string, values: unknown): unknown {
  if (!Array.isArray(values) || !values.some((value) => typeof value === 'number')) return values;
  return values.map((value: unknown, i) =>
    typeof value === 'number' ? { id: idFor(recordId, path, i), pressurePa: value } : value,
  );
}

/** Once, baseline readings were bare figures. */
export const baselinesWithIds =
  (direction: string) =>
  (recordId: string, value: unknown): unknown => {
    if (typeof value !== 'object' || value === null) return value;
    const { baselineBeforePa, baselineAfterPa, ...rest } = value as Readonly<Record<string, unknown>>;
    return {
      baselineBeforePa: baseline(recordId, `${direction}.baselineBeforePa`, baselineBeforePa),
      baselineAfterPa: baseline(recordId, `${direction}.baselineAfterPa`, baselineAfterPa),
      ...rest,
    };
  };
