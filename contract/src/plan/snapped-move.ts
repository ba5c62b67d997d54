import type { PlanPlace } from './storey';
import { directionOf, type LaidWall } from './lay-outline';

/** Walls whose directions differ by less are parallel: sine of the angle. */
const PARALLEL = 1e-6;

/** How far a place lies beyond the line of a wall, outwards positive. */
function beyond({ from, headingDeg }: LaidWall, { xM, yM }: PlanPlace): number {
  const away = directionOf(headingDeg - 90);
  return (xM - from.xM) * away.xM + (yM - from.yM) * away.yM;
}

/**
 * How far a wall that is dragged goes: into line with a parallel wall where it comes within reach of one, else so many whole
 * steps.
 * @param draggedM how far it was dragged, outwards positive
 * @param others walls that it may come into line with: those of its storey and of those above and below
 */
export function snappedMove(
  wall: LaidWall,
  draggedM: number,
  others: readonly LaidWall[],
  { stepM, reachM }: { readonly stepM: number; readonly reachM: number },
): number {
  const lines = others
    .filter(({ wall: { id }, headingDeg }) => {
      const across = Math.sin(((headingDeg - wall.headingDeg) * Math.PI) / 180);
      return id !== wall.wall.id && Math.abs(across) < PARALLEL;
    })
    .map((other) => beyond(wall, other.from))
    .filter((m) => Math.abs(m - draggedM) <= reachM);
  const [nearest] = lines.sort((a, b) => Math.abs(a - draggedM) - Math.abs(b - draggedM));
  return nearest ?? Math.round(draggedM / stepM) * stepM;
}
