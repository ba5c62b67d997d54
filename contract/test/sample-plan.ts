import { FEATURE_WORDS, newFeature, type Feature, type FeatureUse } from '../src/plan/feature';
import { newWall } from '../src/plan/outline-shapes';
import { NEW_PLAN, type Plan, type PlanBody } from '../src/plan/plan';
import type { Drawing, Planned } from '../src/plan/plan-input';
import { NO_SCHOOLS } from '../src/plan/schools';
import type { Storey, Wall } from '../src/plan/storey';
import { newWork, type Work } from '../src/plan/work';
import { drawingOf, sampleOpening, sampleRoof, sampleStorey } from './sample-drawing';

const carried = { ledgerId: 'h', revision: 1, updatedAt: '', updatedBy: '', deletedAt: null };

/** Walls by id, length and turn, each with a corner of its own. */
export const walls = (
  ...sides: readonly (readonly [id: string, lengthM: number, turnDeg: number])[]
): readonly Wall[] =>
  sides.map(([id, lengthM, turnDeg]) => ({
    ...newWall(lengthM, turnDeg, { thicknessM: 0.3, boundary: 'outdoors' }),
    id,
    corner: `${id} corner`,
  }));

export const samplePlan = (more: Partial<PlanBody> = {}): Plan => ({
  ...NEW_PLAN,
  ...carried,
  id: 'plan',
  ...more,
});

export const sampleFeature = (
  id: string,
  use: FeatureUse,
  on: string,
  more: Partial<Feature> = {},
): Feature => ({
  ...newFeature(use, on),
  ...carried,
  id,
  ...more,
});

/** A drawing with what was put into it, and how it is built. */
export const plannedOf = (
  drawing: Drawing,
  {
    plan = {},
    features = [],
    works = [],
  }: {
    readonly plan?: Partial<PlanBody>;
    readonly features?: readonly Feature[];
    readonly works?: readonly Work[];
  } = {},
): Planned => ({ ...drawing, plans: [samplePlan(plan)], features, works });

export const sampleWork = (id: string, what: Work['what'], on: string, more: Partial<Work> = {}): Work => ({
  ...newWork(what, on),
  ...carried,
  id,
  ...more,
});

/** The ground floor of a T and the storey on its bar; its door in g5. */
export function tee(): { readonly ground: Storey; readonly upper: Storey; readonly drawing: Drawing } {
  const ground = sampleStorey('g', {
    outline: walls(
      ['g1', 12, 90],
      ['g2', 6, 90],
      ['g3', 4, -90],
      ['g4', 5, 90],
      ['g5', 4, 90],
      ['g6', 5, -90],
      ['g7', 4, 90],
      ['g8', 6, 90],
    ),
  });
  const upper = sampleStorey('u', {
    level: 1,
    floorDepthM: 0.3,
    under: 'outdoors',
    outline: walls(['u1', 12, 90], ['u2', 6, 90], ['u3', 12, 90], ['u4', 6, 90]),
  });
  const drawing: Drawing = {
    ...drawingOf(ground, upper),
    roofs: [sampleRoof('g', { form: 'flatRoof' }), sampleRoof('u')],
    openings: [sampleOpening('door', 'g5', { use: 'entrance', widthM: 1, heightM: 2.1, alongM: 2 })],
  };
  return { ground, upper, drawing };
}

/** Framed, filled with batts, with a membrane inside. */
export const FRAMED: Partial<PlanBody> = {
  schools: {
    ...NO_SCHOOLS,
    airBarrier: 'barrierInnerMembrane',
    framing: 'frameSingle',
    insulation: ['fillBatt'],
  },
};

