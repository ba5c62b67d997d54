import { OUTLINE_OPEN_DEG, OUTLINE_OPEN_M } from '@calvet/core/limits';
import type { PlanPlace, Storey, Wall } from './storey';

/** A wall where it lies, from its left end as seen from indoors. */
export interface LaidWall {
  readonly wall: Wall;
  readonly from: PlanPlace;
  readonly to: PlanPlace;
  /** Of its run, counted like turns from the first wall's: to the right. */
  readonly headingDeg: number;
}

/** By how much an outline does not close. */
export interface OutlineGap {
  readonly xM: number;
  readonly yM: number;
  readonly lengthM: number;
  /** What its turns lack of a whole one. */
  readonly turnDeg: number;
}

/** Which way a heading goes: so much to the right, and so much up. */
export function directionOf(headingDeg: number): PlanPlace {
  const radians = (headingDeg * Math.PI) / 180;
  return { xM: Math.cos(radians), yM: -Math.sin(radians) };
}

/** The place that lies so far from another along a heading. */
export function placeAlong(from: PlanPlace, headingDeg: number, lengthM: number): PlanPlace {
  const { xM, yM } = directionOf(headingDeg);
  return { xM: from.xM + xM * lengthM, yM: from.yM + yM * lengthM };
}

/** An outline laid out as it was typed, whether or not it closes. */
export function layOutline({ start, outline }: Pick<Storey, 'start' | 'outline'>): readonly LaidWall[] {
  let from = start;
  let headingDeg = 0;
  return outline.map((wall) => {
    const to = placeAlong(from, headingDeg, wall.lengthM);
    const laid: LaidWall = { wall, from, to, headingDeg };
    from = to;
    headingDeg += wall.turnDeg;
    return laid;
  });
}

/** The corners of an outline, from its start on. */
export const cornersOf = (drawn: Pick<Storey, 'start' | 'outline'>): readonly PlanPlace[] =>
  layOutline(drawn).map(({ from }) => from);

/** Where an outline does not close, and by how much; null where it does. */
export function gapOf({ start, outline }: Pick<Storey, 'start' | 'outline'>): OutlineGap | null {
  const last = layOutline({ start, outline }).at(-1);
  if (last === undefined) return null;
  const [xM, yM] = [start.xM - last.to.xM, start.yM - last.to.yM];
  const lengthM = Math.hypot(xM, yM);
  const turnDeg = 360 - outline.reduce((sum, wall) => sum + wall.turnDeg, 0);
  return lengthM <= OUTLINE_OPEN_M && Math.abs(turnDeg) <= OUTLINE_OPEN_DEG
    ? null
    : { xM, yM, lengthM, turnDeg };
}
