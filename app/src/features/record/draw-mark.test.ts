import { OUTLINE_POINTS_MAX, type PicturePoint } from '@calvet/contract/photos/photo';
import { bodySchemas } from '@calvet/contract/schemas';
import fc from 'fast-check';
import { v7 } from 'uuid';
import { markInTheMiddle, markOf, moved, pointIn, withPoint, type DrawnKind } from './draw-mark';

const id = v7();
const KINDS: readonly DrawnKind[] = ['arrow', 'ring', 'outline'];
const share = fc.double({ min: 0, max: 1, noNaN: true });
const point: fc.Arbitrary<PicturePoint> = fc.record({ x: share, y: share });
const marksSchema = bodySchemas.photo.extract('marks');
const frame = { left: 10, top: 100, width: 400, height: 300 };

test('a point of a picture is a share of its sides, and never outside', () => {
  expect(pointIn(frame, 210, 250)).toEqual({ x: 0.5, y: 0.5 });
  expect(pointIn(frame, -50, 1000)).toEqual({ x: 0, y: 1 });
});

test('a stroke from the middle to the right edge', () => {
  const stroke = [
    { x: 0.5, y: 0.5 },
    { x: 1, y: 0.5 },
  ];
  expect(markOf('arrow', stroke, 4 / 3, id)).toEqual({ id, kind: 'arrow', from: stroke[0], to: stroke[1] });
  expect(markOf('ring', stroke, 4 / 3, id)).toEqual({ id, kind: 'ring', centre: stroke[0], radius: 0.5 });
  // Two points enclose nothing.
  expect(markOf('outline', stroke, 4 / 3, id)).toBeNull();
});

test('a ring is as wide as it was drawn, also upwards in a picture that is not square', () => {
  const stroke = [
    { x: 0.5, y: 0.5 },
    { x: 0.5, y: 0.7 },
  ];
  // A fifth of the height of a picture of 4:3 is three twentieths of its width.
  expect(markOf('ring', stroke, 4 / 3, id)).toMatchObject({ radius: expect.closeTo(0.15, 10) });
});

test.each(KINDS)('a trembling finger draws no %s', (kind) => {
  const stroke = [
    { x: 0.5, y: 0.5 },
    { x: 0.502, y: 0.501 },
    { x: 0.5, y: 0.503 },
  ];
  expect(markOf(kind, stroke, 1, id)).toBeNull();
  expect(markOf(kind, [], 1, id)).toBeNull();
});

test('whatever is drawn, however long, is a mark that can be kept', () => {
  fc.assert(
    fc.property(fc.constantFrom(...KINDS), fc.array(point, { maxLength: 900 }), (kind, points) => {
      const stroke = points.reduce<readonly PicturePoint[]>((drawn, next) => withPoint(drawn, next, 1.5), []);
      expect(stroke.length).toBeLessThanOrEqual(OUTLINE_POINTS_MAX);
      const mark = markOf(kind, stroke, 1.5, id);
      if (mark !== null) expect(marksSchema.validate([mark]).error).toBeUndefined();
    }),
    { numRuns: 60 },
  );
});

test('a mark that is moved keeps its shape and stays in the picture', () => {
  const step = fc.double({ min: -1, max: 1, noNaN: true });
  fc.assert(
    fc.property(fc.constantFrom(...KINDS), step, step, (kind, dx, dy) => {
      const mark = markInTheMiddle(kind, id);
      const there = moved(mark, dx, dy);
      expect(marksSchema.validate([there]).error).toBeUndefined();
      if (mark.kind === 'outline' && there.kind === 'outline') {
        const width = ({ points }: typeof mark) => (points[1]?.x ?? 0) - (points[0]?.x ?? 0);
        expect(width(there)).toBeCloseTo(width(mark), 10);
      }
    }),
  );
});
