import fc from 'fast-check';
import { nearestShares } from './nearest-shares';
import type { Point } from './point';

const [WIDTH, HEIGHT] = [9, 5];
/** Places on a grid as well as between, so that many lie in one line, on an edge or in a corner. */
const place = fc.oneof(
  fc.record({ x: fc.constantFrom(0, 1, 4.5, 9), y: fc.constantFrom(0, 2.5, 5) }),
  fc.record({
    x: fc.double({ min: 0, max: WIDTH, noNaN: true }),
    y: fc.double({ min: 0, max: HEIGHT, noNaN: true }),
  }),
);
const places = fc
  .array(place, { minLength: 1, maxLength: 40 })
  .map((all) =>
    all.filter(
      (one, i) => !all.slice(0, i).some((other) => Math.hypot(one.x - other.x, one.y - other.y) < 1e-6),
    ),
  );

/** How many of the points of a fine grid lie nearest to each place, as shares. */
function counted(all: readonly Point[]): readonly number[] {
  const [columns, rows] = [180, 100];
  const counts = all.map(() => 0);
  for (let i = 0; i < columns * rows; i++) {
    const x = (((i % columns) + 0.5137) / columns) * WIDTH;
    const y = ((Math.floor(i / columns) + 0.4871) / rows) * HEIGHT;
    const far = all.map((each) => Math.hypot(each.x - x, each.y - y));
    const nearest = far.indexOf(Math.min(...far));
    counts[nearest] = (counts[nearest] ?? 0) + 1;
  }
  return counts.map((count) => count / (columns * rows));
}

test('each place has the points that lie nearest to it', () => {
  fc.assert(
    fc.property(places, (all) => {
      const shares = nearestShares(all, WIDTH, HEIGHT);
      const points = counted(all);
      shares.forEach((share, i) => {
        expect(Math.abs(share - (points[i] ?? 0))).toBeLessThan(0.008);
      });
      expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
    }),
    { numRuns: 60 },
  );
});

test('places in one line share what lies across it', () => {
  const inLine = [0.5, 1.5, 2.5, 3.5].map((x) => ({ x, y: 1 }));
  for (const share of nearestShares(inLine, 4, 2)) expect(share).toBeCloseTo(0.25, 12);
});
