import type { Point } from './point';
import { signedArea } from './signed-area';

/** What of a cell lies no farther from one place than from another: cut along the middle between them. */
function nearerTo(cell: readonly Point[], place: Point, other: Point): readonly Point[] {
  const [dx, dy] = [other.x - place.x, other.y - place.y];
  const [middleX, middleY] = [(place.x + other.x) / 2, (place.y + other.y) / 2];
  const beyond = cell.map(({ x, y }) => (x - middleX) * dx + (y - middleY) * dy);
  if (!beyond.some((each) => each > 0)) return cell;
  return cell.flatMap((from, i): readonly Point[] => {
    const next = (i + 1) % cell.length;
    const [to, a, b] = [cell[next] ?? from, beyond[i] ?? 0, beyond[next] ?? 0];
    const kept = a <= 0 ? [from] : [];
    if (!(a * b < 0)) return kept;
    const at = a / (a - b);
    return [...kept, { x: from.x + at * (to.x - from.x), y: from.y + at * (to.y - from.y) }];
  });
}

/**
 * Shares of a rectangle that lie nearer to one place in it than to any other (Voronoi cells); they add up to 1. Each cell is
 * what is left of the rectangle once it is cut along the middle to every other place, so that places in one line, or on an
 * edge, are nothing special.
 * @param places within 0…width and 0…height, no two the same
 * @example nearestShares([{ x: 1, y: 1 }, { x: 3, y: 1 }], 4, 2) // [0.5, 0.5]
 */
export function nearestShares(places: readonly Point[], width: number, height: number): readonly number[] {
  const all: readonly Point[] = [
    { x: 0, y: 0 },
    { x: width, y: 0 },
    { x: width, y: height },
    { x: 0, y: height },
  ];
  const areas = places.map((place, i) =>
    signedArea(places.reduce((cell, other, j) => (i === j ? cell : nearerTo(cell, place, other)), all)),
  );
  const sum = areas.reduce((total, area) => total + area, 0);
  return areas.map((area) => area / sum);
}
