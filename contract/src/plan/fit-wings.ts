import { liesInside } from '@calvet/core/plan/wall-pieces';
import { v7 } from 'uuid';
import type { SlopingForm, Wing, WingEnd } from './roof';
import type { PlanPlace } from './storey';

/** What a sloping roof is over: the outline of a storey, or one of the roof's own. */
export interface RoofedPart {
  readonly corners: readonly PlanPlace[];
  /** What lies over parts of it: the storey above, other roofs. */
  readonly covers: readonly (readonly PlanPlace[])[];
}

interface Rectangle {
  readonly x0M: number;
  readonly x1M: number;
  readonly y0M: number;
  readonly y1M: number;
}

/** Places nearer to each other are one. */
const SAME_M = 1e-6;
/** An outline with more lines than that along an axis is looked at by people alone. */
const LINES_MAX = 12;

/** Places at which something begins or ends along one axis, upwards, each once. */
function lines(values: readonly number[]): readonly number[] {
  return [...values]
    .sort((a, b) => a - b)
    .filter((value, i, all) => i === 0 || value - (all[i - 1] ?? value) > SAME_M);
}

/** An outline of right angles as cells of a grid: true where a cell lies within it. */
interface Grid {
  readonly xs: readonly number[];
  readonly ys: readonly number[];
  readonly holds: (i: number, j: number) => boolean;
}

const isUpright = (corners: readonly PlanPlace[]): boolean =>
  corners.every((a, i) => {
    const b = corners[(i + 1) % corners.length] ?? a;
    return Math.abs(a.xM - b.xM) <= SAME_M || Math.abs(a.yM - b.yM) <= SAME_M;
  });

function gridOf({ corners, covers }: RoofedPart): Grid | null {
  const all = [...corners, ...covers.flat()];
  const [xs, ys] = [lines(all.map(({ xM }) => xM)), lines(all.map(({ yM }) => yM))];
  const isPlain = [corners, ...covers].every(isUpright);
  if (!isPlain || xs.length > LINES_MAX || ys.length > LINES_MAX) return null;
  const points = (places: readonly PlanPlace[]) => places.map(({ xM, yM }) => ({ x: xM, y: yM }));
  const [outline, without] = [points(corners), covers.map(points)];
  const middle = (places: readonly number[], i: number) => ((places[i] ?? 0) + (places[i + 1] ?? 0)) / 2;
  return {
    xs,
    ys,
    holds: (i, j) => {
      const place = { x: middle(xs, i), y: middle(ys, j) };
      return liesInside(place, outline) && !without.some((cover) => liesInside(place, cover));
    },
  };
}

interface Block {
  readonly i0: number;
  readonly i1: number;
  readonly j0: number;
  readonly j1: number;
}

const cellsOf = ({ i0, i1, j0, j1 }: Block): readonly (readonly [number, number])[] =>
  Array.from({ length: i1 - i0 }, (_, i) => i0 + i).flatMap((i) =>
    Array.from({ length: j1 - j0 }, (__, j) => [i, j0 + j] as const),
  );

function blocksIn({ xs, ys, holds }: Grid): readonly Block[] {
  const blocks: Block[] = [];
  for (let i0 = 0; i0 < xs.length - 1; i0++) {
    for (let i1 = i0 + 1; i1 < xs.length; i1++) {
      for (let j0 = 0; j0 < ys.length - 1; j0++) {
        for (let j1 = j0 + 1; j1 < ys.length; j1++) {
          const block = { i0, i1, j0, j1 };
          if (cellsOf(block).every(([i, j]) => holds(i, j))) blocks.push(block);
        }
      }
    }
  }
  return blocks;
}

const rectangleOf = ({ i0, i1, j0, j1 }: Block, { xs, ys }: Grid): Rectangle => ({
  x0M: xs[i0] ?? 0,
  x1M: xs[i1] ?? 0,
  y0M: ys[j0] ?? 0,
  y1M: ys[j1] ?? 0,
});

const nameOf = (i: number, j: number): string => `${i} ${j}`;

/** What is left of a grid beside a block, if it is blocks itself, none of which touches another. */
function restOf(grid: Grid, main: Block): readonly Block[] | null {
  const inMain = new Set(cellsOf(main).map(([i, j]) => nameOf(i, j)));
  const all = cellsOf({ i0: 0, i1: grid.xs.length - 1, j0: 0, j1: grid.ys.length - 1 });
  const left = new Map(
    all
      .filter(([i, j]) => grid.holds(i, j) && !inMain.has(nameOf(i, j)))
      .map((cell) => [nameOf(...cell), cell]),
  );
  const blocks: Block[] = [];
  for (const start of [...left.values()]) {
    if (!left.has(nameOf(...start))) continue;
    const found: (readonly [number, number])[] = [];
    const open = [start];
    left.delete(nameOf(...start));
    for (let cell = open.pop(); cell !== undefined; cell = open.pop()) {
      found.push(cell);
      const [i, j] = cell;
      for (const [ni, nj] of [
        [i - 1, j],
        [i + 1, j],
        [i, j - 1],
        [i, j + 1],
      ] as const) {
        const next = left.get(nameOf(ni, nj));
        if (next === undefined) continue;
        left.delete(nameOf(ni, nj));
        open.push(next);
      }
    }
    const [is, js] = [found.map(([i]) => i), found.map(([, j]) => j)];
    const block = {
      i0: Math.min(...is),
      i1: Math.max(...is) + 1,
      j0: Math.min(...js),
      j1: Math.max(...js) + 1,
    };
    if (cellsOf(block).length !== found.length) return null;
    blocks.push(block);
  }
  return blocks;
}

