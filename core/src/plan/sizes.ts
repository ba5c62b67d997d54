import type { Operation } from '../operation';
import { as, figure, outcome, part } from '../schema';
import { envelopeParts, type FloorPart } from './envelope-parts';
import { junctionParts, type JunctionKind } from './junction-parts';
import { measurePlan, type MeasuredPlan } from './measure-plan';
import { planSchema, type Boundary, type Face, type PlanInput } from './plan-input';

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
export type PlanLengths = Readonly<Record<JunctionKind, number>>;

/** What the envelope of a plan comes to. */
export interface EnvelopeSizes {
  readonly floorAreaM2: number;
  readonly volumeM3: number;
  readonly envelopeAreaM2: number;
  readonly heightM: number;
  readonly areasM2: PlanAreas;
}

/** What a plan comes to. */
export interface PlanSizes extends EnvelopeSizes {
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

const FLOOR_OVER: Readonly<Record<FloorPart['over'], keyof PlanAreas>> = {
  garage: 'floorGarage',
  ground: 'floorGround',
  crawlSpace: 'floorCrawlSpace',
  unheated: 'floorUnheated',
  outdoors: 'floorOutdoors',
};

const sum = <T>(list: readonly T[], of: (each: T) => number): number =>
  list.reduce((total, each) => total + of(each), 0);

function areasOf(plan: MeasuredPlan): PlanAreas {
  const areas: Mutable<PlanAreas> = { ...NO_AREAS };
  for (const part of envelopeParts(plan)) {
    switch (part.kind) {
      case 'wall':
        areas.wallGross += part.grossM2;
        areas.belowGround += part.belowGroundM2;
        areas.concrete += part.concreteM2;
        areas.wallNet += part.grossM2 - part.openingsM2;
        if (part.boundary !== 'outdoors') areas[WALL_TO[part.boundary]] += part.grossM2;
        break;
      case 'floor':
        areas[FLOOR_OVER[part.over]] += part.areaM2;
        break;
      default:
        areas[part.kind] += part.areaM2;
    }
  }
  areas.openings = sum(plan.openings, ({ areaM2 }) => areaM2);
  return areas;
}

function lengthsOf(plan: MeasuredPlan): PlanLengths {
  const lengths: Mutable<PlanLengths> = { ...NO_LENGTHS };
  for (const { kind, of, lengthM } of junctionParts(plan)) {
    lengths[kind] += lengthM;
    // Heads are what is open above less the feet of all gables, those too that stand on no wall.
    if (kind === 'gableFoot' && of === null) lengths.head -= lengthM;
  }
  return lengths;
}

function envelopeOf(areas: PlanAreas): number {
  const floors = areas.floorGround + areas.floorCrawlSpace + areas.floorUnheated + areas.floorGarage;
  const above = areas.gable + areas.ceiling + areas.slope + areas.flatRoof;
  return areas.wallGross + areas.rim + above + floors + areas.floorOutdoors;
}

/**
 * What the envelope of a measured plan comes to.
 * @param face at which it was measured
 * @example envelopeSizesOf(measurePlan(examples['plan.sizes']), 'inside').heightM // 7.712
 */
export function envelopeSizesOf(plan: MeasuredPlan, face: Face): EnvelopeSizes {
  const { storeys, roofs } = plan;
  const areasM2 = areasOf(plan);
  const framed = face === 'outside';
  const counted = storeys.filter(({ storey }) => storey.countsAsFloor !== false);
  const heads = storeys.map(({ storey, floorLevelM }) => floorLevelM + storey.heightM);
  const tops = roofs.flatMap(({ storey, wings }) =>
    wings.map(({ figures }) => storey.floorLevelM + storey.storey.heightM + figures.heightM),
  );
  return {
    floorAreaM2: sum(counted, ({ areaM2, storey }) => areaM2 - (storey.floorVoidM2 ?? 0)),
    volumeM3:
      sum(storeys, ({ areaM2, storey }) => areaM2 * (storey.heightM + (framed ? storey.floorDepthM : 0))) +
      sum(
        roofs.flatMap(({ wings }) => wings),
        ({ figures }) => figures.volumeM3,
      ),
    envelopeAreaM2: envelopeOf(areasM2),
    heightM: Math.max(...heads, ...tops),
    areasM2,
  };
}

/**
 * Sizes of a house from its plan: areas of its envelope, lengths of its junctions, floor area, volume and height, all at one
 * face of its walls (ISO 9972: inside, volume by clear heights). Lengths in m, areas in m², volume in m³.
 * @example planSizes(examples['plan.sizes']).volumeM3 // 320.1
 * @throws {Refusal} `does-not-close`, `crosses-itself`, `thicker-than-room`, `wings-do-not-tile`, `roof-missing`,
 * `opening-exceeds-wall`, and of ids
 */
export function planSizes(input: PlanInput): PlanSizes {
  const plan = measurePlan(input);
  return { ...envelopeSizesOf(plan, input.face), lengthsM: lengthsOf(plan) };
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
