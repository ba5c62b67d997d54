import { v7 } from 'uuid';
import { directionOf, gapOf, layOutline, placeAlong } from './lay-outline';
import { newWall } from './outline-shapes';
import type { Storey, Stretch, Wall } from './storey';

/** What is drawn of a storey. */
export type Outline = Pick<Storey, 'start' | 'outline'>;

const SAME_DEG = 1;
/** Less is no wall. */
const LEAST_M = 0.01;

const isOpposite = (oneDeg: number, otherDeg: number): boolean => {
  const off = (((otherDeg - oneDeg) % 360) + 360) % 360;
  return Math.abs(off - 180) <= SAME_DEG;
};

const replaced = (outline: readonly Wall[], at: number, more: Partial<Wall>): readonly Wall[] =>
  outline.map((wall, i) => (i === at ? { ...wall, ...more } : wall));

/** The wall that takes up what another changes by, so that a closed outline stays closed: the longest opposite one. */
function opposite(drawn: Outline, at: number, changeM: number): number | null {
  const laid = layOutline(drawn);
  const own = laid[at];
  if (own === undefined || gapOf(drawn) !== null) return null;
  const [best] = laid
    .map(({ wall, headingDeg }, i) => ({ i, lengthM: wall.lengthM, headingDeg }))
    .filter(
      ({ headingDeg, lengthM }) => isOpposite(own.headingDeg, headingDeg) && lengthM + changeM >= LEAST_M,
    )
    .sort((a, b) => b.lengthM - a.lengthM);
  return best?.i ?? null;
}

/** A wall given another length. Of an outline that closes, the wall opposite follows, where there is one. */
export function withLength(drawn: Outline, at: number, lengthM: number): readonly Wall[] {
  const { outline } = drawn;
  const before = outline[at];
  if (before === undefined) return outline;
  const follows = opposite(drawn, at, lengthM - before.lengthM);
  const changed = replaced(outline, at, { lengthM });
  const other = follows === null ? undefined : outline[follows];
  return follows === null || other === undefined
    ? changed
    : replaced(changed, follows, { lengthM: other.lengthM + lengthM - before.lengthM });
}

/** A wall with other fields than its length: its turn, what lies beyond it, how thick it is. */
export const withWall = (outline: readonly Wall[], id: string, more: Partial<Wall>): readonly Wall[] =>
  outline.map((wall) => (wall.id === id ? { ...wall, ...more } : wall));

/**
 * An outline whose last two walls are set so that it closes, their directions kept, and the last turn so that all come to a whole
 * one. Null where no lengths of these two do that.
 */
export function closedByLastTwo({ start, outline }: Outline): readonly Wall[] | null {
  const laid = layOutline({ start, outline });
  const [one, two] = laid.slice(-2);
  if (one === undefined || two === undefined || outline.length < 3) return null;
  const [a, b] = [directionOf(one.headingDeg), directionOf(two.headingDeg)];
  const way = { xM: start.xM - one.from.xM, yM: start.yM - one.from.yM };
  const sine = a.xM * b.yM - a.yM * b.xM;
  if (Math.abs(sine) < 1e-6) return null;
  const lengths = [(way.xM * b.yM - way.yM * b.xM) / sine, (a.xM * way.yM - a.yM * way.xM) / sine] as const;
  if (lengths.some((lengthM) => lengthM < LEAST_M)) return null;
  const turned = outline.slice(0, -1).reduce((sum, { turnDeg }) => sum + turnDeg, 0);
  const lastTurn = 360 - turned;
  if (Math.abs(lastTurn) >= 180) return null;
  return [
    ...outline.slice(0, -2),
    { ...one.wall, lengthM: lengths[0] },
    { ...two.wall, lengthM: lengths[1], turnDeg: lastTurn },
  ];
}

/** Where along its wall each of its stretches begins and ends. */
export function placedStretches({ lengthM, stretches }: Pick<Wall, 'lengthM' | 'stretches'>): readonly {
  readonly stretch: Stretch;
  readonly fromM: number;
  readonly toM: number;
}[] {
  const said = stretches.reduce((sum, stretch) => sum + (stretch.lengthM ?? 0), 0);
  const open = stretches.filter((stretch) => stretch.lengthM === null).length;
  const shareM = open === 0 ? 0 : Math.max(0, lengthM - said) / open;
  let fromM = 0;
  return stretches.map((stretch) => {
    const toM = Math.min(lengthM, fromM + (stretch.lengthM ?? shareM));
    const placed = { stretch, fromM, toM };
    fromM = toM;
    return placed;
  });
}

