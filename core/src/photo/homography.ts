import type { Point } from '../geometry/point';
import { Refusal } from '../refusal';

/** Top left, top right, bottom right, bottom left. */
export type Quadrilateral = readonly [Point, Point, Point, Point];

/** Maps a point of the photo to the plane; null on or behind the line where the plane vanishes. */
export type PhotoToPlane = (point: Point) => Point | null;

/** A turn's cross product under this share of the longest side squared counts as straight. */
const STRAIGHT = 1e-6;

function refuseDegenerate(corners: readonly Point[]): void {
  const sides = corners.map((corner, i) => {
    const next = corners[(i + 1) % corners.length] ?? corner;
    return { x: next.x - corner.x, y: next.y - corner.y };
  });
  const longest = Math.max(...sides.map(({ x, y }) => Math.hypot(x, y)));
  const least = STRAIGHT * longest ** 2;
  const turnsRight = sides.every((side, i) => {
    const next = sides[(i + 1) % sides.length] ?? side;
    return side.x * next.y - side.y * next.x > least;
  });
  if (!turnsRight) {
    throw new Refusal(
      'degenerate-corners',
      'corners',
      'Mark the corners round the cavity: top left, top right, bottom right, bottom left.',
    );
  }
}

/**
 * Homography that maps four corners on a photo to a rectangle of known size: the unit square's map by projective
 * coordinates, inverted. Photo units are free, y downwards.
 * @example photoToRectangle([{ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 1, y: 1 }, { x: 0, y: 1 }], 2, 4)({ x: 0.5, y: 0.25 }) // { x: 1, y: 1 }
 * @throws {Refusal} `degenerate-corners`
 */
export function photoToRectangle(corners: Quadrilateral, width: number, height: number): PhotoToPlane {
  refuseDegenerate(corners);
  const [p0, p1, p2, p3] = corners;
  const d1 = { x: p1.x - p2.x, y: p1.y - p2.y };
  const d2 = { x: p3.x - p2.x, y: p3.y - p2.y };
  const s = { x: p0.x - p1.x + p2.x - p3.x, y: p0.y - p1.y + p2.y - p3.y };
  const determinant = d1.x * d2.y - d1.y * d2.x;
  const g = (s.x * d2.y - s.y * d2.x) / determinant;
  const h = (d1.x * s.y - d1.y * s.x) / determinant;
  // Unit square → photo, as the matrix [a b c; d e f; g h 1].
  const [a, b, c] = [p1.x - p0.x + g * p1.x, p3.x - p0.x + h * p3.x, p0.x];
  const [d, e, f] = [p1.y - p0.y + g * p1.y, p3.y - p0.y + h * p3.y, p0.y];
  const [i0, i1, i2] = [e - f * h, c * h - b, b * f - c * e];
  const [i3, i4, i5] = [f * g - d, a - c * g, c * d - a * f];
  const [i6, i7, i8] = [d * h - e * g, b * g - a * h, a * e - b * d];
  const depthOf = ({ x, y }: Point): number => i6 * x + i7 * y + i8;
  const facing = Math.sign(depthOf(p0));
  return (point) => {
    const depth = depthOf(point);
    if (!(depth * facing > 0)) return null;
    return {
      x: (width * (i0 * point.x + i1 * point.y + i2)) / depth,
      y: (height * (i3 * point.x + i4 * point.y + i5)) / depth,
    };
  };
}
