import { junctionParts, type JunctionKind, type JunctionPart } from './junction-parts';
import { measurePlan } from './measure-plan';
import { planExample } from './plan-example';
import type { PlanInput, PlanRoof, PlanStorey } from './plan-input';

const NAMES = ['back', 'right', 'front', 'left'] as const;

/** A storey of 10 m × 8 m drawn inside: back from x 0 to 10, right down from y 0 to −8. */
const box = (id: string, extra: Partial<PlanStorey> = {}): PlanStorey => ({
  id,
  heightM: 2.5,
  floorDepthM: 0.3,
  under: 'ground',
  walls: NAMES.map((side, i) => ({
    id: `${id} ${side}`,
    lengthM: i % 2 === 0 ? 10 : 8,
    turnDeg: 90,
    thicknessM: 0.2,
  })),
  ...extra,
});

const house = (storeys: readonly PlanStorey[], roofs: readonly PlanRoof[]): PlanInput => ({
  face: 'inside',
  drawnAt: 'inside',
  storeys,
  roofs,
});

const flat = (id: string, storeyId: string): PlanRoof => ({ id, storeyId, kind: 'flatCeiling' });

const of = (input: PlanInput, kind: JunctionKind): readonly JunctionPart[] =>
  junctionParts(measurePlan(input)).filter((part) => part.kind === kind);

const told = (parts: readonly JunctionPart[]): readonly string[] =>
  parts.map(({ of: own, to, lengthM }) => `${own ?? '–'} + ${to ?? '–'}: ${lengthM.toFixed(3)}`);

const gabled = (extra: Partial<PlanRoof> = {}): PlanRoof => ({
  id: 'roof',
  storeyId: 'low',
  kind: 'slope',
  pitch: 1,
  wings: [{ id: 'wing', rectM: [0, 10, -8, 0], ridge: 'x', ends: ['gable', 'gable'] }],
  ...extra,
});

describe('heads of walls', () => {
  test('each goes to its roof, and under a gable the foot of the gable takes its place', () => {
    const plan = house([box('low')], [gabled()]);
    expect(told(of(plan, 'gableFoot'))).toEqual(['low right + roof: 8.000', 'low left + roof: 8.000']);
    expect(told(of(plan, 'head'))).toEqual(['low back + roof: 10.000', 'low front + roof: 10.000']);
  });

  test('at the outer face too, each gable stands on the whole of its wall', () => {
    const plan: PlanInput = { ...house([box('low')], [gabled()]), face: 'outside' };
    expect(told(of(plan, 'gableFoot'))).toEqual(['low right + roof: 8.400', 'low left + roof: 8.400']);
    expect(told(of(plan, 'head'))).toEqual(['low back + roof: 10.400', 'low front + roof: 10.400']);
  });

  test('a wall that is cut shares the foot of its gable with the part it was cut from', () => {
    const storey = box('low');
    const [back, right, front, left] = storey.walls;
    if (right === undefined || back === undefined || front === undefined || left === undefined)
      throw new Error();
    const walls = [
      back,
      { ...right, lengthM: 3, turnDeg: 0 },
      { ...right, id: 'low right, rest', lengthM: 5 },
      front,
      left,
    ];
    expect(told(of(house([{ ...storey, walls }], [gabled()]), 'gableFoot'))).toEqual([
      'low right + roof: 3.000',
      'low right, rest + roof: 5.000',
      'low left + roof: 8.000',
    ]);
  });

  test('under two roofs a head is cut where one gives way to the other', () => {
    const part: PlanRoof = {
      id: 'part',
      storeyId: 'low',
      kind: 'flatRoof',
      outlineM: [
        [0, 0],
        [4, 0],
        [4, -8],
        [0, -8],
      ],
    };
    expect(told(of(house([box('low')], [part, flat('rest', 'low')]), 'head'))).toEqual([
      'low back + part: 4.000',
      'low back + rest: 6.000',
      'low right + rest: 8.000',
      'low front + rest: 6.000',
      'low front + part: 4.000',
      'low left + part: 8.000',
    ]);
  });

  test('the high side of one slope is a foot where it stands free, and none against a wall above', () => {
    const leaning = gabled({
      kind: 'monoSlope',
      pitch: 0.2,
      wings: [{ id: 'wing', rectM: [0, 10, -8, 0], low: 'y0' }],
    });
    expect(told(of(house([box('low')], [leaning]), 'gableFoot'))).toEqual([
      'low back + roof: 10.000',
      'low right + roof: 8.000',
      'low left + roof: 8.000',
    ]);
  });
});

