import { layOutline, type LaidWall } from '../plan/lay-outline';
import { idsIn, itemKey } from '../plan/item-key';
import type { PlanPlace, Storey } from '../plan/storey';
import type { BarrierHere } from './barrier-here';

/** A place of a section: from the wall that was chosen inwards, and up from the lowest floor, in m. */
export interface SectionPlace {
  readonly xM: number;
  readonly yM: number;
}

/** A part of the air barrier as a section meets it. */
export interface SectionPiece {
  /** Key of its area; null: the drawing names none there. */
  readonly area: string | null;
  readonly from: SectionPlace;
  readonly to: SectionPlace;
}

/** Where two parts meet. */
export interface SectionJoint {
  /** Key of the junction; null: they run on. */
  readonly junction: string | null;
  readonly at: SectionPlace;
}

/** The air barrier as one closed line: up the wall that was chosen, over the top, down the other side, along the floor. */
export interface SectionLine {
  readonly pieces: readonly SectionPiece[];
  readonly joints: readonly SectionJoint[];
}

/** One side of a storey where the section cuts it. */
interface Cut {
  readonly wall: LaidWall['wall'];
  readonly xM: number;
}

/** A storey as the section cuts it. */
interface Level {
  readonly storey: Storey;
  readonly floorM: number;
  readonly headM: number;
  readonly near: Cut;
  readonly far: Cut;
}

/** Farther from each other walls of two storeys do not stand on each other. */
const ON_EACH_OTHER_M = 0.2;
/** A slope is drawn as high as that share of its span. */
const RISE = 0.35;

type Parts = Pick<BarrierHere, 'areas' | 'junctions'>;

const along = (place: PlanPlace, axis: PlanPlace): number => place.xM * axis.xM + place.yM * axis.yM;

/** Where a line through a place along an axis meets a wall, counted along the axis; null: it passes by. */
function hitOf({ from, to }: LaidWall, through: PlanPlace, axis: PlanPlace): number | null {
  const across = { xM: -axis.yM, yM: axis.xM };
  const [a, b] = [from, to].map((place) => along(place, across) - along(through, across));
  if (a === undefined || b === undefined || a * b > 0 || a === b) return null;
  const t = a / (a - b);
  return along(from, axis) + (along(to, axis) - along(from, axis)) * t;
}

function levelsOf(storeys: readonly Storey[], through: PlanPlace, axis: PlanPlace): readonly Level[] {
  let headM = 0;
  return storeys.flatMap((storey, i): readonly Level[] => {
    const floorM = i === 0 ? 0 : headM + storey.floorDepthM;
    headM = floorM + storey.heightM;
    const cuts = layOutline(storey)
      .flatMap((laid): readonly Cut[] => {
        const hit = hitOf(laid, through, axis);
        return hit === null ? [] : [{ wall: laid.wall, xM: -hit }];
      })
      .sort((a, b) => a.xM - b.xM);
    const [near, far] = [cuts[0], cuts.at(-1)];
    return near === undefined || far === undefined || near === far
      ? []
      : [{ storey, floorM, headM, near, far }];
  });
}

/** Finds areas and junctions by what they are drawn as. */
class Drawn {
  private readonly areas: ReadonlySet<string>;

  constructor(private readonly parts: Parts) {
    this.areas = new Set(parts.areas.map(({ key }) => key));
  }

  area(...keys: readonly string[]): string | null {
    return keys.find((key) => this.areas.has(key)) ?? null;
  }

  /** The first of some kinds of junction that a wall has. */
  junction(wall: string, ...kinds: readonly string[]): string | null {
    for (const kind of kinds) {
      const found = this.parts.junctions.find((each) => each.kind === kind && idsIn(each.key)[0] === wall);
      if (found !== undefined) return found.key;
    }
    return null;
  }

  floorOf(storey: string): string | null {
    return this.parts.areas.find(({ kind, at }) => kind === 'floor' && at.storeyId === storey)?.key ?? null;
  }

  /** What closes a storey above, of a wall's own roof where it has one. */
  roofOf(storey: string, wall: string): string | null {
    const head = this.parts.junctions.find(
      ({ kind, key }) => (kind === 'head' || kind === 'gableFoot') && idsIn(key)[0] === wall,
    );
    const over = this.parts.areas.filter(
      ({ kind, at }) => (kind === 'ceiling' || kind === 'roof') && at.storeyId === storey,
    );
    return (
      (over.find(({ at }) => head !== undefined && at.roof === idsIn(head.key)[1]) ?? over[0])?.key ?? null
    );
  }
}

