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

/** All edges, those that begin higher up first. */
function edgesOf(outlines: readonly (readonly Point[])[]): readonly Edge[] {
  const edges = outlines.flatMap((points, outline) =>
    points.flatMap((from, i): Edge[] => {
      const to = points[(i + 1) % points.length] ?? from;
      if (from.y === to.y) return [];
      const [top, bottom] = from.y < to.y ? [from, to] : [to, from];
      return [{ outline, x0: top.x, y0: top.y, x1: bottom.x, y1: bottom.y }];
    }),
  );
  return edges.sort((a, b) => a.y0 - b.y0);
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
function levelsOf(edges: readonly Edge[], field: string): readonly number[] {
  const levels = edges.flatMap(({ y0, y1 }) => [y0, y1]);
  const most = levels.length + MOST_CROSSINGS;
  edges.forEach((edge, i) => {
    for (let j = i + 1; j < edges.length; j++) {
      const other = edges[j];
      // Those that begin below its end cannot cross it, nor can any that follow.
      if (other === undefined || other.y0 >= edge.y1) break;
      const level = crossingLevel(edge, other);
      if (level !== null) levels.push(level);
    }
    if (levels.length > most) {
      throw new Refusal('too-tangled', field, 'The outlines cross too often: draw round each void once.', {
        bound: MOST_CROSSINGS,
      });
    }
  });
  return levels.sort((a, b) => a - b);
}

/** To which of several measured things a place belongs, by which outlines it lies in; null: to none. */
export type Belongs = (isInside: readonly boolean[]) => number | null;
/** True where a place belongs to what is measured, by which outlines it lies in. */
export type Holds = (isInside: readonly boolean[]) => boolean;

interface Crossing {
  readonly outline: number;
  readonly x: number;
}

/** Adds the widths of what is measured at a level, times a height; edges sorted by where they cross the level. */
function addWidths(
  areas: number[],
  crossings: readonly Crossing[],
  count: number,
  belongs: Belongs,
  height: number,
): void {
  const isInside = Array<boolean>(count).fill(false);
  let since: { readonly x: number; readonly to: number } | null = null;
  for (const { outline, x } of crossings) {
    if (since !== null) areas[since.to] = (areas[since.to] ?? 0) + (x - since.x) * height;
    isInside[outline] = isInside[outline] !== true;
    const to = belongs(isInside);
    since = to === null ? null : { x, to };
  }
}

/**
 * Areas of the places that belong to each of several things, by which of a number of outlines they lie in; what lies in no
 * outline belongs to none. An outline that crosses itself is filled even–odd. Cut into level strips in which no two edges
 * cross, so that the width is linear in each and its middle gives the area exactly, however outlines touch, overlap or fold
 * back on themselves.
 * @param count of the things, the first of which is 0
 * @param belongs asked with whether a place lies in each of the outlines, in their order
 * @param field of the input, where the outlines come from
 * @example areasWhere([[{ x: 0, y: 0 }, { x: 2, y: 0 }, { x: 2, y: 1 }, { x: 0, y: 1 }]], 2, ([isInside]) => (isInside ? 1 : null)) // [0, 2]
 * @throws {Refusal} `too-tangled`
 */
export function areasWhere(
  outlines: readonly (readonly Point[])[],
  count: number,
  belongs: Belongs,
  field = 'outlines',
): readonly number[] {
  const edges = edgesOf(outlines);
  const levels = levelsOf(edges, field);
  const areas = Array<number>(count).fill(0);
  /** Edges that began above and do not end above. */
  let reaching: Edge[] = [];
  let begun = 0;
  for (let i = 1; i < levels.length; i++) {
    const [top = 0, bottom = 0] = [levels[i - 1], levels[i]];
    if (top === bottom) continue;
    const middle = (top + bottom) / 2;
    for (; begun < edges.length; begun++) {
      const edge = edges[begun];
      if (edge === undefined || !(edge.y0 < middle)) break;
      reaching.push(edge);
    }
    reaching = reaching.filter((edge) => edge.y1 > middle);
    const crossings = reaching.map((edge): Crossing => ({ outline: edge.outline, x: xAt(edge, middle) }));
    crossings.sort((a, b) => a.x - b.x);
    addWidths(areas, crossings, outlines.length, belongs, bottom - top);
  }
  return areas;
}

/**
 * Area of the places that lie in some of a number of outlines and not in others, as `areasWhere`.
 * @param holds asked with whether a place lies in each of the outlines, in their order
 * @example areaWhere([[{ x: 0, y: 0 }, { x: 2, y: 0 }, { x: 2, y: 1 }, { x: 0, y: 1 }]], ([isInside]) => isInside) // 2
 * @throws {Refusal} `too-tangled`
 */
export function areaWhere(outlines: readonly (readonly Point[])[], holds: Holds): number {
  return areasWhere(outlines, 1, (isInside) => (holds(isInside) ? 0 : null))[0] ?? 0;
}