/** A house with a basement in falling ground, a storey that hangs over, a garage, a neighbour and three roofs. */
export function oddHouse(): Drawing {
  const basement = sampleStorey('b', {
    outline: walls(['b1', 10, 90], ['b2', 8, 90], ['b3', 10, 90], ['b4', 8, 90]).map((wall, i) => ({
      ...wall,
      concreteM: i === 2 ? 1 : 2.5,
      groundStartM: i === 2 ? 0.2 : 1.5,
      groundEndM: i === 2 ? 0.2 : 1.5,
    })),
  });
  const ground = sampleStorey('g', {
    level: 1,
    floorDepthM: 0.3,
    under: 'outdoors',
    outline: walls(['g1', 11, 90], ['g2', 8, 90], ['g3', 11, 90], ['g4', 8, 90]).map((wall, i) => ({
      ...wall,
      boundary: i === 1 ? 'garage' : i === 3 ? 'neighbour' : i === 0 ? 'unheated' : 'outdoors',
    })),
  });
  const upper = sampleStorey('u', {
    level: 2,
    floorDepthM: 0.3,
    under: 'outdoors',
    outline: walls(['u1', 6, 90], ['u2', 8, 90], ['u3', 6, 90], ['u4', 8, 90]),
    start: { xM: 2, yM: 0 },
  });
  const rest = (x0: number, x1: number) => [
    { xM: x0, yM: 0 },
    { xM: x1, yM: 0 },
    { xM: x1, yM: -8 },
    { xM: x0, yM: -8 },
  ];
  return {
    plans: [],
    storeys: [basement, ground, upper],
    zones: [
      { ...sampleRoof('g'), id: 'car', name: 'Garage', use: 'garage', storeyId: 'b', outline: rest(10, 13) },
    ],
    roofs: [
      sampleRoof('g', { id: 'flat', form: 'flatRoof', outline: rest(0, 2) }),
      sampleRoof('g', { id: 'attic' }),
      sampleRoof('u', {
        id: 'slopes',
        form: 'slope',
        pitch: 1,
        wings: [
          {
            id: 'wing',
            x0M: 2,
            x1M: 8,
            y0M: -8,
            y1M: 0,
            ridge: 'x',
            lower: { kind: 'gable' },
            higher: { kind: 'gable' },
            low: 'y0',
          },
        ],
      }),
    ],
    openings: [
      sampleOpening('door', 'g3', { use: 'entrance', widthM: 1, heightM: 2.1 }),
      sampleOpening('window', 'u3'),
      sampleOpening('sky', 'slopes', { use: 'roofWindow', widthM: 0.8, heightM: 1.2 }),
      sampleOpening('hatch', 'attic', { use: 'hatch', widthM: 0.7, heightM: 0.7 }),
    ],
  };
}

/** One storey on a slab. */
export const slab = (): Drawing => drawingOf(sampleStorey('s'));
/** A storey over a crawl space, which is a storey itself where it is closed. */
export const overCrawl = (closed: boolean): Drawing => {
  const crawl = sampleStorey('c', {
    heightM: 0.8,
    countsAsFloor: false,
    outline: walls(['c1', 10, 90], ['c2', 8, 90], ['c3', 10, 90], ['c4', 8, 90]).map((wall) => ({
      ...wall,
      groundStartM: 0.3,
      groundEndM: 0.3,
      concreteM: 0.8,
    })),
  });
  const house = sampleStorey('h', {
    level: 1,
    floorDepthM: 0.3,
    under: closed ? 'outdoors' : 'crawlSpace',
    outline: walls(['h1', 10, 90], ['h2', 8, 90], ['h3', 10, 90], ['h4', 8, 90]),
  });
  return closed ? drawingOf(crawl, house) : drawingOf(house);
};

/** Features that are put on roofs; others are on walls. */
export const ON_ROOF: ReadonlySet<FeatureUse> = new Set([
  'dormer',
  'overhangAddedLater',
  'parapet',
  'buriedRoofBarrier',
  'ventedEaves',
  'windTightUnderlay',
  'roofLineInsulated',
  'kneeWall',
  'skylightShaft',
  'recessedLights',
]);
/** Features that call for checkpoints. */
export const USES = (Object.keys(FEATURE_WORDS) as readonly FeatureUse[]).filter(
  (use) => use !== 'plannedService',
);

/** Each of them once. */
export const everyFeature = (wall: string, roof: string) =>
  USES.map((use) => sampleFeature(`the ${use}`, use, ON_ROOF.has(use) ? roof : wall));
