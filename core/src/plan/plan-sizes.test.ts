import fc from 'fast-check';
import { filesOfVectors } from '../../test/vectors';
import { compute } from '../operations';
import { Refusal } from '../refusal';
import type { PlanInput, PlanRoof, PlanStorey, PlanWall } from './plan-input';
import type { PlanSizes } from './sizes';

interface PlanCase {
  readonly name: string;
  readonly input: PlanInput;
  readonly expected: { readonly error?: unknown };
}

const houses = filesOfVectors<PlanCase>()
  .filter(({ operation }) => operation === 'plan.sizes')
  .flatMap(({ cases }) => cases)
  .filter(({ expected }) => expected.error === undefined);

const sizes = (input: PlanInput): PlanSizes => compute('plan.sizes', input);

/** All figures of a plan, one after another. */
const figuresOf = ({ areasM2, lengthsM, ...rest }: PlanSizes): readonly number[] => [
  ...Object.values(rest),
  ...Object.values(areasM2),
  ...Object.values(lengthsM),
];

function expectAlike(one: PlanSizes, other: PlanSizes): void {
  const [a, b] = [figuresOf(one), figuresOf(other)];
  a.forEach((figure, i) => expect(b[i]).toBeCloseTo(figure, 6));
}

const onStoreys = (input: PlanInput, change: (storey: PlanStorey) => PlanStorey): PlanInput => ({
  ...input,
  storeys: input.storeys.map(change),
});

test('there are houses to look at', () => expect(houses.length).toBeGreaterThan(10));

describe.each(houses)('$name', ({ input }) => {
  test('what closes it above lies over what closes it below', () => {
    for (const face of ['inside', 'outside'] as const) {
      const { areasM2 } = sizes({ ...input, face });
      const pitch = input.roofs.find((roof) => roof.pitch !== undefined)?.pitch ?? 0;
      const above = areasM2.ceiling + areasM2.flatRoof + areasM2.slope / Math.sqrt(1 + pitch * pitch);
      const { floorGround, floorCrawlSpace, floorUnheated, floorGarage, floorOutdoors } = areasM2;
      expect(above).toBeCloseTo(
        floorGround + floorCrawlSpace + floorUnheated + floorGarage + floorOutdoors,
        6,
      );
    }
  });

  test('moved as a whole it is the same', () => {
    const [dx, dy] = [13.7, -4.1];
    const placed = (outline: readonly (readonly [number, number])[]) =>
      outline.map(([x, y]): [number, number] => [x + dx, y + dy]);
    const moved = onStoreys(input, (storey) => ({
      ...storey,
      startM: [(storey.startM?.[0] ?? 0) + dx, (storey.startM?.[1] ?? 0) + dy],
      zones: storey.zones?.map((zone) => ({ ...zone, outlineM: placed(zone.outlineM) })),
    }));
    const roofs = input.roofs.map((roof): PlanRoof => ({
      ...roof,
      outlineM: roof.outlineM === undefined ? undefined : placed(roof.outlineM),
      wings: roof.wings?.map((wing) => {
        const [x0, x1, y0, y1] = wing.rectM;
        return { ...wing, rectM: [x0 + dx, x1 + dx, y0 + dy, y1 + dy] };
      }),
    }));
    expectAlike(sizes({ ...moved, roofs }), sizes(input));
  });

  test('a wall that is cut is as long as before, and its junctions too', () => {
    const cut = onStoreys(input, (storey) => ({
      ...storey,
      walls: storey.walls.flatMap((wall): readonly PlanWall[] => {
        const { lengthM, groundStartM, groundEndM } = wall;
        // Farther from its corners than any wall is thick, and off the middle.
        const first = lengthM * 0.4;
        if (lengthM < 1.5) return [wall];
        const level =
          groundStartM === undefined || groundEndM === undefined
            ? undefined
            : groundStartM + (groundEndM - groundStartM) * 0.4;
        return [
          { ...wall, id: `${wall.id} a`, lengthM: first, turnDeg: 0, groundEndM: level },
          { ...wall, id: `${wall.id} b`, lengthM: lengthM - first, groundStartM: level },
        ];
      }),
    }));
    const before = sizes({ ...input, openings: [] });
    expectAlike(sizes({ ...cut, openings: [] }), before);
  });

  test('it is larger outside than inside, and the storeys stand as they stood', () => {
    const [inside, outside] = [sizes({ ...input, face: 'inside' }), sizes({ ...input, face: 'outside' })];
    expect(outside.volumeM3).toBeGreaterThan(inside.volumeM3);
    expect(outside.floorAreaM2).toBeGreaterThan(inside.floorAreaM2);
    expect(outside.envelopeAreaM2).toBeGreaterThan(inside.envelopeAreaM2);
    expect(outside.lengthsM.frame).toBe(inside.lengthsM.frame);
    expect(outside.lengthsM.cornerOut).toBe(inside.lengthsM.cornerOut);
  });
});

