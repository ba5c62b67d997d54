import { Refusal } from '../refusal';
import type { Point } from './homography';

/** A side of an outline, from its upper end down (y grows downwards); level sides bound no area. */
interface Edge {
  readonly outline: number;
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
}

/** An outline that crosses itself and others more often than this is no outline. */
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

/** Levels between which no edge begins, ends, crosses another or crosses a side of the cavity. */
function levelsOf(edges: readonly Edge[]): readonly number[] {
  const levels = [0, 1];
  const keep = (y: number | null): void => {
    if (y !== null && y > 0 && y < 1) levels.push(y);
  };
  for (const edge of edges) {
    keep(edge.y0);
    keep(edge.y1);
    for (const side of [0, 1]) {
      keep(crossingLevel(edge, { outline: -1, x0: side, y0: edge.y0, x1: side, y1: edge.y1 }));
    }
  }
  const most = levels.length + MOST_CROSSINGS;
  edges.forEach((edge, i) => {
    for (let j = i + 1; j < edges.length; j++) {
      const other = edges[j];
      if (other !== undefined) keep(crossingLevel(edge, other));
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

const intoCavity = (x: number): number => Math.min(1, Math.max(0, x));

/** Width of the cavity that lies inside any outline at a level; edges sorted by where they cross it. */
function coveredWidth(crossings: readonly { readonly outline: number; readonly x: number }[]): number {
  const inside = new Set<number>();
  let [width, since] = [0, 0];
  for (const { outline, x } of crossings) {
    if (inside.size > 0) width += intoCavity(x) - since;
    if (!inside.delete(outline)) inside.add(outline);
    since = intoCavity(x);
  }
  return width;
}

/**
 * Area of the unit square that lies inside any of some outlines; an outline that crosses itself is filled even–odd.
 * Cut into level strips in which no two edges cross, so that the covered width is linear in each and its middle gives
 * the area exactly, however outlines touch, overlap or fold back on themselves.
 * @example coveredArea([[{ x: 0, y: 0 }, { x: 2, y: 0 }, { x: 2, y: 1 }, { x: 0, y: 1 }]]) // 1
 * @throws {Refusal} `too-tangled`
 */
export function coveredArea(outlines: readonly (readonly Point[])[]): number {
  const edges = edgesOf(outlines);
  const levels = levelsOf(edges);
  let area = 0;
  for (let i = 1; i < levels.length; i++) {
    const [top, bottom] = [levels[i - 1] ?? 0, levels[i] ?? 0];
    const middle = (top + bottom) / 2;
    const crossings: { outline: number; x: number }[] = [];
    for (const edge of edges) {
      if (edge.y0 < middle && edge.y1 > middle)
        crossings.push({ outline: edge.outline, x: xAt(edge, middle) });
    }
    crossings.sort((a, b) => a.x - b.x);
    area += coveredWidth(crossings) * (bottom - top);
  }
  return area;
}
