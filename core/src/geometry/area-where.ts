import { Refusal } from '../refusal';
import type { Point } from './point';

/** A side of an outline, from its upper end down (y grows downwards); level sides bound no area. */
interface Edge {
  readonly outline: number;
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
}

/** Outlines that cross themselves and each other more often than this are none. */
const MOST_CROSSINGS = 10_000;

function edgesOf(outlines: readonly (readonly Point[])[]): readonly Edge[] {
  return outlines.flatMap((points, outline) =>
    points.flatMap((from, i): Edge[] => {
      const to = points[(i + 1) % points.length] ?? from;
      if (from.y === to.y) return [];
      const [top, bottom] = from.y < to.y ? [from, to] : [to, from];
      return [{ outline, x0: top.x, y0: top.y, x1: bottom.x, y1: bottom.y }];
    }),
  );
}

const xAt = (edge: Edge, y: number): number =>
  edge.x0 + ((y - edge.y0) / (edge.y1 - edge.y0)) * (edge.x1 - edge.x0);

/** The level at which two edges cross; null where they do not, or run alongside. */
function crossingLevel(one: Edge, other: Edge): number | null {
  const top = Math.max(one.y0, other.y0);
  const bottom = Math.min(one.y1, other.y1);
  if (!(top < bottom)) return null;
  const apartAbove = xAt(one, top) - xAt(other, top);
  const apartBelow = xAt(one, bottom) - xAt(other, bottom);
  if (!(apartAbove * apartBelow < 0)) return null;
  return top + ((bottom - top) * apartAbove) / (apartAbove - apartBelow);
}

/** Levels between which no edge begins, ends or crosses another, from the first that any edge reaches to the last. */
function levelsOf(edges: readonly Edge[]): readonly number[] {
  const levels = edges.flatMap(({ y0, y1 }) => [y0, y1]);
  const most = levels.length + MOST_CROSSINGS;
  edges.forEach((edge, i) => {
    for (let j = i + 1; j < edges.length; j++) {
      const other = edges[j];
      const level = other === undefined ? null : crossingLevel(edge, other);
      if (level !== null) levels.push(level);
    }
    if (levels.length > most) {
      throw new Refusal(
        'too-tangled',
        'outlines',
        'The outlines cross too often: draw round each void once.',
        {
          bound: MOST_CROSSINGS,
        },
      );
    }
  });
  return levels.sort((a, b) => a - b);
}

/** True where a place belongs to what is measured, by which outlines it lies in. */
export type Holds = (isInside: readonly boolean[]) => boolean;

interface Crossing {
  readonly outline: number;
  readonly x: number;
}

/** Width of what is measured at a level; edges sorted by where they cross it. */
function widthAt(crossings: readonly Crossing[], count: number, holds: Holds): number {
  const isInside = Array<boolean>(count).fill(false);
  let width = 0;
  let since: number | null = null;
  for (const { outline, x } of crossings) {
    if (since !== null) width += x - since;
    isInside[outline] = isInside[outline] !== true;
    since = holds(isInside) ? x : null;
  }
  return width;
}

/**
 * Area of the places that lie in some of a number of outlines and not in others; what lies in none is never measured. An
 * outline that crosses itself is filled even–odd. Cut into level strips in which no two edges cross, so that the width is
 * linear in each and its middle gives the area exactly, however outlines touch, overlap or fold back on themselves.
 * @param holds asked with whether a place lies in each of the outlines, in their order
 * @example areaWhere([[{ x: 0, y: 0 }, { x: 2, y: 0 }, { x: 2, y: 1 }, { x: 0, y: 1 }]], ([isInside]) => isInside) // 2
 * @throws {Refusal} `too-tangled`
 */
export function areaWhere(outlines: readonly (readonly Point[])[], holds: Holds): number {
  const edges = edgesOf(outlines);
  const levels = levelsOf(edges);
  let area = 0;
  for (let i = 1; i < levels.length; i++) {
    const [top, bottom] = [levels[i - 1] ?? 0, levels[i] ?? 0];
    if (top === bottom) continue;
    const middle = (top + bottom) / 2;
    const crossings: Crossing[] = [];
    for (const edge of edges) {
      if (edge.y0 < middle && edge.y1 > middle)
        crossings.push({ outline: edge.outline, x: xAt(edge, middle) });
    }
    crossings.sort((a, b) => a.x - b.x);
    area += widthAt(crossings, outlines.length, holds) * (bottom - top);
  }
  return area;
}
