import fc from 'fast-check';
import { compute } from '../operations';
import type { Point } from '../geometry/point';

const SQUARE = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
];
const share = (outlines: readonly (readonly Point[])[]): number =>
  compute('photo.voids', { corners: SQUARE, cavityWidthM: 0.4, cavityHeightM: 2.4, outlines }).voidFraction;

/** Coordinates that often coincide, so that outlines touch, overlap and fold back. */
const coordinate = fc.oneof(
  fc.constantFrom(0, 0.25, 0.5, 1, -0.5, 1.5),
  fc.double({ min: -1, max: 2, noNaN: true }),
);
const outline = fc.array(fc.record({ x: coordinate, y: coordinate }), { minLength: 3, maxLength: 25 });

function isInside(points: readonly Point[], x: number, y: number): boolean {
  let inside = false;
  points.forEach((from, i) => {
    const to = points[(i + 1) % points.length] ?? from;
    if (from.y > y !== to.y > y && x < ((to.x - from.x) * (y - from.y)) / (to.y - from.y) + from.x) {
      inside = !inside;
    }
  });
  return inside;
}

test('the area is that of the points that lie inside, even–odd, however outlines cross', () => {
  const [columns, rows] = [40, 40];
  fc.assert(
    fc.property(fc.array(outline, { maxLength: 4 }), (outlines) => {
      let count = 0;
      for (let i = 0; i < columns * rows; i++) {
        const [x, y] = [((i % columns) + 0.5137) / columns, (Math.floor(i / columns) + 0.4871) / rows];
        if (outlines.some((points) => isInside(points, x, y))) count++;
      }
      expect(Math.abs(share(outlines) - count / (columns * rows))).toBeLessThan(0.05);
    }),
    { numRuns: 400 },
  );
});

test('a further outline never shrinks the void, and what two share counts once', () => {
  fc.assert(
    fc.property(fc.array(outline, { maxLength: 3 }), outline, (outlines, further) => {
      const before = share(outlines);
      const after = share([...outlines, further]);
      expect(after).toBeGreaterThanOrEqual(before - 1e-9);
      expect(after).toBeLessThanOrEqual(Math.min(1, before + share([further])) + 1e-9);
      expect(share([...outlines, further, further])).toBeCloseTo(after, 9);
    }),
  );
});

test('an outline is worth the same on any photo of the cavity', () => {
  const slanted = [
    { x: 312, y: 205 },
    { x: 905, y: 258 },
    { x: 871, y: 2790 },
    { x: 274, y: 2955 },
  ];
  const shareOn = (corners: readonly Point[]) => (outlines: readonly (readonly Point[])[]) =>
    compute('photo.voids', { corners, cavityWidthM: 0.4, cavityHeightM: 2.4, outlines }).voidFraction;
  expect(shareOn(slanted)([slanted])).toBeCloseTo(1, 9);
  expect(shareOn(SQUARE)([SQUARE])).toBe(1);
});

test.each<[string, object, string, string]>([
  ['a tangle', { outlines: [tangle(400)] }, 'too-tangled', 'outlines'],
  [
    'too many points together',
    { outlines: [tangle(1000), tangle(1000), tangle(3)] },
    'list-length',
    'outlines',
  ],
  ['too many points of one', { outlines: [tangle(1001)] }, 'list-length', 'outlines[0]'],
  [
    'a point far off',
    { outlines: [[SQUARE[0], SQUARE[1], { x: 5000, y: 0 }]] },
    'out-of-range',
    'outlines[0][2]',
  ],
])('%s is refused', (_name, change, code, field) => {
  const input = { corners: SQUARE, cavityWidthM: 0.4, cavityHeightM: 2.4, ...change };
  expect(() => compute('photo.voids', input)).toThrow(expect.objectContaining({ code, field }));
});

/** A scribble from side to side, each stroke across all others. */
function tangle(count: number): readonly Point[] {
  return Array.from({ length: count }, (_, i) => ({
    x: i % 2,
    y: i % 2 === 0 ? i / count : 1 - i / count,
  }));
}
