import { OUTLINE_POINTS_MAX, type PhotoMark, type PicturePoint } from '@calvet/contract/photos/photo';

/** Kinds of marks that are drawn with a stroke; words are placed with a tap. */
export type DrawnKind = Exclude<PhotoMark['kind'], 'text'>;

/** A finger trembles: less than this share of the picture's width is no stroke. */
const LEAST_STROKE = 0.015;
const LEAST_STEP = 0.006;

const within = (share: number): number => Math.min(1, Math.max(0, share));

/** A point of a picture from pixels within its frame. */
export function pointIn(
  frame: { readonly left: number; readonly top: number; readonly width: number; readonly height: number },
  clientX: number,
  clientY: number,
): PicturePoint {
  return {
    x: within((clientX - frame.left) / frame.width),
    y: within((clientY - frame.top) / frame.height),
  };
}

/** How far apart two points are, in shares of the picture's width. */
function distance(a: PicturePoint, b: PicturePoint, aspect: number): number {
  return Math.hypot(a.x - b.x, (a.y - b.y) / aspect);
}

/** A stroke with another point at its end, without those that say nothing new. */
export function withPoint(
  stroke: readonly PicturePoint[],
  point: PicturePoint,
  aspect: number,
): readonly PicturePoint[] {
  const last = stroke.at(-1);
  if (last !== undefined && distance(last, point, aspect) < LEAST_STEP) return stroke;
  if (stroke.length < OUTLINE_POINTS_MAX) return [...stroke, point];
  // Too long for one outline: every second point says as much.
  return [...stroke.filter((_, i) => i % 2 === 0), point];
}

/**
 * The mark that a stroke draws; null where it is too short to be meant.
 * @param aspect width over height of the picture
 */
export function markOf(
  kind: DrawnKind,
  stroke: readonly PicturePoint[],
  aspect: number,
  id: string,
): PhotoMark | null {
  const [first] = stroke;
  const last = stroke.at(-1);
  if (first === undefined || last === undefined) return null;
  switch (kind) {
    case 'arrow':
      return distance(first, last, aspect) < LEAST_STROKE ? null : { id, kind, from: first, to: last };
    case 'ring': {
      const radius = Math.min(1, distance(first, last, aspect));
      return radius < LEAST_STROKE ? null : { id, kind, centre: first, radius };
    }
    case 'outline': {
      const extent = Math.max(...stroke.map((point) => distance(first, point, aspect)));
      return stroke.length < 3 || extent < LEAST_STROKE ? null : { id, kind, points: stroke };
    }
  }
}

/** A mark in the middle of a picture, for who does not draw. */
export function markInTheMiddle(kind: DrawnKind, id: string): PhotoMark {
  const centre = { x: 0.5, y: 0.5 };
  switch (kind) {
    case 'arrow':
      return { id, kind, from: { x: 0.35, y: 0.65 }, to: centre };
    case 'ring':
      return { id, kind, centre, radius: 0.12 };
    case 'outline':
      return {
        id,
        kind,
        points: [
          { x: 0.38, y: 0.38 },
          { x: 0.62, y: 0.38 },
          { x: 0.62, y: 0.62 },
          { x: 0.38, y: 0.62 },
        ],
      };
  }
}

function pointsOf(mark: PhotoMark): readonly PicturePoint[] {
  switch (mark.kind) {
    case 'arrow':
      return [mark.from, mark.to];
    case 'ring':
      return [mark.centre];
    case 'outline':
      return mark.points;
    case 'text':
      return [mark.at];
  }
}

function withPlaces(mark: PhotoMark, move: (point: PicturePoint) => PicturePoint): PhotoMark {
  switch (mark.kind) {
    case 'arrow':
      return { ...mark, from: move(mark.from), to: move(mark.to) };
    case 'ring':
      return { ...mark, centre: move(mark.centre) };
    case 'outline':
      return { ...mark, points: mark.points.map(move) };
    case 'text':
      return { ...mark, at: move(mark.at) };
  }
}

/** How far something may go that spans some shares of a side, so that it stays within 0…1. */
function reach(shares: readonly number[], step: number): number {
  return Math.min(1 - Math.max(...shares), Math.max(-Math.min(...shares), step));
}

/** A mark moved by shares of the picture's width and height; it keeps its shape and never leaves the picture. */
export function moved(mark: PhotoMark, dx: number, dy: number): PhotoMark {
  const points = pointsOf(mark);
  const right = reach(
    points.map(({ x }) => x),
    dx,
  );
  const down = reach(
    points.map(({ y }) => y),
    dy,
  );
  return withPlaces(mark, ({ x, y }) => ({ x: within(x + right), y: within(y + down) }));
}
