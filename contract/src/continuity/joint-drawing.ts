import type { BuildUp } from '../installation/area';
import type { BuildUpLayer } from '../installation/layer';
import type { PlanPlace } from '../plan/storey';
import type { JunctionItem } from '../walk/junction-items';
import type { AreaHere } from '../walk/generate-walk';
import { barrierFace, thicknessOf, type TightBy } from './barrier-place';

/** A build-up that meets another, as it is known. */
export interface JoiningSide {
  /** Key of its area. */
  readonly area: string;
  readonly buildUp: Pick<BuildUp, 'layers' | 'gradedLayer'>;
  /** Null: nobody said where its air barrier is. */
  readonly barrier: TightBy | null;
}

/** A layer as it is drawn. */
export interface DrawnLayer {
  readonly id: string;
  readonly kind: BuildUpLayer['kind'];
  readonly corners: readonly PlanPlace[];
  /** Nobody said how thick it is: it is drawn thin. */
  readonly isThicknessKnown: boolean;
}

/** A build-up as it is drawn, from where it is cut off to where it meets the other. */
export interface DrawnSide {
  readonly area: string;
  readonly layers: readonly DrawnLayer[];
  /** Its air barrier, ending where it meets the other; null: nobody said where it is. */
  readonly barrier: readonly [PlanPlace, PlanPlace] | null;
  /** Within it, where it is cut off: its number stands there. */
  readonly label: PlanPlace;
}

/** A junction, cut through the build-ups that meet in it. */
export interface JointDrawing {
  /** Cut upright, or seen from above. */
  readonly seen: 'upright' | 'above';
  readonly sides: readonly DrawnSide[];
  /** What the joint has to bridge, from one air barrier to the other; at one place where they meet. Empty: one is not known. */
  readonly joint: readonly PlanPlace[];
  /** Indoors. */
  readonly inside: PlanPlace;
  /** What is no part of the envelope and stands against it: an inner wall, a floor. */
  readonly against: readonly PlanPlace[] | null;
}

/** Whither something runs, as far right and as far up; as a whole 1. */
type Way = readonly [right: number, up: number];

const UP: Way = [0, 1];
const DOWN: Way = [0, -1];
const LEFT: Way = [-1, 0];
const RIGHT: Way = [1, 0];
const SLOPE_LEFT: Way = [-Math.cos(Math.PI / 6), -Math.sin(Math.PI / 6)];
const SLOPE_RIGHT: Way = [-SLOPE_LEFT[0], SLOPE_LEFT[1]];

/** How two build-ups lie where they meet: whither each runs from there. */
interface Lie {
  readonly seen: JointDrawing['seen'];
  readonly ways: readonly [Way, Way];
  /**
   * Where it is indoors: between the two, or on the other side of both; where they run straight on, to which side. They are
   * then flush inside, flush outside, or in the middle of each other.
   */
  readonly indoors: 'between' | 'beyond' | Way;
  readonly flush?: 'inside' | 'outside' | 'middle';
  /** Something stands against it that is no part of the envelope. */
  readonly isAgainst?: boolean;
}

const CORNER: Lie = { seen: 'above', ways: [LEFT, DOWN], indoors: 'between' };
const FOOT: Lie = { seen: 'upright', ways: [UP, RIGHT], indoors: 'between' };
const RIDGE: Lie = { seen: 'upright', ways: [SLOPE_LEFT, SLOPE_RIGHT], indoors: 'between' };
const ON_BELOW: Lie = { seen: 'upright', ways: [UP, DOWN], indoors: RIGHT, flush: 'outside' };

/** The first build-up is that which the junction names first. */
const LIES: Readonly<Record<JunctionItem['kind'], Lie>> = {
  foot: FOOT,
  stepIn: FOOT,
  overhangEdge: FOOT,
  rimFoot: ON_BELOW,
  rimHead: { ...ON_BELOW, ways: [DOWN, UP] },
  concreteStep: { ...ON_BELOW, ways: [DOWN, UP] },
  headUnderFloor: { ...ON_BELOW, ways: [DOWN, UP], flush: 'inside', isAgainst: true },
  head: { seen: 'upright', ways: [DOWN, RIGHT], indoors: 'between' },
  gableFoot: { ...ON_BELOW, ways: [DOWN, UP] },
  rake: { seen: 'upright', ways: [RIGHT, DOWN], indoors: 'between' },
  ridge: RIDGE,
  hip: RIDGE,
  collar: { seen: 'upright', ways: [RIGHT, SLOPE_LEFT], indoors: 'between' },
  valley: {
    seen: 'upright',
    ways: [
      [SLOPE_LEFT[0], -SLOPE_LEFT[1]],
      [SLOPE_RIGHT[0], -SLOPE_RIGHT[1]],
    ],
    indoors: 'beyond',
  },
  cornerOut: CORNER,
  cornerIn: { ...CORNER, indoors: 'beyond' },
  rimCorner: CORNER,
  straightOn: { seen: 'above', ways: [LEFT, RIGHT], indoors: DOWN, flush: 'inside' },
  frame: { seen: 'above', ways: [RIGHT, LEFT], indoors: DOWN, flush: 'middle' },
  meets: { seen: 'above', ways: [LEFT, RIGHT], indoors: DOWN, flush: 'inside', isAgainst: true },
};

