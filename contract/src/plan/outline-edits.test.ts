import { areaWhere } from '@calvet/core/geometry/area-where';
import fc from 'fast-check';
import { sampleStorey, shaped } from '../../test/sample-drawing';
import { gapOf, layOutline } from './lay-outline';
import {
  closedByLastTwo,
  mirrored,
  placedStretches,
  withCut,
  withJoin,
  withLength,
  withoutWall,
  withWall,
  withWallMoved,
} from './outline-edits';
import { outlineOfShape } from './outline-shapes';
import type { Wall } from './storey';

const start = { xM: 2, yM: -3 };
const at = (outline: readonly Wall[]) => ({ start, outline });
const shapes = ['rectangle', 'L', 'T', 'U'] as const;

const areaOf = (outline: readonly Wall[]): number => {
  const corners = layOutline(at(outline)).map(({ from }) => ({ x: from.xM, y: from.yM }));
  return areaWhere([corners], ([isInside]) => isInside === true);
};

const anyShape = fc
  .record({
    shape: fc.constantFrom(...shapes),
    widthM: fc.double({ min: 6, max: 30, noNaN: true }),
    depthM: fc.double({ min: 6, max: 30, noNaN: true }),
    partWidthM: fc.double({ min: 1, max: 5, noNaN: true }),
    partDepthM: fc.double({ min: 1, max: 5, noNaN: true }),
  })
  .map(({ shape, ...sizes }) => shaped(shape, sizes));

describe('shapes', () => {
  test.each([
    ['rectangle', 10 * 8],
    ['L', 10 * 8 - 4 * 3],
    ['T', 10 * 5 + 4 * 3],
    ['U', 10 * 8 - 4 * 3],
  ] as const)('%s closes and comes to its area', (shape, areaM2) => {
    const outline = shaped(shape);
    expect(gapOf(at(outline))).toBeNull();
    expect(areaOf(outline)).toBeCloseTo(areaM2, 9);
  });

  test('sizes that leave nothing of a side make none', () => {
    const sizes = { widthM: 4, depthM: 8, partWidthM: 4, partDepthM: 3 };
    expect(outlineOfShape('L', sizes, { thicknessM: 0.3, boundary: 'outdoors' })).toBeNull();
  });
});

describe('a length', () => {
  test('of a closed outline takes the longest wall opposite along', () => {
    const outline = withLength(at(shaped('L')), 0, 12);
    expect(outline.map(({ lengthM }) => lengthM)).toEqual([12, 5, 4, 3, 8, 8]);
    expect(gapOf(at(outline))).toBeNull();
  });

  test('of an open outline changes that wall alone', () => {
    const open = withWall(shaped('rectangle'), shaped('rectangle')[0]?.id ?? '', {}).slice(0, 3);
    expect(withLength(at(open), 0, 12).map(({ lengthM }) => lengthM)).toEqual([12, 8, 10]);
  });

  test('never opens a closed outline as long as a wall opposite can follow', () => {
    fc.assert(
      fc.property(anyShape, fc.nat(7), fc.double({ min: -0.5, max: 5, noNaN: true }), (outline, i, byM) => {
        const wall = outline[i % outline.length];
        if (wall === undefined) return;
        const changed = withLength(at(outline), i % outline.length, wall.lengthM + byM);
        expect(gapOf(at(changed))).toBeNull();
        expect(changed.map(({ id }) => id)).toEqual(outline.map(({ id }) => id));
      }),
    );
  });
});

describe('closing', () => {
  test('sets the last two walls, and the last turn', () => {
    const walls = shaped('rectangle');
    const typed = walls.map((wall, i) =>
      i < 2 ? wall : { ...wall, lengthM: 1, turnDeg: i === 3 ? 10 : 90 },
    );
    const closed = closedByLastTwo(at(typed));
    expect(closed?.map(({ lengthM }) => Math.round(lengthM * 1e9) / 1e9)).toEqual([10, 8, 10, 8]);
    expect(closed?.at(-1)?.turnDeg).toBeCloseTo(90, 9);
  });

  test('says that it cannot where the last two run alike, or would have to run backwards', () => {
    const walls = shaped('rectangle');
    expect(
      closedByLastTwo(at(walls.map((wall, i) => (i === 2 ? { ...wall, turnDeg: 0 } : wall)))),
    ).toBeNull();
    const backwards = walls.map((wall, i) => (i === 1 ? { ...wall, turnDeg: -90 } : wall));
    expect(closedByLastTwo(at(backwards))).toBeNull();
  });
});

