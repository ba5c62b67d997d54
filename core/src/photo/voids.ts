import { OUTLINE_CORNERS_MAX, OUTLINES_MAX } from '../limits';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, fields, figure, list, outcome, positive } from '../schema';
import { coveredArea } from './covered-area';
import type { Point } from '../geometry/point';
import { photoToRectangle, type PhotoToPlane, type Quadrilateral } from './homography';

export interface VoidsInput {
  /** Of the cavity on the photo: top left, top right, bottom right, bottom left. */
  readonly corners: readonly Point[];
  readonly cavityWidthM: number;
  readonly cavityHeightM: number;
  /** What was drawn round voids on the photo. */
  readonly outlines: readonly (readonly Point[])[];
}

export interface Voids {
  readonly cavityAreaM2: number;
  /** Each outline alone, clipped to the cavity. */
  readonly outlineAreasM2: readonly number[];
  /** All outlines together; what two share counts once. */
  readonly voidAreaM2: number;
  readonly voidFraction: number;
}

/** Points of all outlines together. */
const MOST_POINTS = 2000;

/** An outline point farther off than this many cavities was not drawn on the cavity. */
const FARTHEST = 1000;

/** Outline points in units of the cavity: 0…1 across and down. */
function inCavityUnits(outline: readonly Point[], field: string, map: PhotoToPlane): readonly Point[] {
  return outline.map((point, j) => {
    const mapped = map(point);
    if (mapped === null) {
      throw new Refusal(
        'beyond-horizon',
        `${field}[${j}]`,
        'This point lies beyond the horizon of the wall on the photo: keep to the cavity.',
      );
    }
    const farthest = Math.max(Math.abs(mapped.x), Math.abs(mapped.y));
    if (!(farthest <= FARTHEST)) {
      throw new Refusal('out-of-range', `${field}[${j}]`, 'This point lies far off the cavity.', {
        value: farthest,
        bound: FARTHEST,
      });
    }
    return mapped;
  });
}

function refuseTooMany(outlines: VoidsInput['outlines']): void {
  const count = outlines.reduce((sum, outline) => sum + outline.length, 0);
  if (count <= MOST_POINTS) return;
  throw new Refusal('list-length', 'outlines', `All outlines together take up to ${MOST_POINTS} points.`, {
    value: count,
    bound: MOST_POINTS,
  });
}

/**
 * Share of a cavity that is void, from outlines drawn on a photo: corners → homography → cavity, clipped to it, united,
 * area by shoelace (m²). An outline that crosses itself is filled even–odd.
 * @example voids(examples['photo.voids']).voidFraction // 0.03509
 * @throws {Refusal} `degenerate-corners`, `beyond-horizon`, `out-of-range`, `list-length`, `too-tangled`
 */
export function voids({ corners, cavityWidthM, cavityHeightM, outlines }: VoidsInput): Voids {
  refuseTooMany(outlines);
  const map = photoToRectangle(corners as Quadrilateral, 1, 1);
  const inUnits = outlines.map((outline, i) => inCavityUnits(outline, `outlines[${i}]`, map));
  const cavityAreaM2 = cavityWidthM * cavityHeightM;
  const voidFraction = coveredArea(inUnits);
  return {
    cavityAreaM2,
    outlineAreasM2: inUnits.map((outline) => coveredArea([outline]) * cavityAreaM2),
    voidAreaM2: voidFraction * cavityAreaM2,
    voidFraction,
  };
}

const point = fields<Point>({
  x: as('x', figure('plain')),
  y: as('y', figure('plain')),
});

export const voidsOperation: Operation<VoidsInput, Voids> = {
  words: {
    shelf: 'insulation',
    title: 'Voids from points on a photo',
    tells: 'Areas of voids outlined on a photo of a cavity of known size.',
    alsoCalled: 'picture, camera, measure, gaps, area, cavity',
    mainFigures: ['voidFraction', 'voidAreaM2', 'cavityAreaM2'],
  },
  schema: fields<VoidsInput>({
    corners: list(point, 4, 4),
    cavityWidthM: positive('length'),
    cavityHeightM: positive('length'),
    outlines: as(
      'Outlines of voids',
      list(as('Corners', list(point, 3, OUTLINE_CORNERS_MAX)), 0, OUTLINES_MAX),
      'outline',
    ),
  }),
  run: voids,
  output: outcome<Voids>({
    cavityAreaM2: figure('smallArea'),
    outlineAreasM2: as('Areas of outlines', list(figure('smallArea'))),
    voidAreaM2: as('Void', figure('smallArea')),
    voidFraction: as('Void share', figure('share')),
  }),
};
