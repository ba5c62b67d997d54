import { directionOf, type LaidWall } from './lay-outline';
import type { PlanPlace } from './storey';

/** Which side of a wall something lies against: beyond it, or within the house. */
export type WallFlank = 'beyond' | 'within';

/** A rectangle against a wall: from so far along it to so far, and so deep. */
export interface BesideWall {
  readonly fromM: number;
  readonly toM: number;
  readonly depthM: number;
}

/** Places nearer to each other are one. */
const SAME_M = 1e-3;

function axesOf({ headingDeg }: Pick<LaidWall, 'headingDeg'>, flank: WallFlank) {
  // Beyond is to the left of a wall's run.
  return {
    along: directionOf(headingDeg),
    away: directionOf(headingDeg + (flank === 'beyond' ? -90 : 90)),
  };
}

/** The corners of what lies so against a wall, from the wall's start on. */
export function outlineBeside(
  wall: LaidWall,
  { fromM, toM, depthM }: BesideWall,
  flank: WallFlank = 'beyond',
): readonly PlanPlace[] {
  const { along, away } = axesOf(wall, flank);
  const place = (alongM: number, awayM: number): PlanPlace => ({
    xM: wall.from.xM + along.xM * alongM + away.xM * awayM,
    yM: wall.from.yM + along.yM * alongM + away.yM * awayM,
  });
  return [place(fromM, 0), place(fromM, depthM), place(toM, depthM), place(toM, 0)];
}

/** Places of an outline as they lie along a wall and away from it, in m. */
function placesBeside(wall: LaidWall, outline: readonly PlanPlace[], flank: WallFlank) {
  const { along, away } = axesOf(wall, flank);
  return outline.map(({ xM, yM }) => {
    const [x, y] = [xM - wall.from.xM, yM - wall.from.yM];
    return { alongM: x * along.xM + y * along.yM, awayM: x * away.xM + y * away.yM };
  });
}

/** The rectangle against a wall that is as wide and as deep as an outline is, seen from the wall, wherever that lies. */
export function spanAlong(wall: LaidWall, outline: readonly PlanPlace[]): BesideWall {
  const places = placesBeside(wall, outline, 'beyond');
  const [alongs, aways] = [places.map(({ alongM }) => alongM), places.map(({ awayM }) => awayM)];
  const widthM = Math.max(...alongs) - Math.min(...alongs);
  // Beyond the wall's ends it would stand against nothing.
  const fromM = Math.min(Math.max(Math.min(...alongs), 0), Math.max(0, wall.wall.lengthM - widthM));
  return { fromM, toM: fromM + widthM, depthM: Math.max(...aways) - Math.min(...aways) };
}

/** How an outline lies against a wall; null where it is no rectangle that does. */
export function besideOf(
  wall: LaidWall,
  outline: readonly PlanPlace[],
  flank: WallFlank = 'beyond',
): BesideWall | null {
  const places = placesBeside(wall, outline, flank);
  const alongs = places.map(({ alongM }) => alongM);
  const [fromM, toM] = [Math.min(...alongs), Math.max(...alongs)];
  const depthM = Math.max(...places.map(({ awayM }) => awayM));
  const isCorner = ({ alongM, awayM }: (typeof places)[number]) =>
    Math.min(Math.abs(alongM - fromM), Math.abs(alongM - toM)) <= SAME_M &&
    Math.min(Math.abs(awayM), Math.abs(awayM - depthM)) <= SAME_M;
  const touches = toM > SAME_M && fromM < wall.wall.lengthM - SAME_M;
  return outline.length === 4 && depthM > SAME_M && touches && places.every(isCorner)
    ? { fromM, toM, depthM }
    : null;
}
