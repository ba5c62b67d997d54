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

/** An end nearer than that to the start, and turns within so much of a whole one, close. */
const OPEN_M = 1e-3;
const OPEN_DEG = 0.5;

/** An outline laid out as it was typed, whether or not it closes. */
export function layOutline({ start, outline }: Pick<Storey, 'start' | 'outline'>): readonly LaidWall[] {
  let from = start;
  let headingDeg = 0;
  return outline.map((wall) => {
    const radians = (headingDeg * Math.PI) / 180;
    const to = {
      xM: from.xM + Math.cos(radians) * wall.lengthM,
      yM: from.yM - Math.sin(radians) * wall.lengthM,
    };
    const laid: LaidWall = { wall, from, to, headingDeg };
    from = to;
    headingDeg += wall.turnDeg;
    return laid;
  });
}

/** Where an outline does not close, and by how much; null where it does. */
export function gapOf({ start, outline }: Pick<Storey, 'start' | 'outline'>): OutlineGap | null {
  const last = layOutline({ start, outline }).at(-1);
  if (last === undefined) return null;
  const [xM, yM] = [start.xM - last.to.xM, start.yM - last.to.yM];
  const lengthM = Math.hypot(xM, yM);
  const turnDeg = 360 - outline.reduce((sum, wall) => sum + wall.turnDeg, 0);
  return lengthM <= OPEN_M && Math.abs(turnDeg) <= OPEN_DEG ? null : { xM, yM, lengthM, turnDeg };
}
