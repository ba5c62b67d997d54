import { areaWhere } from '../geometry/area-where';
import type { Operation } from '../operation';
import { as, figure, outcome, part } from '../schema';
import { PlanIds } from './check-ids';
import { measureOpenings } from './openings';
import { planSchema, type Boundary, type PlanInput, type Under } from './plan-input';
import { measureRoofs, type MeasuredRoof } from './roofs';
import { layStoreys, type LaidStorey, type LaidWall } from './storeys';
import type { MeasuredPiece } from './wall-pieces';
import { cornersOf } from './wings';

/** Areas of an envelope in m², each at the face at which figures are taken. */
export interface PlanAreas {
  readonly wallGross: number;
  readonly wallNet: number;
  readonly wallGarage: number;
  readonly wallUnheated: number;
  readonly wallNeighbour: number;
  readonly rim: number;
  readonly gable: number;
  readonly ceiling: number;
  readonly slope: number;
  readonly flatRoof: number;
  readonly floorGround: number;
  readonly floorCrawlSpace: number;
  readonly floorUnheated: number;
  readonly floorGarage: number;
  readonly floorOutdoors: number;
  readonly openings: number;
  readonly belowGround: number;
  readonly concrete: number;
}

/** Lengths of the junctions of an envelope in m. */
export interface PlanLengths {
  readonly foot: number;
  readonly rimFoot: number;
  readonly rimHead: number;
  readonly stepIn: number;
  readonly overhangEdge: number;
  readonly headUnderFloor: number;
  readonly head: number;
  readonly gableFoot: number;
  readonly rake: number;
  readonly ridge: number;
  readonly collar: number;
  readonly hip: number;
  readonly valley: number;
  readonly cornerOut: number;
  readonly cornerIn: number;
  readonly rimCorner: number;
  readonly concreteStep: number;
  readonly frame: number;
}

/** What a plan comes to. */
export interface PlanSizes {
  readonly floorAreaM2: number;
  readonly volumeM3: number;
  readonly envelopeAreaM2: number;
  readonly heightM: number;
  readonly areasM2: PlanAreas;
  readonly lengthsM: PlanLengths;
}

type Mutable<T> = { -readonly [K in keyof T]: T[K] };

const NO_AREAS: PlanAreas = {
  wallGross: 0,
  wallNet: 0,
  wallGarage: 0,
  wallUnheated: 0,
  wallNeighbour: 0,
  rim: 0,
  gable: 0,
  ceiling: 0,
  slope: 0,
  flatRoof: 0,
  floorGround: 0,
  floorCrawlSpace: 0,
  floorUnheated: 0,
  floorGarage: 0,
  floorOutdoors: 0,
  openings: 0,
  belowGround: 0,
  concrete: 0,
};

const NO_LENGTHS: PlanLengths = {
  foot: 0,
  rimFoot: 0,
  rimHead: 0,
  stepIn: 0,
  overhangEdge: 0,
  headUnderFloor: 0,
  head: 0,
  gableFoot: 0,
  rake: 0,
  ridge: 0,
  collar: 0,
  hip: 0,
  valley: 0,
  cornerOut: 0,
  cornerIn: 0,
  rimCorner: 0,
  concreteStep: 0,
  frame: 0,
};

const WALL_TO: Readonly<Record<Exclude<Boundary, 'outdoors'>, keyof PlanAreas>> = {
  garage: 'wallGarage',
  unheated: 'wallUnheated',
  neighbour: 'wallNeighbour',
};

const FLOOR_OVER: Readonly<Record<Under, keyof PlanAreas>> = {
  ground: 'floorGround',
  crawlSpace: 'floorCrawlSpace',
  unheated: 'floorUnheated',
  outdoors: 'floorOutdoors',
};

/** What a piece of a wall does with the storey below. */
type Foot = 'on' | 'through' | 'stepIn' | 'overhang' | 'foot';

function footOf({ lies, on }: MeasuredPiece, { storey, isLowest }: LaidStorey): Foot {
  if (lies === 'on') return on?.throughFloor === true ? 'through' : 'on';
  if (lies === 'inside') return 'stepIn';
  return storey.under === 'outdoors' && !isLowest ? 'overhang' : 'foot';
}

/** True where a floor frame shows at the foot of a piece. */
function hasRim(foot: Foot, { storey }: LaidStorey): boolean {
  if (storey.floorDepthM === 0) return false;
  return foot === 'on' || foot === 'overhang' || (foot === 'foot' && storey.under !== 'ground');
}

/** Area under a straight line between two heights, of which what lies below 0 or above a height counts not. */
function areaBelow(lengthM: number, startM: number, endM: number, mostM: number): number {
  // Of a line that falls or rises, what is above a level is a triangle or a trapezium.
  const above = (level: number): number => {
    const [a, b] = [startM - level, endM - level];
    if (a <= 0 && b <= 0) return 0;
    if (a >= 0 && b >= 0) return ((a + b) / 2) * lengthM;
    const high = Math.max(a, b);
    return ((high * high) / Math.abs(a - b) / 2) * lengthM;
  };
  return above(0) - above(mostM);
}

