import type { Boundary as PlanBoundary, Under as PlanUnder } from '@calvet/core/plan/plan-input';
import { figure, filled, flag, formerly, group, id, list, option, orNull, said } from '../kind/field';
import { kindOf } from '../kind/kind';
import { NAME_MAX, STRETCHES_MAX, WALL_LENGTH_MAX_M, WALL_THICKNESS_MAX_M, WALLS_MAX } from '../limits';
import type { Stored } from '../record';
import { cornersWithIds } from './former-outline';

/** A place on a plan, in m: to the right, and up. */
export interface PlanPlace {
  readonly xM: number;
  readonly yM: number;
}

/** What lies along a part of a wall, indoors. */
export interface Stretch {
  readonly id: string;
  readonly room: string;
  /** Null: what the others leave of its wall, shared among all that say nothing. */
  readonly lengthM: number | null;
}

/** A wall of an outline, from its left end as seen from indoors. */
export interface Wall {
  readonly id: string;
  /** Id of the corner at which it starts. */
  readonly corner: string;
  /** Null: told by its number. */
  readonly name: string | null;
  readonly lengthM: number;
  /** At its end, to the right positive; 0 cuts a wall. */
  readonly turnDeg: number;
  readonly thicknessM: number;
  readonly boundary: PlanBoundary;
  /** Of its lower part; null: none of it is concrete. */
  readonly concreteM: number | null;
  /** Ground above the finished floor at both ends; null: below it. */
  readonly groundStartM: number | null;
  readonly groundEndM: number | null;
  /** It runs on through the floor above. */
  readonly throughFloor: boolean;
  /** Id of a planned build-up; null: as walls of the house have it. */
  readonly buildUp: string | null;
  /** From its start to its end. */
  readonly stretches: readonly Stretch[];
}

/** A heated storey: an outline of walls, clockwise seen from above. */
export interface StoreyBody {
  readonly name: string;
  /** Storeys stand on each other in this order. */
  readonly level: number;
  /** From the finished floor to the head of its walls. */
  readonly heightM: number;
  /** Of its framed floor; 0 for a slab. */
  readonly floorDepthM: number;
  readonly under: PlanUnder;
  readonly start: PlanPlace;
  readonly outline: readonly Wall[];
  /** Opening in its floor: a stair, a hall open upwards. */
  readonly floorVoidM2: number;
  readonly countsAsFloor: boolean;
}

export type Storey = Stored<StoreyBody>;

/** True of a wall that is concrete up to its head. */
export const isConcrete = (
  { concreteM }: Pick<Wall, 'concreteM'>,
  { heightM }: Pick<StoreyBody, 'heightM'>,
): boolean => (concreteM ?? 0) >= heightM;

/** What lies beyond a wall, in words. */
export const BOUNDARY_WORDS = {
  outdoors: 'Outdoors',
  garage: 'Garage',
  unheated: 'Unheated room',
  neighbour: 'Neighbour',
} as const satisfies Readonly<Record<PlanBoundary, string>>;

/** What lies below a floor, in words. */
export const UNDER_WORDS = {
  ground: 'Ground',
  crawlSpace: 'Crawl space',
  unheated: 'Unheated cellar',
  outdoors: 'Open air',
} as const satisfies Readonly<Record<PlanUnder, string>>;

const COORDINATE_MAX_M = 1000;
const GROUND_MAX_M = 100;

/** A coordinate on a plan, in m. */
export const planCoordinate = (label: string) =>
  figure(label, 'length', { min: -COORDINATE_MAX_M, max: COORDINATE_MAX_M });

/** A place on a plan. */
export const planPlace = (label: string) =>
  group<PlanPlace>(label, {
    xM: planCoordinate('right'),
    yM: planCoordinate('up'),
  });

const ground = (label: string) => figure(label, 'length', { min: -GROUND_MAX_M, max: GROUND_MAX_M });

/** What a wall is given by. */
export const wallFields = group<Wall>('', {
  id: id(''),
  corner: id(''),
  name: said('', NAME_MAX),
  lengthM: figure('Length', 'length', { above: 0, max: WALL_LENGTH_MAX_M }),
  turnDeg: figure('Turn at its end', 'plain', { above: -180, below: 180 }),
  thicknessM: figure('Thickness', 'thickness', { min: 0, max: WALL_THICKNESS_MAX_M }),
  boundary: option('Beyond it', BOUNDARY_WORDS),
  concreteM: orNull(figure('Concrete, height', 'length', { above: 0, max: GROUND_MAX_M })),
  groundStartM: orNull(ground('Ground at its start')),
  groundEndM: orNull(ground('Ground at its end')),
  throughFloor: flag('Runs through the floor above'),
  buildUp: orNull(id('Build-up')),
  stretches: list<Stretch>(
    'Rooms along it',
    'A room',
    group<Stretch>('', {
      id: id(''),
      room: filled('', NAME_MAX),
      lengthM: orNull(figure('', 'length', { above: 0, max: WALL_LENGTH_MAX_M })),
    }),
    { most: STRETCHES_MAX },
  ),
});

export const storey = kindOf<StoreyBody>()({
  word: 'Storey',
  ledger: 'house',
  list: 'storeys',
  title: ['name'],
  order: 'as made',
  page: 'drawing',
  isShown: false,
  fields: {
    name: filled('Name', NAME_MAX),
    level: figure('Level', 'count', { min: -20, max: 20, whole: true }),
    heightM: figure('Clear height', 'length', { above: 0, max: 30 }),
    floorDepthM: figure('Depth of its floor frame', 'thickness', { min: 0, max: 3 }),
    under: option('Below its floor', UNDER_WORDS),
    start: planPlace('Start of its outline'),
    outline: formerly(
      list<Wall>('Outline', 'A wall', wallFields, { least: 3, most: WALLS_MAX }),
      cornersWithIds,
    ),
    floorVoidM2: figure('Opening in its floor', 'area', { min: 0, max: 1e4 }),
    countsAsFloor: flag('Counts as floor area'),
  },
});
