import { directionOf, type LaidWall } from './lay-outline';
import type { PlanPlace } from './storey';

/** A rectangle beyond a wall: from so far along it to so far, and so deep. */
export interface BesideWall {
  readonly fromM: number;
  readonly toM: number;
  readonly depthM: number;
}

/** Places nearer to each other are one. */
const SAME_M = 1e-3;

function axesOf({ headingDeg }: Pick<LaidWall, 'headingDeg'>): {
  readonly along: PlanPlace;
  readonly outwards: PlanPlace;
} {
  // Outwards is to the left of a wall's run.
  return { along: directionOf(headingDeg), outwards: directionOf(headingDeg - 90) };
}

/** The corners of a room that stands against the outside of a wall, from the wall's start on, the way its outline runs. */
export function outlineBeside(wall: LaidWall, { fromM, toM, depthM }: BesideWall): readonly PlanPlace[] {
  const { along, outwards } = axesOf(wall);
  const place = (alongM: number, outM: number): PlanPlace => ({
    xM: wall.from.xM + along.xM * alongM + outwards.xM * outM,
    yM: wall.from.yM + along.yM * alongM + outwards.yM * outM,
  });
  return [place(fromM, 0), place(fromM, depthM), place(toM, depthM), place(toM, 0)];
}

/** Places of an outline as they lie along a wall and out from it, in m. */
function placesBeside(wall: LaidWall, outline: readonly PlanPlace[]) {
  const { along, outwards } = axesOf(wall);
  return outline.map(({ xM, yM }) => {
    const [x, y] = [xM - wall.from.xM, yM - wall.from.yM];
    return { alongM: x * along.xM + y * along.yM, outM: x * outwards.xM + y * outwards.yM };
  });
}

/** The rectangle against a wall that is as wide and as deep as a room is, seen from the wall, wherever that lies. */
export function spanAlong(wall: LaidWall, outline: readonly PlanPlace[]): BesideWall {
  const places = placesBeside(wall, outline);
  const [alongs, outs] = [places.map(({ alongM }) => alongM), places.map(({ outM }) => outM)];
  const widthM = Math.max(...alongs) - Math.min(...alongs);
  // Beyond the wall's ends it would stand against nothing.
  const fromM = Math.min(Math.max(Math.min(...alongs), 0), Math.max(0, wall.wall.lengthM - widthM));
  return { fromM, toM: fromM + widthM, depthM: Math.max(...outs) - Math.min(...outs) };
}

/** How a room lies beside a wall; null where it is no rectangle that stands against it. */
export function besideOf(wall: LaidWall, outline: readonly PlanPlace[]): BesideWall | null {
  const places = placesBeside(wall, outline);
  const alongs = places.map(({ alongM }) => alongM);
  const [fromM, toM] = [Math.min(...alongs), Math.max(...alongs)];
  const depthM = Math.max(...places.map(({ outM }) => outM));
  const isCorner = ({ alongM, outM }: (typeof places)[number]) =>
    Math.min(Math.abs(alongM - fromM), Math.abs(alongM - toM)) <= SAME_M &&
    Math.min(Math.abs(outM), Math.abs(outM - depthM)) <= SAME_M;
  const touches = toM > SAME_M && fromM < wall.wall.lengthM - SAME_M;
  return outline.length === 4 && depthM > SAME_M && touches && places.every(isCorner)
    ? { fromM, toM, depthM }
    : null;
}