function belowGround({ wall, startM, endM }: LaidWall, heightM: number): number {
  const { groundStartM, groundEndM, lengthM } = wall;
  if (groundStartM === undefined || groundEndM === undefined) return 0;
  const levelAt = (m: number) => groundStartM + ((groundEndM - groundStartM) * m) / lengthM;
  return areaBelow(endM - startM, levelAt(startM), levelAt(endM), heightM);
}

class Sums {
  readonly areas: Mutable<PlanAreas> = { ...NO_AREAS };
  readonly lengths: Mutable<PlanLengths> = { ...NO_LENGTHS };

  addWall(areaM2: number, boundary: Boundary = 'outdoors'): void {
    this.areas.wallGross += areaM2;
    if (boundary !== 'outdoors') this.areas[WALL_TO[boundary]] += areaM2;
  }

  addFoot(laid: LaidStorey, piece: MeasuredPiece): void {
    const { floorDepthM } = laid.storey;
    const foot = footOf(piece, laid);
    if (foot === 'through') {
      this.addWall(piece.lengthM * floorDepthM, piece.on?.boundary);
      return;
    }
    if (hasRim(foot, laid)) {
      this.areas.rim += piece.lengthM * floorDepthM;
      this.lengths.rimHead += piece.lengthM;
    }
    const junction = { on: 'rimFoot', stepIn: 'stepIn', overhang: 'overhangEdge', foot: 'foot' } as const;
    this.lengths[junction[foot]] += piece.lengthM;
  }

  addHead({ lies, lengthM }: MeasuredPiece): void {
    if (lies === 'inside') this.lengths.headUnderFloor += lengthM;
    if (lies === 'beyond') this.lengths.head += lengthM;
  }
}

function addWalls(sums: Sums, laid: LaidStorey): void {
  const { heightM, floorDepthM } = laid.storey;
  laid.walls.forEach((each, i) => {
    const { wall, lengthM, below, above } = each;
    sums.addWall(lengthM * heightM, wall.boundary);
    sums.areas.belowGround += belowGround(each, heightM);
    const concreteM = Math.min(wall.concreteM ?? 0, heightM);
    sums.areas.concrete += lengthM * concreteM;
    if (concreteM > 0 && concreteM < heightM) sums.lengths.concreteStep += lengthM;
    below.forEach((piece) => sums.addFoot(laid, piece));
    above.forEach((piece) => sums.addHead(piece));
    if (wall.turnDeg > 0) sums.lengths.cornerOut += heightM;
    if (wall.turnDeg < 0) sums.lengths.cornerIn += heightM;
    const next = laid.walls[(i + 1) % laid.walls.length]?.below[0];
    const reaches = [below.at(-1), next].every(
      (piece) => piece !== undefined && piece.lengthM > 0 && hasRim(footOf(piece, laid), laid),
    );
    if (wall.turnDeg !== 0 && reaches) sums.lengths.rimCorner += floorDepthM;
  });
}

function addFloor(sums: Sums, laid: LaidStorey, lower: LaidStorey | undefined): void {
  const { storey, outline } = laid;
  const openM2 = laid.areaM2 - laid.overBelowM2;
  let restM2 = openM2;
  if (lower !== undefined) {
    const drawn = [outline.drawn, lower.outline.drawn];
    const isOpen = ([isHere, isBelow]: readonly boolean[]) => isHere === true && isBelow !== true;
    const drawnM2 = areaWhere(drawn, isOpen);
    for (const { kind, outlineM } of lower.storey.zones ?? []) {
      const overM2 = areaWhere(
        [...drawn, cornersOf(outlineM)],
        (isInside) => isOpen(isInside) && isInside[2] === true,
      );
      const shareM2 = drawnM2 === 0 ? 0 : (openM2 * overM2) / drawnM2;
      sums.areas[kind === 'garage' ? 'floorGarage' : 'floorUnheated'] += shareM2;
      restM2 -= shareM2;
    }
  }
  sums.areas[FLOOR_OVER[storey.under]] += restM2;
}

function addRoof(sums: Sums, { roof, areaM2, slopes, strips }: MeasuredRoof): void {
  if (slopes === null) {
    sums.areas[roof.kind === 'flatRoof' ? 'flatRoof' : 'ceiling'] += areaM2;
    return;
  }
  sums.areas.ceiling += slopes.flatM2;
  sums.areas.gable += slopes.gableM2;
  sums.areas.slope += (areaM2 - slopes.flatM2) * Math.sqrt(1 + (roof.pitch ?? 0) ** 2);
  for (const { wall, areaM2: stripM2 } of strips) sums.addWall(-stripM2, wall.wall.boundary);
  const { lengths } = sums;
  lengths.gableFoot += slopes.gableFootM;
  lengths.head -= slopes.gableFootM;
  lengths.rake += slopes.rakeM;
  lengths.ridge += slopes.ridgeM;
  lengths.collar += slopes.collarM;
  lengths.hip += slopes.hipM;
  lengths.valley += slopes.valleyM;
}

const sum = <T>(list: readonly T[], of: (each: T) => number): number =>
  list.reduce((total, each) => total + of(each), 0);

