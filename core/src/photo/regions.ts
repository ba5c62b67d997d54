import type { Point } from '../geometry/point';
import { VOID_BELOW_FILL, type Region } from '../insulation/grade';
import { REGIONS_MAX } from '../limits';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, fields, figure, list, number, optional, outcome, part } from '../schema';
import { photoToRectangle, type Quadrilateral } from './homography';
import { inCavityUnits } from './in-cavity-units';
import { movedOutline } from './moved-outline';
import { settledShares } from './settled-shares';
import { outlineMember, photographedCavity } from './voids';

/** What was drawn round a patch on a photo, and what is left of the thickness in it: 0 where it is empty. */
export interface OutlinedRegion {
  readonly outline: readonly Point[];
  readonly fill: number;
}

export interface RegionsInput {
  /** Of the cavity on the photo: top left, top right, bottom right, bottom left. */
  readonly corners: readonly Point[];
  readonly cavityWidthM: number;
  readonly cavityHeightM: number;
  readonly regions: readonly OutlinedRegion[];
  /** Standard uncertainty of each coordinate of a corner, pixels; 3 where left out. */
  readonly cornerSdPx?: number;
  /** By how much outlines are drawn too far out, standard uncertainty, pixels; 4 where left out. */
  readonly outlineSdPx?: number;
}

export interface Regions {
  readonly cavityAreaM2: number;
  /** In the order of the input; what several share counts for the emptiest, of equals for the first. */
  readonly regions: readonly Region[];
  readonly voidFraction: number;
  readonly compressedFraction: number;
  /** Of what is compressed, by area; null where nothing is. */
  readonly meanFill: number | null;
  /** Of the shares; null where a corner, moved by half a pixel, makes no cavity. */
  readonly voidStandardUncertainty: number | null;
  readonly compressedStandardUncertainty: number | null;
}

export const CORNER_SD_PX = 3;
export const OUTLINE_SD_PX = 4;
/** The step by which corners and outlines are moved to either side. */
const HALF_PX = 0.5;

/**
 * Shares of a cavity that each of some regions takes on its photo.
 * @example measuredShares(examples['photo.voids'].corners, [{ outline: examples['photo.voids'].outlines[0], fill: 0 }]) // [0.03509]
 * @throws {Refusal} `degenerate-corners`, `beyond-horizon`, `out-of-range`, `list-length`, `too-tangled`
 */
export function measuredShares(
  corners: readonly Point[],
  regions: readonly OutlinedRegion[],
): readonly number[] {
  const outlines = inCavityUnits(
    regions.map(({ outline }) => outline),
    photoToRectangle(corners as Quadrilateral, 1, 1),
    'regions',
    (i) => `regions[${i}].outline`,
  );
  return settledShares(
    outlines,
    regions.map(({ fill }) => fill),
    'regions',
  );
}

interface Sums {
  readonly empty: number;
  readonly pressed: number;
}

function sumsOf(shares: readonly number[], regions: readonly OutlinedRegion[]): Sums {
  let [empty, pressed] = [0, 0];
  shares.forEach((each, i) => {
    if ((regions[i]?.fill ?? 0) < VOID_BELOW_FILL) empty += each;
    else pressed += each;
  });
  return { empty, pressed };
}

const moved = (corner: Point, axis: 'x' | 'y', by: number): Point => ({
  ...corner,
  [axis]: corner[axis] + by,
});

