import type { PenetrationWhat } from '@calvet/core/penetrations/penetration-words';
import type { Leak } from '../walk/mend';
import type { Judged, PenetrationBody } from '../walk/penetration';

/** A flow at 50 Pa, m³/h: an order of magnitude and not a measurement. */
export interface LeakRange {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

export const NO_LEAK: LeakRange = { low: 0, likely: 0, high: 0 };

/** Through each cm² of an open hole; our own order of magnitude. */
const M3H_PER_CM2 = 2;
const MM2_PER_CM2 = 100;
/** How much of a gap all round is open after all. */
const OPEN: LeakRange = { low: 0.2, likely: 0.5, high: 1 };
/** What is left of that, by how it is closed. */
const LEFT: Readonly<Record<Judged, LeakRange>> = {
  wrong: { low: 1, likely: 1, high: 1 },
  doubtful: { low: 0.1, likely: 0.3, high: 0.6 },
  fits: { low: 0, likely: 0.02, high: 0.1 },
};
const GAP_IF_UNKNOWN_MM = 6;

/** Round one such thing, mm, where nobody measured it. */
export const USUAL_PERIMETER_MM: Readonly<Record<PenetrationWhat, number>> = {
  cable: 30,
  cableBundle: 80,
  conduit: 80,
  waterPipe: 70,
  wastePipe: 350,
  ventStack: 350,
  drainCutout: 1000,
  floorFlange: 400,
  duct: 500,
  hotDuct: 500,
  serviceLine: 60,
  sleeve: 350,
  box: 330,
  recessedLight: 600,
  flue: 600,
  gasPipe: 80,
  radonPipe: 350,
  steel: 600,
  joistEnd: 400,
  hanger: 200,
  fixing: 15,
  oldHole: 150,
  frameGap: 1000,
  seam: 1000,
};

/** By the class of a checkpoint that fails, at one place; our own order of magnitude. */
export const CLASS_LEAKS: Readonly<Record<Leak, LeakRange>> = {
  none: NO_LEAK,
  small: { low: 1, likely: 3, high: 8 },
  medium: { low: 5, likely: 20, high: 60 },
  large: { low: 25, likely: 70, high: 200 },
};

const scaled = (one: LeakRange, by: LeakRange): LeakRange => ({
  low: one.low * by.low,
  likely: one.likely * by.likely,
  high: one.high * by.high,
});

/** The same for so many. */
const times = (one: LeakRange, count: number): LeakRange =>
  scaled(one, { low: count, likely: count, high: count });

export const sumOf = (all: readonly LeakRange[]): LeakRange =>
  all.reduce(
    (sum, { low, likely, high }) => ({
      low: sum.low + low,
      likely: sum.likely + likely,
      high: sum.high + high,
    }),
    NO_LEAK,
  );

/** What one open gap of a length and a width lets through. */
export const leakOfGap = (lengthMm: number, gapMm: number): LeakRange =>
  times(OPEN, ((lengthMm * gapMm) / MM2_PER_CM2) * M3H_PER_CM2);

/** What the holes of one record let through, by how they are closed; somebody's own figure stands as it is. */
export function leakOfHoles(
  { what, count, gapMm, perimeterMm, leakM3H }: PenetrationBody,
  verdict: Judged,
): LeakRange {
  if (leakM3H !== null) return times({ low: 1, likely: 1, high: 1 }, leakM3H * count);
  // What only a newer version knows is taken as a small hole.
  const round =
    perimeterMm ?? (USUAL_PERIMETER_MM as Readonly<Record<string, number>>)[what] ?? USUAL_PERIMETER_MM.cable;
  return times(scaled(leakOfGap(round, gapMm ?? GAP_IF_UNKNOWN_MM), LEFT[verdict]), count);
}
