import { OUTLINE_CORNERS_MAX, OUTLINES_MAX } from '../limits';
import type { Operation } from '../operation';
import { as, fields, figure, list, outcome, positive } from '../schema';
import { coveredArea } from './covered-area';
import type { Point } from '../geometry/point';
import { photoToRectangle, type Quadrilateral } from './homography';
import { inCavityUnits } from './in-cavity-units';

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

/**
 * Share of a cavity that is void, from outlines drawn on a photo: corners → homography → cavity, clipped to it, united,
 * area by shoelace (m²). An outline that crosses itself is filled even–odd.
 * @example voids(examples['photo.voids']).voidFraction // 0.03509
 * @throws {Refusal} `degenerate-corners`, `beyond-horizon`, `out-of-range`, `list-length`, `too-tangled`
 */
export function voids({ corners, cavityWidthM, cavityHeightM, outlines }: VoidsInput): Voids {
  const inUnits = inCavityUnits(
    outlines,
    photoToRectangle(corners as Quadrilateral, 1, 1),
    'outlines',
    (i) => `outlines[${i}]`,
  );
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

/** Four corners of a cavity on a photo, and its true size. */
export const photographedCavity = {
  corners: list(point, 4, 4),
  cavityWidthM: positive('length'),
  cavityHeightM: positive('length'),
};

/** An outline on a photo. */
export const outlineMember = as('Corners', list(point, 3, OUTLINE_CORNERS_MAX));

export const voidsOperation: Operation<VoidsInput, Voids> = {
  words: {
    shelf: 'insulation',
    title: 'Voids from points on a photo',
    tells: 'Areas of voids outlined on a photo of a cavity of known size.',
    alsoCalled: 'picture, camera, measure, gaps, area, cavity',
    mainFigures: ['voidFraction', 'voidAreaM2', 'cavityAreaM2'],
  },
  schema: fields<VoidsInput>({
    ...photographedCavity,
    outlines: as('Outlines of voids', list(outlineMember, 0, OUTLINES_MAX), 'outline'),
  }),
  run: voids,
  output: outcome<Voids>({
    cavityAreaM2: figure('smallArea'),
    outlineAreasM2: as('Areas of outlines', list(figure('smallArea'))),
    voidAreaM2: as('Void', figure('smallArea')),
    voidFraction: as('Void share', figure('share')),
  }),
};
