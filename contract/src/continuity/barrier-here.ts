import {
  trace,
  type BarrierArea,
  type Break,
  type Junction,
  type JunctionState,
  type Penetration as TracedPenetration,
  type Trace,
} from '@calvet/core/continuity/trace';
import { AIR_BARRIER_WORDS } from '../plan/schools';
import type { AreaHere, Walk } from '../walk/generate-walk';
import { judgedPenetration } from '../walk/judged-penetration';
import type { JunctionItem } from '../walk/junction-items';
import type { Look } from '../walk/looks';
import { isOpenMend, type Mend } from '../walk/mend';
import type { Penetration } from '../walk/penetration';
import type { RulesHere } from '../walk/rules-here';
import { checkpointsByItem, isVerified, junctionState } from './junction-states';

/** What was found in a house, as far as it says whether its air barrier is whole. */
export interface BarrierKnown {
  readonly looks: ReadonlyMap<string, Look>;
  readonly penetrations: readonly Penetration[];
  readonly mends: readonly Mend[];
  /** Ids of holes that have to be looked at again. */
  readonly holesAgain?: ReadonlySet<string>;
  /** As the house has them. */
  readonly rules?: RulesHere;
}

/** A junction of the air barrier, and how it stands with it. */
export interface JunctionHere extends JunctionItem {
  readonly state: JunctionState;
}

/** The air barrier of a house: what it is made of, and where it is not shown to be whole. */
export interface BarrierHere {
  /** Bottom up, in each storey as it is walked. */
  readonly areas: readonly (AreaHere & { readonly isVerified: boolean })[];
  readonly junctions: readonly JunctionHere[];
  readonly holes: readonly TracedPenetration[];
  readonly trace: Trace;
}

/** An opening is tight in itself: its joint to the wall is a junction. */
const OPENING_BARRIER = 'Frame and leaf';
/** Inner walls of which no length is known are as high as a room. */
const MEETS_M = 2.5;
/** Before the number of a part of a junction: no key holds it. */
const PART = '#';
/** As many sides as the computation takes. */
const SIDES_MAX = 100;

/** What of a walk the air barrier is made from, whatever was found: the same for each verdict. */
interface Made {
  readonly areas: readonly AreaHere[];
  readonly byItem: ReturnType<typeof checkpointsByItem>;
}

const made = new WeakMap<Walk, Made>();

function madeOf(walk: Walk): Made {
  const before = made.get(walk);
  if (before !== undefined) return before;
  const now = { areas: inWalkingOrder(walk), byItem: checkpointsByItem(walk) };
  made.set(walk, now);
  return now;
}

/** Areas bottom up: of a storey its floor, its walls as they are walked, each after the rim on which it stands, its roofs. */
function inWalkingOrder({ areas, stops }: Walk): readonly AreaHere[] {
  const storeys = [...new Set(areas.map(({ at }) => at.storeyId))];
  const walls = new Map<string, number>();
  stops.forEach(({ wall }, i) => {
    if (wall !== null && !walls.has(wall)) walls.set(wall, i);
  });
  const rank = ({ at, kind }: AreaHere): number => {
    if (kind === 'floor') return -1;
    return at.wall === null ? Infinity : (walls.get(at.wall) ?? stops.length);
  };
  return areas
    .map((area, i) => ({ area, i }))
    .sort(
      (a, b) =>
        storeys.indexOf(a.area.at.storeyId) - storeys.indexOf(b.area.at.storeyId) ||
        order(rank(a.area), rank(b.area)) ||
        a.i - b.i,
    )
    .map(({ area }) => area);
}

const order = (a: number, b: number): number => (a === b ? 0 : a < b ? -1 : 1);