/** A wall cut in two, and what that does to what lies along it. */
export interface CutOutline {
  readonly outline: readonly Wall[];
  /** The parts that the wall has become, by id, and where along it the second begins. */
  readonly parts: readonly [first: string, second: string];
  readonly atM: number;
}

/**
 * Cuts a wall, with a turn of 0° between its parts. The longer part stays the wall that it was, where they are alike the first;
 * stretches go with the part on which more of them lies.
 */
export function withCut(outline: readonly Wall[], at: number, atM: number): CutOutline | null {
  const wall = outline[at];
  if (wall === undefined || atM < LEAST_M || wall.lengthM - atM < LEAST_M) return null;
  const isFirstLonger = atM >= wall.lengthM - atM;
  const level = (m: number): number | null =>
    wall.groundStartM === null || wall.groundEndM === null
      ? null
      : wall.groundStartM + ((wall.groundEndM - wall.groundStartM) * m) / wall.lengthM;
  const placed = placedStretches(wall);
  const isInFirst = ({ fromM, toM }: { readonly fromM: number; readonly toM: number }) =>
    (fromM + toM) / 2 < atM;
  const ofPart = (isFirst: boolean): readonly Stretch[] =>
    placed
      .filter((each) => isInFirst(each) === isFirst)
      .map(({ stretch, fromM, toM }) => {
        const lengthM = isFirst ? Math.min(toM, atM) - fromM : toM - Math.max(fromM, atM);
        return { ...stretch, lengthM: stretch.lengthM === null ? null : lengthM };
      });
  const first: Wall = {
    ...wall,
    id: isFirstLonger ? wall.id : v7(),
    name: isFirstLonger ? wall.name : null,
    lengthM: atM,
    turnDeg: 0,
    groundEndM: level(atM),
    stretches: ofPart(true),
  };
  const second: Wall = {
    ...wall,
    id: isFirstLonger ? v7() : wall.id,
    corner: v7(),
    name: isFirstLonger ? null : wall.name,
    lengthM: wall.lengthM - atM,
    groundStartM: level(atM),
    stretches: ofPart(false),
  };
  return {
    outline: [...outline.slice(0, at), first, second, ...outline.slice(at + 1)],
    parts: [first.id, second.id],
    atM,
  };
}

/** True where a wall goes straight on into the next. */
export const isCutAfter = (outline: readonly Wall[], at: number): boolean =>
  outline.length > 3 && outline[at]?.turnDeg === 0;

/** Two walls joined, and what that does to what lies along them. */
export interface JoinedOutline {
  readonly outline: readonly Wall[];
  /** The wall that both are now, and the one that went into it. */
  readonly kept: string;
  readonly gone: string;
  /** By how much what lay along each is farther along now. */
  readonly keptShiftM: number;
  readonly goneShiftM: number;
}

/** Joins a wall with the one that it goes straight on into; the longer one stays itself. Null where it does not. */
export function withJoin(outline: readonly Wall[], at: number): JoinedOutline | null {
  const first = outline[at];
  const second = outline[(at + 1) % outline.length];
  if (first === undefined || second === undefined || !isCutAfter(outline, at)) return null;
  const isFirstLonger = first.lengthM >= second.lengthM;
  const [kept, gone] = isFirstLonger ? [first, second] : [second, first];
  const fixed = (wall: Wall): readonly Stretch[] =>
    placedStretches(wall).map(({ stretch, fromM, toM }) => ({ ...stretch, lengthM: toM - fromM }));
  const joined: Wall = {
    ...kept,
    corner: first.corner,
    lengthM: first.lengthM + second.lengthM,
    turnDeg: second.turnDeg,
    groundStartM: first.groundStartM === null || second.groundEndM === null ? null : first.groundStartM,
    groundEndM: first.groundStartM === null || second.groundEndM === null ? null : second.groundEndM,
    stretches: [...fixed(first), ...fixed(second)],
  };
  const outlineNow = outline.flatMap((wall): readonly Wall[] =>
    wall === second ? [] : wall === first ? [joined] : [wall],
  );
  return {
    outline: outlineNow,
    kept: kept.id,
    gone: gone.id,
    keptShiftM: isFirstLonger ? 0 : first.lengthM,
    goneShiftM: isFirstLonger ? first.lengthM : 0,
  };
}