/** Where nobody said how thick a layer is. */
const THIN_M = 0.015;
/** Of a build-up of which nothing is said. */
const PLAIN_M = 0.12;
/** A build-up is drawn so many times as long as the thicker one is thick. */
const LENGTH = 1.5;
const LEAST_LENGTH_M = 0.25;
/** An inner wall or a floor that stands against the envelope. */
const AGAINST_M = 0.12;

const sum = (values: readonly number[]): number => values.reduce((all, each) => all + each, 0);
const along = ({ xM, yM }: PlanPlace, [right, up]: Way, by: number): PlanPlace => ({
  xM: xM + right * by,
  yM: yM + up * by,
});
const ORIGIN: PlanPlace = { xM: 0, yM: 0 };
const dot = (a: Way, b: Way): number => a[0] * b[0] + a[1] * b[1];

/** Across a build-up that runs one way, away from where the other runs. */
function awayFrom(way: Way, other: Way): Way {
  const across: Way = [way[1], -way[0]];
  return dot(across, other) > 0 ? [-across[0], -across[1]] : across;
}

/** Layers of a build-up with their depths; of one without any, one plain one. */
function depthsOf({ layers }: JoiningSide['buildUp']): readonly number[] {
  return layers.length === 0 ? [PLAIN_M] : layers.map((layer) => thicknessOf(layer) ?? THIN_M);
}

/** Where a build-up lies: the place in it at a depth from indoors, where it meets the other and where it is cut off. */
interface Laid {
  readonly meetsAt: (depthM: number) => PlanPlace;
  readonly endsAt: (depthM: number) => PlanPlace;
}

/** Two build-ups of these thicknesses, as they lie at a turn: both are cut along the line from inner to outer corner. */
function laidAtTurn(
  [first, second]: readonly [Way, Way],
  thick: readonly [number, number],
  isIndoorsBetween: boolean,
  lengthM: number,
): readonly [Laid, Laid] {
  const outwards: readonly [Way, Way] = [awayFrom(first, second), awayFrom(second, first)];
  // The far corner lies at each one's thickness from its near face: solved for how far along the first it is.
  const cosine = dot(first, second);
  const sine = Math.sqrt(1 - cosine * cosine);
  const back = -(thick[1] + thick[0] * cosine) / sine;
  const far = along(along(ORIGIN, outwards[0], thick[0]), first, back);
  const laid = (i: 0 | 1, way: Way): Laid => {
    const depthOf = (depthM: number): number => (isIndoorsBetween ? depthM : thick[i] - depthM);
    return {
      meetsAt: (depthM) => {
        const share = depthOf(depthM) / thick[i];
        return { xM: far.xM * share, yM: far.yM * share };
      },
      endsAt: (depthM) => along(along(ORIGIN, outwards[i], depthOf(depthM)), way, lengthM),
    };
  };
  return [laid(0, first), laid(1, second)];
}

/** Two build-ups of these thicknesses that run straight on. */
function laidStraight(
  ways: readonly [Way, Way],
  thick: readonly [number, number],
  indoors: Way,
  flush: NonNullable<Lie['flush']>,
  lengthM: number,
): readonly [Laid, Laid] {
  const outwards: Way = [-indoors[0], -indoors[1]];
  const most = Math.max(...thick);
  const laid = (i: 0 | 1, way: Way): Laid => {
    const spare = most - thick[i];
    const from = flush === 'inside' ? 0 : flush === 'outside' ? spare : spare / 2;
    const meetsAt = (depthM: number): PlanPlace => along(ORIGIN, outwards, from + depthM);
    return { meetsAt, endsAt: (depthM) => along(meetsAt(depthM), way, lengthM) };
  };
  return [laid(0, ways[0]), laid(1, ways[1])];
}

function drawn({ area, buildUp, barrier }: JoiningSide, depths: readonly number[], laid: Laid): DrawnSide {
  const at = (i: number): number => sum(depths.slice(0, i));
  const { layers } = buildUp;
  const all = sum(depths);
  return {
    area,
    layers: depths.map((depthM, i): DrawnLayer => {
      const layer = layers[i];
      const [inner, outer] = [at(i), at(i) + depthM];
      return {
        id: layer?.id ?? area,
        kind: layer?.kind ?? 'resistance',
        corners: [laid.meetsAt(inner), laid.endsAt(inner), laid.endsAt(outer), laid.meetsAt(outer)],
        isThicknessKnown: layer !== undefined && thicknessOf(layer) !== null,
      };
    }),
    barrier:
      barrier === null
        ? null
        : [laid.endsAt(at(barrierFace(buildUp, barrier))), laid.meetsAt(at(barrierFace(buildUp, barrier)))],
    label: laid.endsAt(all / 2),
  };
}