/** First-order standard uncertainties of the sums: corners each by themselves, outlines all together. */
function uncertaintyOf(input: RegionsInput): Sums | null {
  const { corners, regions, cornerSdPx = CORNER_SD_PX, outlineSdPx = OUTLINE_SD_PX } = input;
  const sums = (of: readonly Point[], drawn: readonly OutlinedRegion[]): Sums =>
    sumsOf(measuredShares(of, drawn), drawn);
  let [empty, pressed] = [0, 0];
  const add = (more: Sums, less: Sums, sdPx: number): void => {
    empty += ((more.empty - less.empty) * sdPx) ** 2;
    pressed += ((more.pressed - less.pressed) * sdPx) ** 2;
  };
  const outwards = (by: number): readonly OutlinedRegion[] =>
    regions.map(({ outline, fill }) => ({ outline: movedOutline(outline, by), fill }));
  try {
    for (const axis of ['x', 'y'] as const) {
      corners.forEach((_, at) => {
        const step = (by: number): Sums =>
          sums(
            corners.map((corner, i) => (i === at ? moved(corner, axis, by) : corner)),
            regions,
          );
        add(step(HALF_PX), step(-HALF_PX), cornerSdPx);
      });
    }
    add(sums(corners, outwards(HALF_PX)), sums(corners, outwards(-HALF_PX)), outlineSdPx);
  } catch (error) {
    if (error instanceof Refusal) return null;
    throw error;
  }
  return { empty: Math.sqrt(empty), pressed: Math.sqrt(pressed) };
}

/**
 * What patches outlined on a photo come to in their cavity, m² and shares: corners → homography → cavity, clipped to it, what
 * several share counting once, for the emptiest. How far the shares can be trusted follows from how far corners and outlines
 * can (first order, ISO/IEC Guide 98-3, 5.1.2). Its regions are those of a grade.
 * @example regions(examples['photo.regions']).voidFraction // 0.03509
 * @throws {Refusal} `degenerate-corners`, `beyond-horizon`, `out-of-range`, `list-length`, `too-tangled`
 */
export function regions(input: RegionsInput): Regions {
  const cavityAreaM2 = input.cavityWidthM * input.cavityHeightM;
  const shares = measuredShares(input.corners, input.regions);
  const { empty, pressed } = sumsOf(shares, input.regions);
  const found = shares.map((each, i): Region => ({
    areaM2: each * cavityAreaM2,
    fill: input.regions[i]?.fill ?? 0,
  }));
  const filled = found.filter(({ fill }) => fill >= VOID_BELOW_FILL);
  const uncertainty = uncertaintyOf(input);
  return {
    cavityAreaM2,
    regions: found,
    voidFraction: empty,
    compressedFraction: pressed,
    meanFill:
      pressed > 0
        ? filled.reduce((sum, { fill, areaM2 }) => sum + fill * areaM2, 0) / (pressed * cavityAreaM2)
        : null,
    voidStandardUncertainty: uncertainty?.empty ?? null,
    compressedStandardUncertainty: uncertainty?.pressed ?? null,
  };
}

export const regionsOperation: Operation<RegionsInput, Regions> = {
  words: {
    shelf: 'insulation',
    title: 'Empty and pressed, from a photo',
    tells: 'Empty and pressed shares of a cavity outlined on a photo, and how far they can be trusted.',
    alsoCalled: 'picture, camera, measure, voids, gaps, compression, uncertainty',
    mainFigures: [
      'voidFraction',
      'voidStandardUncertainty',
      'compressedFraction',
      'compressedStandardUncertainty',
    ],
  },
  schema: fields<RegionsInput>({
    ...photographedCavity,
    regions: list(
      fields<OutlinedRegion>({
        outline: outlineMember,
        fill: as('Filled to', number({ quantity: 'share', min: 0, below: 1 })),
      }),
      0,
      REGIONS_MAX,
    ),
    cornerSdPx: as('Uncertainty of corners, pixels', optional(number({ quantity: 'plain', min: 0 }))),
    outlineSdPx: as('Uncertainty of outlines, pixels', optional(number({ quantity: 'plain', min: 0 }))),
  }),
  run: regions,
  output: outcome<Regions>({
    cavityAreaM2: figure('smallArea'),
    regions: list(part({ areaM2: figure('smallArea'), fill: as('Filled to', figure('share')) })),
    voidFraction: as('Void share', figure('share')),
    compressedFraction: as('Compressed share', figure('share')),
    meanFill: as('Mean fill of compressed parts', optional(figure('share'))),
    voidStandardUncertainty: as('Uncertainty of the void share', optional(figure('share'))),
    compressedStandardUncertainty: as('Uncertainty of the compressed share', optional(figure('share'))),
  }),
};
