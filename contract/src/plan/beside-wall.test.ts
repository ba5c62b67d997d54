import fc from 'fast-check';
import { shaped } from '../../test/sample-drawing';
import { layOutline } from './lay-outline';
import { besideOf, outlineBeside, spanAlong } from './beside-wall';

const walls = layOutline({ start: { xM: 1, yM: 2 }, outline: shaped('L') });
const wallAt = (i: number) => {
  const wall = walls[i % walls.length];
  if (wall === undefined) throw new Error('no wall');
  return wall;
};
const metres = (min: number, max: number) => fc.double({ min, max, noNaN: true });

test('a garage beyond the right wall lies to its right', () => {
  const corners = outlineBeside(wallAt(1), { fromM: 0, toM: 5, depthM: 3 });
  const rounded = corners.map(({ xM, yM }) => [Math.round(xM * 1e6) / 1e6, Math.round(yM * 1e6) / 1e6]);
  expect(rounded).toEqual([
    [11, 2],
    [14, 2],
    [14, -3],
    [11, -3],
  ]);
});

test('how a room lies beside its wall is read back from its corners, whichever wall it is', () => {
  fc.assert(
    fc.property(
      fc.nat(5),
      metres(-2, 2),
      metres(3, 9),
      metres(1, 9),
      fc.constantFrom('beyond' as const, 'within' as const),
      (i, fromM, widthM, depthM, flank) => {
        const beside = { fromM, toM: fromM + widthM, depthM };
        const read = besideOf(wallAt(i), outlineBeside(wallAt(i), beside, flank), flank);
        expect(
          besideOf(
            wallAt(i),
            outlineBeside(wallAt(i), beside, flank),
            flank === 'within' ? 'beyond' : 'within',
          ),
        ).toBeNull();
        expect(read?.fromM).toBeCloseTo(beside.fromM, 6);
        expect(read?.toM).toBeCloseTo(beside.toM, 6);
        expect(read?.depthM).toBeCloseTo(beside.depthM, 6);
      },
    ),
  );
});

test('what stands elsewhere, or is no rectangle, lies beside no wall', () => {
  const corners = outlineBeside(wallAt(1), { fromM: 0, toM: 5, depthM: 3 });
  expect(besideOf(wallAt(5), corners)).toBeNull();
  expect(besideOf(wallAt(1), corners.slice(0, 3))).toBeNull();
  expect(besideOf(wallAt(1), outlineBeside(wallAt(1), { fromM: 6, toM: 9, depthM: 3 }))).toBeNull();
});

test('a room whose wall has moved away is set against it again, as wide and as deep as it was', () => {
  const { xM, yM } = { xM: 7, yM: 1 };
  const moved = outlineBeside(wallAt(1), { fromM: 1, toM: 4, depthM: 3 }).map((place) => ({
    xM: place.xM + xM,
    yM: place.yM + yM,
  }));
  expect(besideOf(wallAt(1), moved)).toBeNull();
  const span = spanAlong(wallAt(1), moved);
  expect(span.toM - span.fromM).toBeCloseTo(3, 9);
  expect(span.depthM).toBeCloseTo(3, 9);
  expect(span.fromM).toBeCloseTo(0, 9);
  expect(besideOf(wallAt(1), outlineBeside(wallAt(1), span))).not.toBeNull();
});