const widthAcross = ({ x0M, x1M, y0M, y1M }: Rectangle, ridge: 'x' | 'y'): number =>
  ridge === 'x' ? y1M - y0M : x1M - x0M;

const wing = (
  { x0M, x1M, y0M, y1M }: Rectangle,
  ridge: 'x' | 'y',
  lower: WingEnd,
  higher: WingEnd,
  id = v7(),
): Wing => ({ id, x0M, x1M, y0M, y1M, ridge, lower, higher, low: ridge === 'x' ? 'y0' : 'x0' });

/** The wings of a roof over one main block along a ridge; null where what is beside it joins none of its long sides. */
function wingsOver(
  main: Rectangle,
  ridge: 'x' | 'y',
  rest: readonly Rectangle[],
  end: WingEnd,
): readonly Wing[] | null {
  const whole = wing(main, ridge, end, end);
  const across = ridge === 'x' ? 'y' : 'x';
  const joining = rest.map((each): Wing | null => {
    if (widthAcross(each, across) > widthAcross(main, ridge) + SAME_M) return null;
    const [low, high, mainLow, mainHigh] =
      ridge === 'x' ? [each.y0M, each.y1M, main.y0M, main.y1M] : [each.x0M, each.x1M, main.x0M, main.x1M];
    const joins: WingEnd = { kind: 'joins', wing: whole.id };
    if (Math.abs(high - mainLow) <= SAME_M) return wing(each, across, end, joins);
    if (Math.abs(low - mainHigh) <= SAME_M) return wing(each, across, joins, end);
    return null;
  });
  return joining.some((each) => each === null) ? null : [whole, ...joining.filter((each) => each !== null)];
}

/**
 * Wings of a sloping roof over a part of right angles: the largest block that all others can join at its long sides, and
 * these. Null where there is none such: then its wings are for whoever knows the roof.
 * @param end how wings end that join none: with a gable or a hip
 * @param run the axis along which the ridge of the block runs; left out: along its longer side
 */
export function fittingWings(
  part: RoofedPart,
  end: 'gable' | 'hip',
  run?: Wing['ridge'],
): readonly Wing[] | null {
  const grid = gridOf(part);
  if (grid === null) return null;
  const ways = blocksIn(grid).flatMap((main) => {
    const rest = restOf(grid, main);
    if (rest === null) return [];
    const rectangle = rectangleOf(main, grid);
    const areaM2 = (rectangle.x1M - rectangle.x0M) * (rectangle.y1M - rectangle.y0M);
    const beside = rest.map((block) => rectangleOf(block, grid));
    return (run === undefined ? (['x', 'y'] as const) : [run]).flatMap((ridge) => {
      const wings = wingsOver(rectangle, ridge, beside, { kind: end });
      return wings === null ? [] : [{ wings, areaM2, acrossM: widthAcross(rectangle, ridge) }];
    });
  });
  // Of one block the ridge runs along its longer side.
  const [best] = ways.sort((a, b) => b.areaM2 - a.areaM2 || a.acrossM - b.acrossM);
  return best?.wings ?? null;
}

/** The wing of a roof of one slope, which fits over a rectangle alone; null over anything else. */
export function leaningWing(part: RoofedPart, low: Wing['low']): Wing | null {
  const wings = fittingWings(part, 'gable') ?? [];
  const [only] = wings;
  return only === undefined || wings.length > 1 ? null : { ...only, low };
}

/** How a sloping roof is laid over its part. */
export interface RoofLay {
  readonly form: SlopingForm;
  /** How all ends are that join no wing; left out: each as it was, a new one with a gable. */
  readonly end?: 'gable' | 'hip';
  readonly low: Wing['low'];
  /** Left out: along the longer side. */
  readonly run?: Wing['ridge'];
}

/**
 * The wings that a roof has when it is laid so: as they stand in the same order, they stay the ones that they were. Null where
 * none fit.
 * @param idOfNew the id of a wing that is more than there were, by its place
 */
export function laidAgain(
  before: readonly Wing[],
  part: RoofedPart,
  { form, end, low, run }: RoofLay,
  idOfNew: (at: number) => string = () => v7(),
): readonly Wing[] | null {
  const leaning = form === 'monoSlope' ? leaningWing(part, low) : null;
  const wings =
    form === 'slope' ? fittingWings(part, end ?? 'gable', run) : leaning === null ? null : [leaning];
  if (wings === null) return null;
  const ids = new Map(wings.map(({ id }, i) => [id, before[i]?.id ?? idOfNew(i)]));
  const endOf = (fitted: WingEnd, was: WingEnd | undefined): WingEnd => {
    if (fitted.kind === 'joins') return { ...fitted, wing: ids.get(fitted.wing) ?? fitted.wing };
    return end !== undefined || was === undefined || was.kind === 'joins' ? fitted : was;
  };
  return wings.map((each, i) => ({
    ...each,
    id: ids.get(each.id) ?? each.id,
    lower: endOf(each.lower, before[i]?.lower),
    higher: endOf(each.higher, before[i]?.higher),
  }));
}
