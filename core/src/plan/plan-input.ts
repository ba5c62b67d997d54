import {
  CORNERS_MAX,
  OPENINGS_MAX,
  PLAN_OPENINGS_MAX,
  ROOFS_MAX,
  STOREYS_MAX,
  WALL_LENGTH_MAX_M,
  WALL_THICKNESS_MAX_M,
  WALLS_MAX,
  WINGS_MAX,
  ZONES_MAX,
} from '../limits';
import {
  as,
  boolean,
  fields,
  figure,
  list,
  nonNegative,
  number,
  option,
  optional,
  positive,
  text,
  type Schema,
} from '../schema';

/** Where lengths are taken: at the inner or the outer side of walls. */
export type Face = 'inside' | 'outside';
/** What lies beyond a wall. */
export type Boundary = 'outdoors' | 'garage' | 'unheated' | 'neighbour';
/** What lies below a floor where neither a heated storey nor a zone does. */
export type Under = 'ground' | 'crawlSpace' | 'unheated' | 'outdoors';
export type RoofKind = 'flatCeiling' | 'flatRoof' | 'slope' | 'monoSlope';
/** Two coordinates in metres: to the right, and up. */
export type Place = readonly [x: number, y: number];

/** A wall of an outline, from its left end as seen from indoors. */
export interface PlanWall {
  readonly id: string;
  readonly lengthM: number;
  /** At its end, positive to the right; 0 cuts a wall. */
  readonly turnDeg: number;
  readonly thicknessM: number;
  readonly boundary?: Boundary;
  /** Height of its lower part that is concrete. */
  readonly concreteM?: number;
  /** Ground above the finished floor, at both ends; below the floor where left out. */
  readonly groundStartM?: number;
  readonly groundEndM?: number;
  /** It runs on through the floor above. */
  readonly throughFloor?: boolean;
}

/** An unheated room beside a storey. */
export interface PlanZone {
  readonly id: string;
  readonly kind: 'garage' | 'unheated';
  readonly outlineM: readonly Place[];
}

export interface PlanStorey {
  readonly id: string;
  /** From the finished floor to the head of its walls. */
  readonly heightM: number;
  /** Of its framed floor; 0 for a slab. */
  readonly floorDepthM: number;
  readonly under: Under;
  readonly startM?: Place;
  /** Clockwise, seen from above. */
  readonly walls: readonly PlanWall[];
  readonly zones?: readonly PlanZone[];
  readonly floorVoidM2?: number;
  readonly countsAsFloor?: boolean;
}

/** A rectangle of a sloping roof. */
export interface PlanWing {
  readonly id: string;
  readonly rectM: readonly [x0: number, x1: number, y0: number, y1: number];
  /** Of a roof with two slopes: the axis that its ridge runs along, and its ends at the lower and the higher coordinate. */
  readonly ridge?: 'x' | 'y';
  /** `gable`, `hip`, or `joins:` and the wing that it joins. */
  readonly ends?: readonly string[];
  /** Of a roof with one slope: its low side. */
  readonly low?: 'x0' | 'x1' | 'y0' | 'y1';
}

export interface PlanRoof {
  readonly id: string;
  readonly storeyId: string;
  readonly kind: RoofKind;
  /** Left out: all that roofs with an outline leave. */
  readonly outlineM?: readonly Place[];
  /** Rise over run. */
  readonly pitch?: number;
  /** Height of a flat ceiling above the wall head. */
  readonly collarM?: number;
  readonly wings?: readonly PlanWing[];
}

/** Openings of one size, or a number of them by what they come to. */
export interface PlanOpening {
  readonly id: string;
  /** A wall or a roof. */
  readonly on: string;
  readonly widthM?: number;
  readonly heightM?: number;
  readonly totalM2?: number;
  readonly count?: number;
}

export interface PlanInput {
  /** Where figures are taken. */
  readonly face: Face;
  /** Where lengths were typed. */
  readonly drawnAt: Face;
  /** The lowest first. */
  readonly storeys: readonly PlanStorey[];
  readonly roofs: readonly PlanRoof[];
  readonly openings?: readonly PlanOpening[];
}

const face = (label: string) => as(label, option('inside', 'outside'));
const coordinates = (least: number) => list(figure('length'), least, least);
const outline = (): Schema => list(as('Corner', coordinates(2)), 3, CORNERS_MAX);

const wall = fields<PlanWall>({
  id: text(),
  lengthM: number({ quantity: 'length', above: 0, max: WALL_LENGTH_MAX_M }),
  turnDeg: as('Turn at its end', number({ quantity: 'plain', above: -180, below: 180 })),
  thicknessM: number({ quantity: 'thickness', min: 0, max: WALL_THICKNESS_MAX_M }),
  boundary: as('Beyond it', optional(option('outdoors', 'garage', 'unheated', 'neighbour'))),
  concreteM: as('Concrete, height', optional(nonNegative('length'))),
  groundStartM: as('Ground at its start', optional(figure('length'))),
  groundEndM: as('Ground at its end', optional(figure('length'))),
  throughFloor: as('Runs through the floor above', optional(boolean())),
});

const storey = fields<PlanStorey>({
  id: text(),
  heightM: positive('length'),
  floorDepthM: as('Depth of its floor frame', nonNegative('thickness')),
  under: as('Below its floor', option('ground', 'crawlSpace', 'unheated', 'outdoors')),
  startM: as('Start of its outline', optional(coordinates(2))),
  walls: list(wall, 3, WALLS_MAX),
  zones: as(
    'Unheated rooms beside',
    optional(
      list(
        fields<PlanZone>({
          id: text(),
          kind: option('garage', 'unheated'),
          outlineM: as('Outline', outline()),
        }),
        0,
        ZONES_MAX,
      ),
    ),
    'room',
  ),
  floorVoidM2: as('Opening in its floor', optional(nonNegative('area'))),
  countsAsFloor: as('Counts as floor area', optional(boolean())),
});

const wing = fields<PlanWing>({
  id: text(),
  rectM: as('Rectangle', coordinates(4)),
  ridge: as('Ridge along', optional(option('x', 'y'))),
  ends: optional(list(text(), 2, 2)),
  low: as('Low side', optional(option('x0', 'x1', 'y0', 'y1'))),
});

const roof = fields<PlanRoof>({
  id: text(),
  storeyId: as('Storey', text()),
  kind: option('flatCeiling', 'flatRoof', 'slope', 'monoSlope'),
  outlineM: as('Outline', optional(outline())),
  pitch: as('Rise over run', optional(positive('plain'))),
  collarM: as('Height of the collar', optional(positive('length'))),
  wings: optional(list(wing, 1, WINGS_MAX)),
});

const opening = fields<PlanOpening>({
  id: text(),
  on: as('Wall or roof', text()),
  widthM: optional(positive('length')),
  heightM: optional(positive('length')),
  totalM2: as('Area of all', optional(positive('area'))),
  count: optional(number({ quantity: 'plain', min: 1, max: OPENINGS_MAX, whole: true })),
});

/** Schema of what a plan is measured from. */
export const planSchema = fields<PlanInput>({
  face: face('Figures taken at'),
  drawnAt: face('Lengths typed at'),
  storeys: list(storey, 1, STOREYS_MAX),
  roofs: list(roof, 0, ROOFS_MAX),
  openings: optional(list(opening, 0, PLAN_OPENINGS_MAX)),
});
