import fc from 'fast-check';

import type { Point } from '../geometry/point';
import { compute } from '../operations';
import { normalFrom, seededRandom } from '../random/distributions';
import { movedOutline } from './moved-outline';
import type { OutlinedRegion } from './regions';

const SQUARE: readonly Point[] = [
  { x: 0, y: 0 },
  { x: 400, y: 0 },
  { x: 400, y: 1000 },
  { x: 0, y: 1000 },
];
const size = { cavityWidthM: 0.4, cavityHeightM: 1 };
const onSquare = (regions: readonly OutlinedRegion[]) =>
  compute('photo.regions', { corners: SQUARE, ...size, regions });

const box = (left: number, top: number, width: number, height: number): readonly Point[] => [
  { x: left, y: top },
  { x: left + width, y: top },
  { x: left + width, y: top + height },
  { x: left, y: top + height },
];

/** Coordinates that often coincide, so that outlines touch, overlap and fold back; some off the cavity. */
const coordinate = (most: number) =>
  fc.oneof(
    fc.constantFrom(-0.2 * most, 0, 0.25 * most, 0.5 * most, most),
    fc.double({ min: -0.3 * most, max: 1.3 * most, noNaN: true }),
  );
const region = fc.record({
  outline: fc.array(fc.record({ x: coordinate(400), y: coordinate(1000) }), { minLength: 3, maxLength: 12 }),
  fill: fc.constantFrom(0, 0.4, 0.69, 0.7, 0.85, 0.95),
});
const regions = fc.array(region, { maxLength: 5 });

test('what several share counts once, for the emptiest; all of it together is what they cover', () => {
  fc.assert(
    fc.property(regions, (all) => {
      const found = onSquare(all);
      const covered = compute('photo.voids', {
        corners: SQUARE,
        ...size,
        outlines: all.map(({ outline }) => outline),
      });
      const sum = found.regions.reduce((total, { areaM2 }) => total + areaM2, 0);
      expect(sum).toBeCloseTo(covered.voidAreaM2, 9);
      const empty = all.filter(({ fill }) => fill < 0.7).map(({ outline }) => outline);
      const void_ = compute('photo.voids', { corners: SQUARE, ...size, outlines: empty });
      expect(found.voidFraction).toBeCloseTo(void_.voidFraction, 9);
      expect(found.voidFraction + found.compressedFraction).toBeCloseTo(covered.voidFraction, 9);
    }),
  );
});

test('a void within a pressed spot counts once, as void, whichever was drawn first', () => {
  const pressed = { outline: box(100, 200, 200, 400), fill: 0.85 };
  const empty = { outline: box(150, 300, 100, 100), fill: 0 };
  for (const both of [
    [pressed, empty],
    [empty, pressed],
  ]) {
    const { voidFraction, compressedFraction, meanFill } = onSquare(both);
    expect(voidFraction).toBeCloseTo(0.025, 12);
    expect(compressedFraction).toBeCloseTo(0.175, 12);
    expect(meanFill).toBeCloseTo(0.85, 12);
  }
});

test('its regions are those of a grade', () => {
  fc.assert(
    fc.property(regions, (all) => {
      const found = onSquare(all);
      const graded = compute('insulation.grade', {
        netInsulatedAreaM2: 0.4,
        observations: [{ cavity: { widthM: 0.4, heightM: 1 }, regions: found.regions }],
      });
      expect(graded.voidFraction).toBeCloseTo(found.voidFraction, 9);
      expect(graded.compressedFraction).toBeCloseTo(found.compressedFraction, 9);
      expect(graded.meanFill ?? 9).toBeCloseTo(found.meanFill ?? 9, 9);
    }),
  );
});

test('an outline is set off on all sides, whichever way it was drawn; one without area stays', () => {
  const drawn = box(10, 10, 100, 50);
  for (const outline of [drawn, [...drawn].reverse()]) {
    expect(onSquare([{ outline: movedOutline(outline, 4), fill: 0 }]).regions[0]?.areaM2).toBeCloseTo(
      (108 * 58) / 1e6,
      12,
    );
  }
  const flat = [
    { x: 10, y: 10 },
    { x: 90, y: 10 },
    { x: 10, y: 10 },
  ];
  for (const point of movedOutline(flat, 4)) expect(point.y).toBe(10);
  expect(movedOutline([drawn[0], drawn[0], drawn[0]] as readonly Point[], 4)).toEqual([]);
});