/** A house of one storey with four walls. */
const box = (a: number, b: number, t: number, more: Partial<PlanInput> = {}): PlanInput => ({
  face: 'inside',
  drawnAt: 'outside',
  storeys: [
    {
      id: 's',
      heightM: 2.5,
      floorDepthM: 0,
      under: 'ground',
      walls: [a, b, a, b].map((lengthM, i) => ({ id: `w${i}`, lengthM, turnDeg: 90, thicknessM: t })),
    },
  ],
  roofs: [{ id: 'r', storeyId: 's', kind: 'flatCeiling' }],
  ...more,
});

const side = fc.double({ min: 3, max: 40, noNaN: true });
const thick = fc.double({ min: 0, max: 0.9, noNaN: true });

test('a rectangle comes to what anybody works out by hand, at both faces and drawn at either', () => {
  fc.assert(
    fc.property(side, side, thick, (a, b, t) => {
      const inside = sizes(box(a, b, t));
      expect(inside.volumeM3).toBeCloseTo((a - 2 * t) * (b - 2 * t) * 2.5, 6);
      expect(inside.areasM2.wallGross).toBeCloseTo((2 * (a - 2 * t) + 2 * (b - 2 * t)) * 2.5, 6);
      const outside = sizes(box(a, b, t, { face: 'outside' }));
      expect(outside.volumeM3).toBeCloseTo(a * b * 2.5, 6);
      // Drawn at its inside, it is the same house.
      const drawnInside = box(a - 2 * t, b - 2 * t, t, { drawnAt: 'inside' });
      expectAlike(sizes(drawnInside), inside);
      expectAlike(sizes({ ...drawnInside, face: 'outside' }), outside);
    }),
  );
});

test('four roofs on one house come to what is worked out by hand', () => {
  // 12 m by 8 m outside, walls of 0.4 m; parts of 3 m by 8 m, the first and last wider by their outer walls.
  const part = (x0: number, x1: number): readonly [number, number][] => [
    [x0, 0],
    [x1, 0],
    [x1, -8],
    [x0, -8],
  ];
  const house = box(12, 8, 0.4, {
    roofs: [
      { id: 'flat', storeyId: 's', kind: 'flatRoof', outlineM: part(0, 3) },
      { id: 'ceiling', storeyId: 's', kind: 'flatCeiling', outlineM: part(3, 6) },
      {
        id: 'gable',
        storeyId: 's',
        kind: 'slope',
        pitch: 1,
        outlineM: part(6, 9),
        wings: [{ id: 'w', rectM: [6, 9, -8, 0], ridge: 'x', ends: ['gable', 'gable'] }],
      },
      {
        id: 'lean',
        storeyId: 's',
        kind: 'monoSlope',
        pitch: 0.5,
        wings: [{ id: 'w', rectM: [9, 12, -8, 0], low: 'y0' }],
      },
    ],
  });
  const { areasM2, volumeM3, heightM } = sizes({ ...house, face: 'outside' });
  expect(areasM2.flatRoof).toBeCloseTo(24, 9);
  expect(areasM2.ceiling).toBeCloseTo(24, 9);
  // Two slopes of 24 m² at 45°, one of 24 m² at one in two.
  expect(areasM2.slope).toBeCloseTo(24 * Math.SQRT2 + 24 * Math.sqrt(1.25), 9);
  // Two gables of 8 m by 4 m; a high side of 3 m by 4 m, two triangles of 8 m by 4 m.
  expect(areasM2.gable).toBeCloseTo(2 * 16 + 12 + 2 * 16, 9);
  expect(volumeM3).toBeCloseTo(96 * 2.5 + 16 * 3 + 16 * 3, 9);
  expect(heightM).toBeCloseTo(6.5, 9);
});

