import type { JunctionState } from '@calvet/core/continuity/trace';
import type { BarrierHere } from './barrier-here';

/** How it stands with a piece of the air barrier. */
export type BarrierState = JunctionState;

/** A piece of the air barrier as it is unrolled: an area, one of its junctions, or a hole in it. */
export interface Unrolled {
  /** Key of the area or the junction, id of the hole. */
  readonly key: string;
  readonly what: 'area' | 'junction' | 'hole';
  readonly state: BarrierState;
  readonly lengthM: number;
}

/** A hole is so long on the strip that it is seen beside a wall. */
const HOLE_M = 0.5;
/** An area counts as much on the strip as so many metres of junction: its sheet is one thing to look at. */
const AREA_M = 2;

/** Each thing under every key that it is of, in their order. */
function under<Item>(
  items: readonly Item[],
  keysOf: (item: Item) => readonly string[],
): (key: string) => readonly Item[] {
  const all = new Map<string, Item[]>();
  for (const item of items) {
    for (const key of keysOf(item)) {
      const there = all.get(key);
      if (there === undefined) all.set(key, [item]);
      else there.push(item);
    }
  }
  return (key) => all.get(key) ?? [];
}

/** The air barrier as one strip: each area in its order, then its holes, then the junctions that were not met before. */
export function unrolled({ areas, junctions, holes }: BarrierHere): readonly Unrolled[] {
  const met = new Set<string>();
  const holesOf = under(holes, ({ areaId }) => [areaId]);
  const junctionsOf = under(junctions, (junction) => junction.areas);
  return areas.flatMap(({ key, kind, barrier, isVerified }): readonly Unrolled[] => {
    const own: readonly Unrolled[] =
      kind === 'opening'
        ? []
        : [
            {
              key,
              what: 'area',
              state: barrier !== null && isVerified ? 'sealed' : 'notSeen',
              lengthM: AREA_M,
            },
          ];
    const inIt = holesOf(key).map(({ id, state }): Unrolled => ({
      key: id,
      what: 'hole',
      state,
      lengthM: HOLE_M,
    }));
    const joins = [...new Set(junctionsOf(key))].filter((junction) => !met.has(junction.key));
    joins.forEach((junction) => met.add(junction.key));
    return [
      ...own,
      ...inIt,
      ...joins.map(({ key: id, state, lengthM }): Unrolled => ({
        key: id,
        what: 'junction',
        state,
        lengthM: lengthM ?? AREA_M,
      })),
    ];
  });
}

const WORST_FIRST: readonly BarrierState[] = ['open', 'notSeen', 'sealed', 'notNeeded'];

/** A stretch of the strip in one state, from one pixel to another. */
export interface Stretch {
  readonly state: BarrierState;
  readonly fromPx: number;
  readonly toPx: number;
}

/** The strip in so many pixels: where one holds several pieces, the worst of them shows. */
export function inPixels(pieces: readonly Unrolled[], widthPx: number): readonly Stretch[] {
  const total = pieces.reduce((sum, { lengthM }) => sum + lengthM, 0);
  if (total <= 0 || widthPx < 1) return [];
  const worst = new Array<number>(Math.floor(widthPx)).fill(WORST_FIRST.length);
  let atM = 0;
  for (const { state, lengthM } of pieces) {
    const from = Math.floor((atM / total) * worst.length);
    atM += lengthM;
    const to = Math.max(from + 1, Math.ceil((atM / total) * worst.length));
    for (let px = from; px < Math.min(to, worst.length); px++)
      worst[px] = Math.min(worst[px] ?? Infinity, WORST_FIRST.indexOf(state));
  }
  const stretches: Stretch[] = [];
  worst.forEach((rank, px) => {
    const state = WORST_FIRST[rank] ?? 'notNeeded';
    const before = stretches.at(-1);
    if (before?.state === state) stretches[stretches.length - 1] = { ...before, toPx: px + 1 };
    else stretches.push({ state, fromPx: px, toPx: px + 1 });
  });
  return stretches;
}