describe('cutting and joining', () => {
  const [first] = shaped('rectangle');
  if (first === undefined) throw new Error('no wall');
  const rooms = [
    { id: 'r1', room: 'Kitchen', lengthM: 6 },
    { id: 'r2', room: 'Hall', lengthM: null },
  ];
  const outline = shaped('rectangle').map((wall, i) =>
    i === 0 ? { ...wall, groundStartM: 0, groundEndM: 1, stretches: rooms } : wall,
  );

  test('the longer part stays the wall; ground and rooms are those of each part', () => {
    const cut = withCut(outline, 0, 7);
    const [one, two] = cut?.outline ?? [];
    expect(one).toMatchObject({
      id: outline[0]?.id,
      lengthM: 7,
      turnDeg: 0,
      groundStartM: 0,
      groundEndM: 0.7,
    });
    expect(two).toMatchObject({ lengthM: 3, turnDeg: 90, name: null, groundStartM: 0.7, groundEndM: 1 });
    expect(one?.stretches.map(({ room }) => room)).toEqual(['Kitchen']);
    expect(two?.stretches.map(({ room }) => room)).toEqual(['Hall']);
    const late = withCut(outline, 0, 3);
    expect(late?.outline[1]?.id).toBe(outline[0]?.id);
    expect(withCut(outline, 0, 5)?.outline[0]?.id).toBe(outline[0]?.id);
  });

  test('parts that are alike keep the first; a cut at an end is none', () => {
    expect(withCut(outline, 0, 0)).toBeNull();
    expect(withCut(outline, 0, 10)).toBeNull();
  });

  test('joined again it is the wall that it was, its rooms in their order', () => {
    const cut = withCut(outline, 0, 7);
    const joined = withJoin(cut?.outline ?? [], 0);
    expect(joined).toMatchObject({ kept: outline[0]?.id, goneShiftM: 7, keptShiftM: 0 });
    expect(joined?.outline[0]).toMatchObject({ lengthM: 10, turnDeg: 90, groundStartM: 0, groundEndM: 1 });
    expect(joined?.outline[0]?.stretches.map(({ room }) => room)).toEqual(['Kitchen', 'Hall']);
    expect(withJoin(outline, 0)).toBeNull();
  });

  test('cut and joined anywhere, an outline encloses the same, and no id is used twice', () => {
    fc.assert(
      fc.property(
        anyShape,
        fc.nat(7),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (walls, i, share) => {
          const place = i % walls.length;
          const cut = withCut(walls, place, (walls[place]?.lengthM ?? 0) * share);
          if (cut === null) return;
          expect(new Set(cut.outline.map(({ id }) => id)).size).toBe(walls.length + 1);
          expect(areaOf(cut.outline)).toBeCloseTo(areaOf(walls), 6);
          const joined = withJoin(cut.outline, place);
          expect(joined?.outline.map(({ id }) => id)).toEqual(walls.map(({ id }) => id));
        },
      ),
    );
  });

  test('the last wall is joined with the first over the start of the outline', () => {
    const cut = withCut(outline, 3, 4);
    if (cut === null) throw new Error('no cut');
    // Begun at the cut, the outline has it between its last and its first wall.
    const turned = [...cut.outline.slice(4), ...cut.outline.slice(0, 4)];
    expect(withJoin(turned, 4)?.outline).toHaveLength(4);
  });
});

test('rooms along a wall share what the others leave', () => {
  const stretches = [
    { id: 'a', room: 'a', lengthM: null },
    { id: 'b', room: 'b', lengthM: 4 },
    { id: 'c', room: 'c', lengthM: null },
  ];
  expect(placedStretches({ lengthM: 10, stretches }).map(({ fromM, toM }) => [fromM, toM])).toEqual([
    [0, 3],
    [3, 7],
    [7, 10],
  ]);
});

test('no wall is taken out of a triangle', () => {
  const three = shaped('rectangle').slice(0, 3);
  expect(withoutWall(three, 0)).toBe(three);
  expect(withoutWall(shaped('rectangle'), 0)).toHaveLength(3);
});

describe('moved sideways', () => {
  test('a wall takes its neighbours along, and only their ends', () => {
    const moved = withWallMoved(at(shaped('rectangle')), 1, 2);
    expect(moved?.start).toEqual(start);
    expect(moved?.outline.map(({ lengthM }) => Math.round(lengthM * 1e9) / 1e9)).toEqual([12, 8, 12, 8]);
  });

  test('the first wall takes the start of the outline along', () => {
    const moved = withWallMoved(at(shaped('rectangle')), 0, 2);
    expect(moved?.start.yM).toBeCloseTo(start.yM + 2, 9);
    expect(moved?.start.xM).toBeCloseTo(start.xM, 9);
  });

  test('whichever moves, all stays closed, every turn as it was, and the others where they were', () => {
    fc.assert(
      fc.property(anyShape, fc.nat(7), fc.double({ min: -0.4, max: 3, noNaN: true }), (outline, i, byM) => {
        const place = i % outline.length;
        const before = layOutline(at(outline));
        const moved = withWallMoved(at(outline), place, byM);
        if (moved === null) return;
        expect(gapOf(moved)).toBeNull();
        const beyond = (place + 2) % outline.length;
        const now = layOutline(moved)[beyond];
        expect(now?.to.xM).toBeCloseTo(before[beyond]?.to.xM ?? NaN, 6);
        expect(now?.to.yM).toBeCloseTo(before[beyond]?.to.yM ?? NaN, 6);
      }),
    );
  });
});

test('in a mirror an outline closes, encloses as much, lies left where it lay right, and is itself seen twice', () => {
  fc.assert(
    fc.property(anyShape, (outline) => {
      const { walls, image } = { walls: at(outline), image: mirrored(at(outline)) };
      expect(gapOf(image)).toBeNull();
      expect(areaOf(image.outline)).toBeCloseTo(areaOf(outline), 6);
      const places = (drawn: typeof walls, side: 1 | -1) =>
        layOutline(drawn)
          .map(({ from }) => `${(from.xM * side).toFixed(6)} ${from.yM.toFixed(6)}`)
          .sort();
      expect(places(image, -1)).toEqual(places(walls, 1));
      const twice = mirrored(image);
      expect(twice.outline.map(({ id }) => id)).toEqual(outline.map(({ id }) => id));
      expect(twice.start.xM).toBeCloseTo(start.xM, 9);
    }),
  );
});

test('a gap says how far the end lies from the start, and what the turns lack', () => {
  const { outline } = sampleStorey('s', { outline: shaped('rectangle').slice(0, 3) });
  const gap = gapOf(at(outline));
  expect(gap?.lengthM).toBeCloseTo(8, 9);
  expect(gap?.turnDeg).toBe(90);
});