/** Ends of junctions: each area has as many sides as it is drawn with. */
function joined(
  areas: readonly AreaHere[],
  junctions: readonly JunctionHere[],
): { readonly sides: ReadonlyMap<string, number>; readonly junctions: readonly Junction[] } {
  const kinds = new Map(areas.map(({ key, kind }) => [key, kind]));
  const sides = new Map<string, number>();
  const placeIn = (area: string): string => {
    if (kinds.get(area) === 'opening') return 'frame';
    const side = Math.min(SIDES_MAX, (sides.get(area) ?? 0) + 1);
    sides.set(area, side);
    return `side:${side}`;
  };
  return {
    // Where more than two meet, the first is joined to each of the others on its share of the length.
    junctions: junctions.flatMap(({ key, areas: of, lengthM, state }): readonly Junction[] => {
      const [first, ...others] = of.filter((area) => kinds.has(area));
      if (first === undefined) return [];
      const pairs = others.length === 0 ? [[first]] : others.map((other) => [first, other]);
      return pairs.map((pair, i) => ({
        id: i === 0 ? key : `${key}${PART}${i + 1}`,
        ends: pair.map((areaId) => ({ areaId, place: placeIn(areaId) })),
        lengthM: (lengthM ?? MEETS_M) / pairs.length,
        state,
      }));
    }),
    sides,
  };
}

/** Holes and leaks in the areas that are there. */
function holesIn(
  walk: Walk,
  { penetrations, mends, holesAgain, rules }: BarrierKnown,
): readonly TracedPenetration[] {
  const areas = new Map(walk.areas.map((area) => [area.key, area]));
  const holes = penetrations.flatMap((hole): readonly TracedPenetration[] => {
    const area = areas.get(hole.item);
    if (hole.made !== 'made' || area === undefined) return [];
    const { verdict, asked } = judgedPenetration(hole, area.barrier, rules);
    const isTight = verdict === 'fits' && asked.length === 0 && holesAgain?.has(hole.id) !== true;
    const state = verdict === 'wrong' ? 'open' : isTight ? 'sealed' : 'notSeen';
    return [{ id: hole.id, areaId: area.key, state }];
  });
  const leaks = mends.flatMap((mend): readonly TracedPenetration[] => {
    const isLeak = mend.verdict === null && mend.penetration === null;
    if (!isLeak || mend.item === null || !areas.has(mend.item)) return [];
    return [{ id: mend.id, areaId: mend.item, state: isOpenMend(mend) ? 'open' : 'sealed' }];
  });
  return [...holes, ...leaks];
}

/** The air barrier of a house as it is drawn and as far as somebody looked. */
export function barrierHere(walk: Walk, known: BarrierKnown): BarrierHere {
  const { looks, mends } = known;
  const { byItem, areas: inOrder } = madeOf(walk);
  const areas = inOrder.map((area) => ({
    ...area,
    isVerified: area.kind === 'opening' || isVerified(area.key, looks),
  }));
  const junctions = walk.junctions.map((item): JunctionHere => ({
    ...item,
    state: junctionState(item, { looks, mends, byItem }),
  }));
  const { sides, junctions: joints } = joined(areas, junctions);
  const holes = holesIn(walk, known);
  const traced = areas.map(({ key, kind, barrier, isVerified: verified }): BarrierArea => ({
    id: key,
    // Edges are those with which it is drawn, and no others.
    kind: kind === 'opening' ? 'opening' : 'floor',
    airBarrierLayer:
      kind === 'opening' ? OPENING_BARRIER : barrier === null ? undefined : AIR_BARRIER_WORDS[barrier],
    verified,
    ...(kind === 'opening' ? {} : { sides: sides.get(key) ?? 1 }),
  }));
  return {
    areas,
    junctions,
    holes,
    trace: trace({ areas: traced, junctions: joints, penetrations: holes }),
  };
}

/** The key of the junction that a break is in. */
export const junctionOf = ({ junctionId }: Break): string | undefined => junctionId?.split(PART)[0];

/** A place where the barrier is open, and not only unknown. */
export const isOpenBreak = ({ kind }: Break): boolean =>
  kind === 'junction-open' || kind === 'penetration-open';
