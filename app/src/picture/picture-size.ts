/** Sides of a picture that keeps its shape and fits a square; never larger than it was. */
export function fitted(
  widthPx: number,
  heightPx: number,
  sideMaxPx: number,
): { readonly widthPx: number; readonly heightPx: number } {
  const scale = Math.min(1, sideMaxPx / Math.max(widthPx, heightPx));
  const side = (px: number) => Math.max(1, Math.round(px * scale));
  return { widthPx: side(widthPx), heightPx: side(heightPx) };
}

/** When a camera says that it took a picture, `2026:10:03 14:05:59` by its own clock, as ISO 8601 in UTC. */
export function takenAtOf(exifDate: string | undefined): string | null {
  const found = /^(\d{4}):(\d{2}):(\d{2}) (\d{2}):(\d{2}):(\d{2})/.exec(exifDate ?? '');
  if (found === null) return null;
  const [year = 0, month = 0, day = 0, hour = 0, minute = 0, second = 0] = found.slice(1).map(Number);
  const taken = new Date(year, month - 1, day, hour, minute, second);
  return month === 0 || Number.isNaN(taken.getTime()) ? null : taken.toISOString();
}
