import { layOutline, placeAlong } from '../plan/lay-outline';
import { placedStretches } from '../plan/outline-edits';
import type { Opening } from '../plan/opening';
import type { PlanPlace, Storey } from '../plan/storey';
import type { Walking } from '../plan/walking';

/** A stretch of a wall: what one stops at, with the wall on one's outer hand. */
export interface WalkedStretch {
  readonly wall: string;
  /** Null where the wall has no stretches: all of it. */
  readonly stretch: string | null;
  readonly room: string | null;
  readonly fromM: number;
  readonly toM: number;
  readonly middle: PlanPlace;
}

/** A side of a house, as it is met outside. */
export type SideOfHouse = 'front' | 'right' | 'back' | 'left';

/** The stretches of a storey as they are drawn, clockwise seen from above. */
export function stretchesOf(storey: Pick<Storey, 'start' | 'outline'>): readonly WalkedStretch[] {
  return layOutline(storey).flatMap(({ wall, from, headingDeg }) => {
    const placed = placedStretches(wall).filter(({ fromM, toM }) => toM > fromM);
    const stretch = (id: string | null, room: string | null, fromM: number, toM: number): WalkedStretch => ({
      wall: wall.id,
      stretch: id,
      room,
      fromM,
      toM,
      middle: placeAlong(from, headingDeg, (fromM + toM) / 2),
    });
    if (placed.length === 0) return [stretch(null, null, 0, wall.lengthM)];
    const saidM = placed.at(-1)?.toM ?? 0;
    const rest = wall.lengthM - saidM > 1e-6 ? [stretch(null, null, saidM, wall.lengthM)] : [];
    return [
      ...placed.map((each) => stretch(each.stretch.id, each.stretch.room, each.fromM, each.toM)),
      ...rest,
    ];
  });
}

const distance = (a: PlanPlace, b: PlanPlace): number => Math.hypot(a.xM - b.xM, a.yM - b.yM);

/** Which stretch has its middle nearest to a place: of several the first as drawn. */
export function nearestTo(stretches: readonly WalkedStretch[], place: PlanPlace): number {
  let best = 0;
  stretches.forEach(({ middle }, i) => {
    const known = stretches[best];
    if (known !== undefined && distance(middle, place) < distance(known.middle, place) - 1e-9) best = i;
  });
  return best;
}

/**
 * Stretches as they are walked, from one of them on round the outline. Turning right one goes anticlockwise, seen from above.
 */
export function roundFrom<T>(
  stretches: readonly T[],
  first: number,
  turning: Walking['turning'],
): readonly T[] {
  const count = stretches.length;
  const step = turning === 'right' ? -1 : 1;
  return stretches.flatMap((_, i) => stretches[(((first + step * i) % count) + count) % count] ?? []);
}

/** The stretch of a wall at a place along it; the first that is left of the wall where it lies on none. */
export const stretchAt = (
  stretches: readonly WalkedStretch[],
  wall: string,
  alongM: number,
): WalkedStretch | undefined =>
  stretches.find((each) => each.wall === wall && alongM >= each.fromM - 1e-9 && alongM <= each.toM + 1e-9) ??
  stretches.find((each) => each.wall === wall);

/** Where one comes in. */
export interface Entrance {
  readonly storeyId: string;
  readonly wall: string;
  /** Index of the stretch with the door, among those of its storey. */
  readonly stretch: number;
  readonly place: PlanPlace;
  /** Of its wall, towards outdoors, counted like turns from a first wall's run. */
  readonly outwardsDeg: number;
}

/** Outwards is to the left of a wall's run. */
const OUTWARDS_DEG = -90;
/** A house is drawn with its front at the foot of the page. */
const FRONT_DEG = 90;

/** The least angle from one bearing to another, regardless of its sense. */
const apartDeg = (one: number, other: number): number => {
  const off = (((other - one) % 360) + 360) % 360;
  return Math.min(off, 360 - off);
};

const DOORS = ['entrance', 'door'] as const;

/** True of a storey of which a wall lies in the ground. */
export const isInGround = ({ outline }: Pick<Storey, 'outline'>): boolean =>
  outline.some(({ groundStartM, groundEndM }) => Math.max(groundStartM ?? 0, groundEndM ?? 0) > 0);

/**
 * Where one comes in: at the entrance door, else at another door, else at the longest wall of the front of the lowest storey that
 * stands free.
 * @param storeys the lowest first
 */
export function entranceOf(storeys: readonly Storey[], openings: readonly Opening[]): Entrance | null {
  for (const use of DOORS) {
    for (const door of openings.filter((each) => each.use === use)) {
      for (const storey of storeys) {
        const laid = layOutline(storey).find(({ wall }) => wall.id === door.on);
        if (laid === undefined) continue;
        const stretches = stretchesOf(storey);
        const alongM = Math.min(laid.wall.lengthM, door.alongM ?? laid.wall.lengthM / 2);
        const at = stretchAt(stretches, door.on, alongM);
        return {
          storeyId: storey.id,
          wall: door.on,
          stretch: at === undefined ? 0 : stretches.indexOf(at),
          place: placeAlong(laid.from, laid.headingDeg, alongM),
          outwardsDeg: laid.headingDeg + OUTWARDS_DEG,
        };
      }
    }
  }
  const storey = storeys.find((each) => each.countsAsFloor && !isInGround(each)) ?? storeys[0];
  if (storey === undefined) return null;
  const laid = layOutline(storey);
  const front = laid
    .filter(({ headingDeg }) => apartDeg(headingDeg + OUTWARDS_DEG, FRONT_DEG) <= 45)
    .sort((a, b) => b.wall.lengthM - a.wall.lengthM)[0];
  const wall = front ?? laid[0];
  if (wall === undefined) return null;
  const stretches = stretchesOf(storey);
  const at = stretchAt(stretches, wall.wall.id, wall.wall.lengthM / 2);
  return {
    storeyId: storey.id,
    wall: wall.wall.id,
    stretch: at === undefined ? 0 : stretches.indexOf(at),
    place: placeAlong(wall.from, wall.headingDeg, wall.wall.lengthM / 2),
    outwardsDeg: wall.headingDeg + OUTWARDS_DEG,
  };
}

const ROUND: Readonly<Record<Walking['turning'], readonly SideOfHouse[]>> = {
  right: ['front', 'right', 'back', 'left'],
  left: ['front', 'left', 'back', 'right'],
};
const SIDE_DEG: Readonly<Record<SideOfHouse, number>> = { front: 0, right: -90, back: 180, left: 90 };

/** Less than that is a tie. */
const TIE_DEG = 1e-6;

/**
 * The sides of a house in the order in which one comes to them outside, each with its walls: those whose bearing is within 45° of
 * its own, of all storeys together; of two that are as near the side that is met first.
 */
export function sidesRound(
  storeys: readonly Pick<Storey, 'start' | 'outline'>[],
  { outwardsDeg }: Pick<Entrance, 'outwardsDeg'>,
  turning: Walking['turning'],
): readonly { readonly side: SideOfHouse; readonly walls: readonly string[] }[] {
  const sides = ROUND[turning].map((side) => ({ side, walls: [] as string[] }));
  for (const { wall, headingDeg } of storeys.flatMap(layOutline)) {
    const offs = sides.map(({ side }) => apartDeg(headingDeg + OUTWARDS_DEG, outwardsDeg + SIDE_DEG[side]));
    const least = Math.min(...offs);
    sides[offs.findIndex((off) => off <= least + TIE_DEG)]?.walls.push(wall.id);
  }
  return sides;
}