/** How a plan is refused. */
function refusal(input: PlanInput): readonly [code: string, field: string] | null {
  try {
    sizes(input);
    return null;
  } catch (error) {
    if (error instanceof Refusal) return [error.code, error.field];
    throw error;
  }
}

const wallsOf = (...walls: readonly (readonly [lengthM: number, turnDeg: number])[]): readonly PlanWall[] =>
  walls.map(([lengthM, turnDeg], i) => ({ id: `w${i}`, lengthM, turnDeg, thicknessM: 0.3 }));

const withWalls = (walls: readonly PlanWall[]): PlanInput =>
  onStoreys(box(10, 8, 0.3), (storey) => ({ ...storey, walls }));
const withRoof = (roof: Partial<PlanRoof>): PlanInput =>
  box(10, 8, 0.3, { roofs: [{ id: 'r', storeyId: 's', kind: 'slope', pitch: 1, ...roof }] });
const wing = { id: 'w', rectM: [0, 10, -8, 0], ridge: 'x', ends: ['gable', 'gable'] } as const;

test.each<[string, PlanInput, string, string]>([
  [
    'turns that come to too little',
    withWalls(wallsOf([10, 90], [8, 90], [10, 90], [8, 80])),
    'does-not-close',
    'storeys[0].walls',
  ],
  [
    'an outline that goes round twice',
    withWalls(wallsOf(...Array.from({ length: 8 }, (_, i): [number, number] => [i % 2 === 0 ? 10 : 8, 90]))),
    'does-not-close',
    'storeys[0].walls',
  ],
  [
    'one drawn anticlockwise',
    withWalls(wallsOf([10, -90], [8, -90], [10, -90], [8, -90])),
    'does-not-close',
    'storeys[0].walls',
  ],
  [
    'one that touches itself at a corner',
    withWalls(wallsOf([4, 90], [4, -90], [4, 90], [4, 90], [4, 90], [4, -90], [4, 90], [4, 90])),
    'crosses-itself',
    'storeys[0].walls[5]',
  ],
  [
    'ground at one end',
    withWalls([
      { ...wallsOf([10, 90])[0], groundStartM: 1 } as PlanWall,
      ...wallsOf([9, 0], [8, 90], [10, 90], [8, 90])
        .slice(2)
        .map((wall) => ({ ...wall })),
    ]),
    'required',
    'storeys[0].walls[0].groundEndM',
  ],
  ['a slope without rise', withRoof({ pitch: undefined, wings: [wing] }), 'required', 'roofs[0].pitch'],
  ['a slope without wings', withRoof({}), 'required', 'roofs[0].wings'],
  [
    'a wing with a gap',
    withRoof({ wings: [{ ...wing, rectM: [0, 9, -8, 0] }] }),
    'wings-do-not-tile',
    'roofs[0].wings',
  ],
  [
    'wings that overlap',
    withRoof({ wings: [wing, { ...wing, id: 'v' }] }),
    'wings-do-not-tile',
    'roofs[0].wings',
  ],
  [
    'a wing that joins no other',
    withRoof({ wings: [{ ...wing, ends: ['gable', 'joins:x'] }] }),
    'unknown-reference',
    'roofs[0].wings[0].ends[1]',
  ],
  [
    'a wing that joins itself',
    withRoof({ wings: [{ ...wing, ends: ['gable', 'joins:w'] }] }),
    'wings-do-not-tile',
    'roofs[0].wings',
  ],
  [
    'an end that is none',
    withRoof({ wings: [{ ...wing, ends: ['gable', 'round'] }] }),
    'unknown-option',
    'roofs[0].wings[0].ends[1]',
  ],
  ['a collar above the ridge', withRoof({ wings: [wing], collarM: 3.8 }), 'out-of-range', 'roofs[0].collarM'],
  [
    'two roofs without an outline',
    box(10, 8, 0.3, {
      roofs: [
        { id: 'a', storeyId: 's', kind: 'flatRoof' },
        { id: 'b', storeyId: 's', kind: 'flatRoof' },
      ],
    }),
    'conflict',
    'roofs[1].outlineM',
  ],
  ['no roof at all', box(10, 8, 0.3, { roofs: [] }), 'roof-missing', 'storeys[0]'],
  [
    'a roof over a part only',
    box(10, 8, 0.3, {
      roofs: [
        {
          id: 'a',
          storeyId: 's',
          kind: 'flatRoof',
          outlineM: [
            [0, 0],
            [4, 0],
            [4, -8],
            [0, -8],
          ],
        },
      ],
    }),
    'roof-missing',
    'storeys[0]',
  ],
  [
    'an opening on nothing',
    box(10, 8, 0.3, { openings: [{ id: 'o', on: 'x', widthM: 1, heightM: 1 }] }),
    'unknown-reference',
    'openings[0].on',
  ],
  [
    'an opening of no height',
    box(10, 8, 0.3, { openings: [{ id: 'o', on: 'w0', widthM: 1 }] }),
    'required',
    'openings[0].heightM',
  ],
  [
    'openings that together are too large',
    box(10, 8, 0.3, {
      openings: [
        { id: 'o', on: 'w0', widthM: 9, heightM: 2 },
        { id: 'p', on: 'w0', totalM2: 6, count: 2 },
      ],
    }),
    'opening-exceeds-wall',
    'openings[1]',
  ],
])('%s is refused at its place', (_name, input, code, field) => {
  expect(refusal(input)).toEqual([code, field]);
});