/** Nearer than that two places are one: one knot joins them. */
const SAME_M = 0.03;

/**
 * A junction, cut through the build-ups that meet in it: their layers to scale from indoors outwards, their air barriers, and
 * what the joint has to bridge between these. Slopes lie at 30°, whatever their pitch. Of one build-up alone, it runs through.
 */
export function drawJoint(kind: JunctionItem['kind'], first: JoiningSide, other?: JoiningSide): JointDrawing {
  const second = other ?? first;
  const lie = LIES[kind];
  const { seen, ways, indoors } = lie;
  const depths = [depthsOf(first.buildUp), depthsOf(second.buildUp)] as const;
  const thick = [sum(depths[0]), sum(depths[1])] as const;
  const lengthM = Math.max(LEAST_LENGTH_M, LENGTH * Math.max(...thick));
  const isTurn = typeof indoors === 'string';
  const laid = isTurn
    ? laidAtTurn(ways, thick, indoors === 'between', lengthM)
    : laidStraight(ways, thick, indoors, lie.flush ?? 'inside', lengthM);
  const sides = [drawn(first, depths[0], laid[0]), drawn(second, depths[1], laid[1])] as const;
  const [from, to] = [sides[0].barrier?.[1], sides[1].barrier?.[1]];
  const joint =
    from === undefined || to === undefined
      ? []
      : Math.hypot(to.xM - from.xM, to.yM - from.yM) < SAME_M
        ? [from]
        : [from, to];
  const between: Way = [ways[0][0] + ways[1][0], ways[0][1] + ways[1][1]];
  const size = Math.hypot(...between) || 1;
  const inside = isTurn
    ? along(ORIGIN, between, ((indoors === 'between' ? 0.6 : -0.6) * lengthM) / size)
    : along(ORIGIN, indoors, lengthM * 0.35);
  const half = AGAINST_M / 2;
  return {
    seen,
    sides,
    joint,
    // Beside what stands against it, not on it.
    inside: lie.isAgainst === true ? along(inside, ways[0], lengthM / 2) : inside,
    against:
      lie.isAgainst !== true || isTurn
        ? null
        : [
            along(ORIGIN, ways[0], half),
            along(along(ORIGIN, ways[0], half), indoors, lengthM * 0.7),
            along(along(ORIGIN, ways[1], half), indoors, lengthM * 0.7),
            along(ORIGIN, ways[1], half),
          ],
  };
}

const NOTHING_SAID: JoiningSide['buildUp'] = { layers: [], gradedLayer: null };

/** Which of several areas meet first: a wall is joined to the slope, where a ceiling hangs above it as well. */
const RANK = ['slope', 'flatRoof', 'ceiling'];

/** The two areas between which a junction is drawn: where several meet, those that touch. */
export function meetingIn({ kind, areas }: JunctionItem): readonly string[] {
  const rank = (key: string): number => {
    const at = RANK.findIndex((word) => key.startsWith(`${word}/`));
    return at === -1 ? RANK.length : at;
  };
  const roofs = areas.filter((key) => rank(key) < RANK.length).sort((a, b) => rank(a) - rank(b));
  const others = areas.filter((key) => rank(key) === RANK.length);
  switch (kind) {
    case 'rake':
      return [...roofs.slice(0, 1), ...others.slice(0, 1)];
    case 'ridge':
    case 'hip':
    case 'valley':
      return roofs.slice(0, 1);
    case 'collar': {
      const ceiling = roofs.find((key) => key.startsWith('ceiling/'));
      const slope = roofs.find((key) => key.startsWith('slope/'));
      return [ceiling, slope].flatMap((key) => key ?? []);
    }
    default:
      return [...others, ...roofs].slice(0, 2);
  }
}

/** The build-ups between which a junction is drawn, as they are known. */
export function sidesOf(
  item: JunctionItem,
  envelope: readonly AreaHere[],
  areas: readonly { readonly item: string | null; readonly buildUp: BuildUp }[],
): readonly JoiningSide[] {
  return meetingIn(item).map((area): JoiningSide => {
    const here = envelope.find(({ key }) => key === area);
    return {
      area,
      buildUp: areas.find((each) => each.item === area)?.buildUp ?? NOTHING_SAID,
      barrier: here?.kind === 'opening' ? 'frameAndLeaf' : (here?.barrier ?? null),
    };
  });
}