describe('feet of walls', () => {
  const upper = box('up', { under: 'outdoors' });

  test('a rim is known by both walls, and by the upper one at its head', () => {
    const plan = house([box('low', { floorDepthM: 0 }), upper], [flat('roof', 'up')]);
    expect(told(of(plan, 'foot'))).toEqual(
      NAMES.map((name, i) => `low ${name} + –: ${i % 2 === 0 ? 10 : 8}.000`),
    );
    expect(told(of(plan, 'rimFoot'))).toEqual(
      NAMES.map((name, i) => `up ${name} + low ${name}: ${i % 2 === 0 ? 10 : 8}.000`),
    );
    expect(of(plan, 'rimHead').map((part) => part.of)).toEqual(NAMES.map((name) => `up ${name}`));
    expect(of(plan, 'head').map(({ storey }) => storey)).toEqual(['up', 'up', 'up', 'up']);
  });

  test('a storey set back stands on the floor, and the walls that it leaves open have their heads there', () => {
    const small = {
      ...upper,
      startM: [2, 0] as const,
      walls: upper.walls.map((wall, i) => ({ ...wall, lengthM: i % 2 === 0 ? 8 : 8 })),
    };
    const plan = house([box('low'), small], [flat('roof', 'up'), flat('terrace', 'low')]);
    expect(told(of(plan, 'stepIn'))).toEqual(['up left + –: 8.000']);
    expect(told(of(plan, 'head')).filter((each) => each.includes('terrace'))).toEqual([
      'low back + terrace: 2.000',
      'low front + terrace: 2.000',
      'low left + terrace: 8.000',
    ]);
  });

  test('a storey that hangs over has an edge there, and the head of the wall below it lies under its floor', () => {
    const wide = {
      ...upper,
      startM: [-1, 0] as const,
      walls: upper.walls.map((wall, i) => ({ ...wall, lengthM: i % 2 === 0 ? 11 : 8 })),
    };
    const plan = house([box('low'), wide], [flat('roof', 'up')]);
    expect(told(of(plan, 'overhangEdge'))).toEqual([
      'up back + –: 1.000',
      'up front + –: 1.000',
      'up left + –: 8.000',
    ]);
    expect(told(of(plan, 'headUnderFloor'))).toEqual(['low left + –: 8.000']);
  });
});

test('a corner is that of the wall that begins there, out or in', () => {
  const turns = [90, 90, -90, 90, 90, 90];
  const lengths = [10, 4, 4, 4, 6, 8];
  const walls = turns.map((turnDeg, i) => ({
    id: `w${i + 1}`,
    lengthM: lengths[i] ?? 0,
    turnDeg,
    thicknessM: 0.2,
  }));
  const plan = house([{ ...box('low'), walls }], [flat('roof', 'low')]);
  expect(of(plan, 'cornerIn').map((part) => part.of)).toEqual(['w4']);
  expect(of(plan, 'cornerOut').map((part) => part.of)).toEqual(['w2', 'w3', 'w5', 'w6', 'w1']);
});

test('frames are known by their openings, one in a roof too', () => {
  const plan = {
    ...planExample,
    openings: [
      { id: 'window', on: 'front', widthM: 1, heightM: 1.5, count: 2 },
      { id: 'above', on: planExample.roofs[0]?.id ?? '', widthM: 1, heightM: 1 },
    ],
  };
  expect(of(plan, 'frame')).toEqual([
    { kind: 'frame', of: 'window', to: null, storey: 'lower', lengthM: 10 },
    { kind: 'frame', of: 'above', to: null, storey: 'upper', lengthM: 4 },
  ]);
});