/** An outline with a wall more behind one, as thick as it, turning right. */
export function withWallAfter(outline: readonly Wall[], at: number, lengthM: number): readonly Wall[] {
  const before = outline[at];
  if (before === undefined) return outline;
  return [...outline.slice(0, at + 1), newWall(lengthM, 90, before), ...outline.slice(at + 1)];
}

/** An outline without one of its walls; as it is where no more than three are left. */
export const withoutWall = (outline: readonly Wall[], at: number): readonly Wall[] =>
  outline.length <= 3 ? outline : outline.filter((_, i) => i !== at);

/** An outline moved sideways at one wall: those beside it grow or shrink along their own directions. Null where one would be gone. */
export function withWallMoved(drawn: Outline, at: number, outwardsM: number): Outline | null {
  const { outline, start } = drawn;
  const laid = layOutline(drawn);
  const count = outline.length;
  const [own, before, after] = [laid[at], laid[(at + count - 1) % count], laid[(at + 1) % count]];
  if (own === undefined || before === undefined || after === undefined || gapOf(drawn) !== null) return null;
  const sineOf = (one: number, other: number) => Math.sin(((other - one) * Math.PI) / 180);
  const [into, outOf] = [sineOf(before.headingDeg, own.headingDeg), sineOf(own.headingDeg, after.headingDeg)];
  if (Math.abs(into) < 1e-6 || Math.abs(outOf) < 1e-6) return null;
  // Outwards is to the left of a wall's run: one that turned right into it gets longer by it.
  const beforeM = outwardsM / into;
  const afterM = outwardsM / outOf;
  const cotangent = (one: number, other: number) => {
    const radians = ((other - one) * Math.PI) / 180;
    return Math.cos(radians) / Math.sin(radians);
  };
  const ownM =
    -outwardsM * cotangent(before.headingDeg, own.headingDeg) -
    outwardsM * cotangent(own.headingDeg, after.headingDeg);
  const lengths = new Map([
    [before.wall.id, before.wall.lengthM + beforeM],
    [own.wall.id, own.wall.lengthM + ownM],
    [after.wall.id, after.wall.lengthM + afterM],
  ]);
  if ([...lengths.values()].some((lengthM) => lengthM < LEAST_M)) return null;
  const changed = outline.map((wall) => ({ ...wall, lengthM: lengths.get(wall.id) ?? wall.lengthM }));
  // The corner at which the outline begins is that of its first wall.
  if (at === 0) return { start: placeAlong(start, before.headingDeg, beforeM), outline: changed };
  if (at === count - 1) return { start: placeAlong(start, after.headingDeg, -afterM), outline: changed };
  return { start, outline: changed };
}

/** An outline seen in a mirror whose line runs upwards: what was right is left. */
export function mirrored({ start, outline }: Outline): Outline {
  const count = outline.length;
  const first = outline[0];
  const turned = (wall: Wall, corner: string, turnDeg: number): Wall => ({
    ...wall,
    corner,
    turnDeg,
    groundStartM: wall.groundEndM,
    groundEndM: wall.groundStartM,
    stretches: [...wall.stretches].reverse(),
  });
  return {
    start: { xM: -(start.xM + (first?.lengthM ?? 0)), yM: start.yM },
    outline: outline.map((_, k) => {
      const at = count - k;
      const [before, wall, after] = [at - 1, at, at + 1].map((i) => outline[(i + count) % count]);
      if (before === undefined || wall === undefined || after === undefined)
        throw new Error('Every wall has one before it, and one after.');
      // It starts where it ended.
      return turned(wall, after.corner, before.turnDeg);
    }),
  };
}

/** An outline with the same walls under ids of their own, for a storey that begins as another one stands. */
export const copiedOutline = (outline: readonly Wall[]): readonly Wall[] =>
  outline.map((wall) => ({ ...wall, id: v7(), corner: v7(), stretches: [] }));