function envelopeOf(areas: PlanAreas): number {
  const floors = areas.floorGround + areas.floorCrawlSpace + areas.floorUnheated + areas.floorGarage;
  const above = areas.gable + areas.ceiling + areas.slope + areas.flatRoof;
  return areas.wallGross + areas.rim + above + floors + areas.floorOutdoors;
}

/**
 * Sizes of a house from its plan: areas of its envelope, lengths of its junctions, floor area, volume and height, all at one
 * face of its walls (ISO 9972: inside, volume by clear heights). Lengths in m, areas in m², volume in m³.
 * @example planSizes(examples['plan.sizes']).volumeM3 // 320.1
 * @throws {Refusal} `does-not-close`, `crosses-itself`, `thicker-than-room`, `wings-do-not-tile`, `roof-missing`,
 * `opening-exceeds-wall`, and of ids
 */
export function planSizes(input: PlanInput): PlanSizes {
  const ids = new PlanIds();
  const storeys = layStoreys(input, ids);
  const roofs = measureRoofs(input, storeys, ids);
  ids.takeOpenings(input);
  const openings = measureOpenings(input, storeys);
  const sums = new Sums();
  storeys.forEach((laid, i) => {
    addWalls(sums, laid);
    addFloor(sums, laid, storeys[i - 1]);
  });
  roofs.forEach((roof) => addRoof(sums, roof));
  sums.areas.openings = openings.areaM2;
  sums.areas.wallNet = sums.areas.wallGross - openings.onWallsM2;
  sums.lengths.frame = openings.frameM;
  const framed = input.face === 'outside';
  const counted = storeys.filter(({ storey }) => storey.countsAsFloor !== false);
  const heads = storeys.map(({ storey, floorLevelM }) => floorLevelM + storey.heightM);
  const tops = roofs.map(
    ({ storey, slopes }) => storey.floorLevelM + storey.storey.heightM + (slopes?.heightM ?? 0),
  );
  return {
    floorAreaM2: sum(counted, ({ areaM2, storey }) => areaM2 - (storey.floorVoidM2 ?? 0)),
    volumeM3:
      sum(storeys, ({ areaM2, storey }) => areaM2 * (storey.heightM + (framed ? storey.floorDepthM : 0))) +
      sum(roofs, ({ slopes }) => slopes?.volumeM3 ?? 0),
    envelopeAreaM2: envelopeOf(sums.areas),
    heightM: Math.max(...heads, ...tops),
    areasM2: sums.areas,
    lengthsM: sums.lengths,
  };
}

const area = (label: string) => as(label, figure('area'));
const length = (label: string) => as(label, figure('length'));

export const planSizesOperation: Operation<PlanInput, PlanSizes> = {
  words: {
    shelf: 'house',
    title: 'Sizes from a plan',
    tells: 'Areas, junction lengths, floor area and volume of a house, from the outlines of its storeys.',
    alsoCalled: 'plan, drawing, footprint, storeys, outline, envelope area, volume, roof, gable, junctions',
    mainFigures: ['volumeM3', 'envelopeAreaM2', 'floorAreaM2', 'heightM'],
  },
  schema: planSchema,
  run: planSizes,
  output: outcome<PlanSizes>({
    floorAreaM2: area('Floor area'),
    volumeM3: as('Volume', figure('volume')),
    envelopeAreaM2: area('Envelope'),
    heightM: length('Height'),
    areasM2: as(
      'Areas',
      part({
        wallGross: area('Walls, with openings'),
        wallNet: area('Walls, without openings'),
        wallGarage: area('Walls to a garage'),
        wallUnheated: area('Walls to unheated rooms'),
        wallNeighbour: area('Walls to a neighbour'),
        rim: area('Rims'),
        gable: area('Gables'),
        ceiling: area('Ceilings'),
        slope: area('Slopes'),
        flatRoof: area('Flat roofs'),
        floorGround: area('Floors on the ground'),
        floorCrawlSpace: area('Floors over a crawl space'),
        floorUnheated: area('Floors over unheated rooms'),
        floorGarage: area('Floors over a garage'),
        floorOutdoors: area('Floors over open air'),
        openings: area('Openings'),
        belowGround: area('Walls below the ground'),
        concrete: area('Concrete walls'),
      }),
    ),
    lengthsM: as(
      'Junctions',
      part({
        foot: length('Wall feet'),
        rimFoot: length('Rim feet'),
        rimHead: length('Rim heads'),
        stepIn: length('Steps in'),
        overhangEdge: length('Edges of overhangs'),
        headUnderFloor: length('Wall heads under a floor'),
        head: length('Wall heads'),
        gableFoot: length('Gable feet'),
        rake: length('Rakes'),
        ridge: length('Ridges'),
        collar: length('Collars'),
        hip: length('Hips'),
        valley: length('Valleys'),
        cornerOut: length('Outer corners'),
        cornerIn: length('Inner corners'),
        rimCorner: length('Corners of rims'),
        concreteStep: length('Steps on concrete'),
        frame: length('Frames of openings'),
      }),
    ),
  }),
};
