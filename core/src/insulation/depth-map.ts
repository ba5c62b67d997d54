import { FOAM } from '../cautions';
import { exceeds, type Finding } from '../finding';
import { nearestShares } from '../geometry/nearest-shares';
import { MAP_READINGS_MAX } from '../limits';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, boolean, fields, figure, list, nonNegative, optional, outcome, positive } from '../schema';
import { layerMembers, weighedDepth, type Depth, type DepthInput } from './depth';

/** A depth, and where on the map of its area it was taken: from its left and lower edges. */
export interface PlacedDepth {
  readonly xM: number;
  readonly yM: number;
  /** As read, before settling. */
  readonly depthM: number;
}

export interface DepthMapInput extends Omit<DepthInput, 'depthsM'> {
  /** Of the area, as a rectangle. */
  readonly widthM: number;
  readonly heightM: number;
  readonly readings: readonly PlacedDepth[];
  /** The most that one reading may stand for; 28 m² of loose fill, 10 m² of foam where left out. */
  readonly largestCellM2?: number;
}

export interface DepthMap extends Pick<
  Depth,
  'meanDepthM' | 'lowestDepthM' | 'uValue' | 'effectiveRsi' | 'accepted'
> {
  /** Share of the area that lies nearer to a reading than to any other. */
  readonly weights: readonly number[];
  /** Which reading is the lowest; of equals the first. */
  readonly lowestReading: number;
  /** Share of the area whose readings are below what is asked of each. */
  readonly belowShare: number;
  readonly findings: readonly Finding<Depth['findings'][number]['rule'] | 'sparse-readings'>[];
}

/** One depth for each 300 square feet of an attic, 28 m²: ANSI 301, appendix A. Foam is uneven nearer together. */
export const LARGEST_CELL_M2 = { looseFill: 28, sprayedFoam: 10 } as const;
/** Readings that lie so near to each other are on one spot. */
const SAME_SPOT_M = 1e-9;

function refuseMisplaced({ widthM, heightM, readings }: DepthMapInput): void {
  const seen: PlacedDepth[] = [];
  readings.forEach((reading, i) => {
    for (const [name, bound] of [['xM', widthM] as const, ['yM', heightM] as const]) {
      if (reading[name] >= 0 && reading[name] <= bound) continue;
      throw new Refusal('out-of-range', `readings[${i}].${name}`, 'This reading lies off the area.', {
        value: reading[name],
        bound,
      });
    }
    if (seen.some(({ xM, yM }) => Math.hypot(xM - reading.xM, yM - reading.yM) <= SAME_SPOT_M)) {
      throw new Refusal(
        'duplicate-point',
        `readings[${i}]`,
        'There is a reading on this spot already: keep one of them.',
      );
    }
    seen.push(reading);
  });
}

/**
 * Depths by where they were taken: each stands for what lies nearer to it than to any other, so that many readings in one
 * corner do not outweigh few over the rest. Mean, U and what is too low are weighed so; else as `depth`.
 * @example depthMap(examples['insulation.depthMap']).belowShare // 0.1257
 * @throws {Refusal} `out-of-range`, `duplicate-point`, `required`
 */
export function depthMap(input: DepthMapInput): DepthMap {
  const { widthM, heightM, readings, kind, largestCellM2 = LARGEST_CELL_M2[kind] } = input;
  refuseMisplaced(input);
  const depthsM = readings.map(({ depthM }) => depthM);
  const weights = nearestShares(
    readings.map(({ xM, yM }) => ({ x: xM, y: yM })),
    widthM,
    heightM,
  );
  const found = weighedDepth({ ...input, depthsM }, weights);
  const { meanDepthM, lowestDepthM, uValue, effectiveRsi, accepted } = found;
  const sparse = weights.flatMap((weight, reading): DepthMap['findings'] => {
    const cellM2 = weight * widthM * heightM;
    if (!exceeds(cellM2, largestCellM2)) return [];
    return [
      {
        rule: 'sparse-readings',
        severity: 'warn',
        message: 'One reading stands for much here: take more round it.',
        value: cellM2,
        limit: largestCellM2,
        reading,
      },
    ];
  });
  return {
    weights,
    meanDepthM,
    lowestDepthM,
    lowestReading: depthsM.indexOf(lowestDepthM),
    belowShare: found.readings.reduce(
      (sum, { belowMinimum }, i) => sum + (belowMinimum ? (weights[i] ?? 0) : 0),
      0,
    ),
    uValue,
    effectiveRsi,
    accepted,
    findings: [...found.findings, ...sparse],
  };
}

export const depthMapOperation: Operation<DepthMapInput, DepthMap> = {
  words: {
    shelf: 'insulation',
    title: 'Depths on a map',
    tells: 'R of an uneven layer from depths by where they were taken, and where more are needed.',
    alsoCalled: 'attic, loft, thickness, loose fill, spray foam, grid, markers, rulers, Voronoi',
    mainFigures: ['effectiveRsi', 'meanDepthM', 'belowShare', 'lowestDepthM'],
    caution: FOAM,
  },
  schema: fields<DepthMapInput>({
    kind: layerMembers.kind,
    widthM: positive('length'),
    heightM: positive('length'),
    readings: list(
      fields<PlacedDepth>({
        xM: as('From the left', figure('length')),
        yM: as('From below', figure('length')),
        depthM: nonNegative('thickness'),
      }),
      1,
      MAP_READINGS_MAX,
    ),
    ...layerMembers.others,
    largestCellM2: as('One reading for at most', optional(positive('area'))),
  }),
  run: depthMap,
  output: outcome<DepthMap>({
    weights: as('Shares of the area', list(figure('share'))),
    meanDepthM: figure('thickness'),
    lowestDepthM: figure('thickness'),
    lowestReading: as('Lowest reading', figure('count')),
    belowShare: as('Share that is too low', figure('share')),
    uValue: as('U', figure('transmittance')),
    effectiveRsi: as('Effective R', figure('resistance')),
    accepted: optional(boolean()),
  }),
};