/** One side from its foot to its head. */
function sideOf(levels: readonly Level[], side: 'near' | 'far', drawn: Drawn): SectionLine {
  const pieces: SectionPiece[] = [];
  const joints: SectionJoint[] = [];
  levels.forEach((level, i) => {
    const { wall, xM } = level[side];
    const [foot, head] = [
      { xM, yM: level.floorM },
      { xM, yM: level.headM },
    ];
    if (i === 0)
      joints.push({ junction: drawn.junction(wall.id, 'foot', 'stepIn', 'overhangEdge'), at: foot });
    const low = drawn.area(itemKey.concrete(wall.id));
    const high = drawn.area(itemKey.wall(wall.id));
    if (low !== null && high !== null) {
      const step = { xM, yM: Math.min(level.headM, level.floorM + (wall.concreteM ?? 0)) };
      pieces.push({ area: low, from: foot, to: step }, { area: high, from: step, to: head });
      joints.push({ junction: drawn.junction(wall.id, 'concreteStep'), at: step });
    } else pieces.push({ area: high ?? low, from: foot, to: head });
    const above = levels[i + 1];
    if (above === undefined) return;
    const upper = above[side];
    const upFoot = { xM: upper.xM, yM: above.floorM };
    const rim = drawn.area(itemKey.rim(upper.wall.id));
    if (Math.abs(upper.xM - xM) <= ON_EACH_OTHER_M) {
      joints.push({ junction: drawn.junction(upper.wall.id, 'rimFoot'), at: head });
      pieces.push({ area: rim ?? high, from: head, to: upFoot });
    } else {
      // Set in it stands on a roof, set out its floor hangs over.
      const isIn = side === 'near' ? upper.xM > xM : upper.xM < xM;
      joints.push({ junction: drawn.junction(wall.id, 'head', 'headUnderFloor'), at: head });
      const turn = { xM: upper.xM, yM: head.yM };
      pieces.push({
        area: isIn ? drawn.roofOf(level.storey.id, wall.id) : drawn.floorOf(above.storey.id),
        from: head,
        to: turn,
      });
      joints.push({
        junction: drawn.junction(upper.wall.id, ...(isIn ? ['stepIn'] : ['overhangEdge'])),
        at: turn,
      });
      pieces.push({ area: rim ?? drawn.area(itemKey.wall(upper.wall.id)), from: turn, to: upFoot });
    }
    joints.push({ junction: drawn.junction(upper.wall.id, 'rimHead'), at: upFoot });
  });
  const top = levels.at(-1);
  if (top !== undefined) {
    const { wall, xM } = top[side];
    joints.push({
      junction: drawn.junction(wall.id, 'head', 'gableFoot', 'headUnderFloor'),
      at: { xM, yM: top.headM },
    });
  }
  return { pieces, joints };
}

/** What closes the top: level, or two slopes that meet. */
function topOf({ storey, headM, near, far }: Level, drawn: Drawn, parts: Parts): SectionLine {
  const area = drawn.roofOf(storey.id, near.wall.id);
  const [from, to] = [
    { xM: near.xM, yM: headM },
    { xM: far.xM, yM: headM },
  ];
  if (area === null || !area.startsWith('slope/')) return { pieces: [{ area, from, to }], joints: [] };
  const ridge = { xM: (near.xM + far.xM) / 2, yM: headM + (far.xM - near.xM) * RISE };
  const wings = new Set(parts.junctions.filter(({ areas }) => areas.includes(area)).map(({ key }) => key));
  const junction = parts.junctions.find(({ kind, key }) => kind === 'ridge' && wings.has(key))?.key ?? null;
  return {
    pieces: [
      { area, from, to: ridge },
      { area, from: ridge, to },
    ],
    joints: [{ junction, at: ridge }],
  };
}

/**
 * The air barrier where it is cut across the middle of a wall, as one closed line.
 * @param storeys the lowest first
 * @param wallId id of the wall through which it is cut
 * @returns null where there is no such wall, or nothing opposite
 */
export function sectionThrough(storeys: readonly Storey[], parts: Parts, wallId: string): SectionLine | null {
  const laid = storeys.flatMap((storey) => layOutline(storey)).find(({ wall }) => wall.id === wallId);
  if (laid === undefined) return null;
  const { from, to } = laid;
  const lengthM = Math.hypot(to.xM - from.xM, to.yM - from.yM);
  if (lengthM === 0) return null;
  // Indoors lies to the right of a wall's run.
  const axis = { xM: -(to.yM - from.yM) / lengthM, yM: (to.xM - from.xM) / lengthM };
  const middle = { xM: (from.xM + to.xM) / 2, yM: (from.yM + to.yM) / 2 };
  const levels = levelsOf(storeys, middle, axis);
  const [lowest, top] = [levels[0], levels.at(-1)];
  if (lowest === undefined || top === undefined) return null;
  const drawn = new Drawn(parts);
  const [near, far] = [sideOf(levels, 'near', drawn), sideOf(levels, 'far', drawn)];
  const over = topOf(top, drawn, parts);
  const floor: SectionPiece = {
    area: drawn.floorOf(lowest.storey.id),
    from: { xM: lowest.far.xM, yM: lowest.floorM },
    to: { xM: lowest.near.xM, yM: lowest.floorM },
  };
  return {
    pieces: [...near.pieces, ...over.pieces, ...far.pieces, floor],
    joints: [...near.joints, ...over.joints, ...far.joints],
  };
}