test('a corner that half a pixel makes no cavity leaves the uncertainty open and refuses nothing', () => {
  const tiny = box(0, 0, 0.4, 0.4);
  const found = compute('photo.regions', {
    corners: tiny,
    ...size,
    regions: [{ outline: tiny.slice(0, 3), fill: 0 }],
  });
  expect(found.voidFraction).toBeCloseTo(0.5, 9);
  expect(found.voidStandardUncertainty).toBeNull();
  expect(found.compressedStandardUncertainty).toBeNull();
});

/** Photos of cavities at all slants, with an empty and a pressed patch of all shapes, some at the edge. */
function drawnPhoto(draw: () => number): {
  readonly corners: readonly Point[];
  readonly regions: readonly OutlinedRegion[];
} {
  const slant = (at: Point): Point => ({ x: at.x + 60 * draw(), y: at.y + 60 * draw() });
  const corners = box(600, 300, 700, 2200).map(slant);
  const blob = (x: number, y: number, radius: number): readonly Point[] =>
    Array.from({ length: 16 }, (_, i) => {
      const reach = radius * Math.exp(0.3 * draw());
      return { x: x + reach * Math.cos((i * Math.PI) / 8), y: y + reach * Math.sin((i * Math.PI) / 8) };
    });
  return {
    corners,
    regions: [
      { outline: blob(950 + 150 * draw(), 1000 + 200 * draw(), 120), fill: 0 },
      { outline: blob(950 + 150 * draw(), 1900 + 200 * draw(), 180), fill: 0.85 },
    ],
  };
}

test('a trembling hand is within twice the uncertainty as often as it should be', () => {
  const draw = normalFrom(seededRandom(20260401), 0, 1);
  const COUNT = 400;
  let [empty, pressed] = [0, 0];
  for (let i = 0; i < COUNT; i++) {
    const photo = drawnPhoto(draw);
    const truth = compute('photo.regions', { ...photo, ...size });
    const lean = 4 * draw();
    const seen = compute('photo.regions', {
      corners: photo.corners.map(({ x, y }) => ({ x: x + 3 * draw(), y: y + 3 * draw() })),
      regions: photo.regions.map(({ outline, fill }) => ({ outline: movedOutline(outline, lean), fill })),
      ...size,
    });
    const holds = (off: number, u: number | null): boolean => u !== null && Math.abs(off) <= 2 * u;
    if (holds(seen.voidFraction - truth.voidFraction, seen.voidStandardUncertainty)) empty++;
    if (holds(seen.compressedFraction - truth.compressedFraction, seen.compressedStandardUncertainty))
      pressed++;
  }
  for (const held of [empty, pressed]) {
    expect(held / COUNT).toBeGreaterThanOrEqual(0.93);
    expect(held / COUNT).toBeLessThanOrEqual(0.98);
  }
});

test.each<[string, object, string, string]>([
  [
    'a point beyond the horizon',
    {
      corners: [
        { x: 0, y: 0 },
        { x: 100, y: 20 },
        { x: 100, y: 80 },
        { x: 0, y: 100 },
      ],
      regions: [
        {
          outline: [
            { x: 10, y: 50 },
            { x: 400, y: 50 },
            { x: 20, y: 60 },
          ],
          fill: 0,
        },
      ],
    },
    'beyond-horizon',
    'regions[0].outline[1]',
  ],
  ['what is sound', { regions: [{ outline: box(1, 1, 9, 9), fill: 1 }] }, 'out-of-range', 'regions[0].fill'],
  [
    'too many points together',
    { regions: Array.from({ length: 3 }, () => ({ outline: Array(900).fill({ x: 1, y: 1 }), fill: 0 })) },
    'list-length',
    'regions',
  ],
  [
    'a tangle',
    {
      regions: [
        {
          outline: Array.from({ length: 400 }, (_, i) => ({
            x: (i % 2) * 400,
            y: i % 2 === 0 ? i : 1000 - i,
          })),
          fill: 0,
        },
      ],
    },
    'too-tangled',
    'regions',
  ],
])('%s is refused', (_name, change, code, field) => {
  expect(() => compute('photo.regions', { corners: SQUARE, ...size, regions: [], ...change })).toThrow(
    expect.objectContaining({ code, field }),
  );
});
