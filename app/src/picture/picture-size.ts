import { format } from 'date-fns/format';

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

const OFFSET = /^[+-]\d{2}:\d{2}$/;

/**
 * When a camera says that it took a picture, `2026:10:03 14:05:59` by its own clock, as ISO 8601 with the offset from UTC
 * where it was taken: `+13:00` as the camera says, else as this device's clock has it on that day.
 */
export function takenAtOf(exifDate: string | undefined, exifOffset?: string): string | null {
  const found = /^(\d{4}):(\d{2}):(\d{2}) (\d{2}):(\d{2}):(\d{2})/.exec(exifDate ?? '');
  if (found === null) return null;
  const [year = 0, month = 0, day = 0, hour = 0, minute = 0, second = 0] = found.slice(1).map(Number);
  const taken = new Date(year, month - 1, day, hour, minute, second);
  if (month === 0 || Number.isNaN(taken.getTime())) return null;
  const offset = exifOffset !== undefined && OFFSET.test(exifOffset) ? exifOffset : format(taken, 'xxx');
  return format(taken, "yyyy-MM-dd'T'HH:mm:ss") + offset;
}