test('whatever outline is typed, it is answered or refused by its place', () => {
  const wall = fc.tuple(
    fc.double({ min: 0.1, max: 12, noNaN: true }),
    fc.constantFrom(-90, -45, 0, 30, 45, 90, 120, 179),
  );
  fc.assert(
    fc.property(fc.array(wall, { minLength: 3, maxLength: 12 }), (walls) => {
      const told = refusal(withWalls(wallsOf(...walls)));
      if (told !== null) expect(told[1]).toMatch(/^(storeys|roofs|openings)\[0\]/);
    }),
  );
});

test('a staircase of any steps covers what its steps cover, and every figure is one', () => {
  const step = fc.tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 4 }));
  fc.assert(
    fc.property(fc.array(step, { minLength: 1, maxLength: 12 }), thick, (steps, t) => {
      const [width, depth] = [0, 1].map((i) => steps.reduce((sum, each) => sum + (each[i] ?? 0), 0));
      const down = steps.flatMap(([a, b]): [number, number][] => [
        [b, 90],
        [a, -90],
      ]);
      const last = down.length - 1;
      const walls = [
        [width, 90],
        ...down.map(([lengthM, turnDeg], i): [number, number] => [lengthM, i === last ? 90 : turnDeg]),
        [depth, 90],
      ].map(([lengthM = 0, turnDeg = 0], i) => ({ id: `w${i}`, lengthM, turnDeg, thicknessM: t / 4 }));
      const figures = sizes(withWalls(walls));
      const stair = steps.map(([a], i) => a * steps.slice(0, i + 1).reduce((sum, each) => sum + each[1], 0));
      expect(sizes({ ...withWalls(walls), face: 'outside' }).floorAreaM2).toBeCloseTo(
        stair.reduce((sum, each) => sum + each, 0),
        6,
      );
      expect(figuresOf(figures).every((figure) => Number.isFinite(figure) && figure >= -1e-9)).toBe(true);
    }),
  );
});
