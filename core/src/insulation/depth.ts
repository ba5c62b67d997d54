import { DEPTHS_MAX } from '../limits';
import { FOAM } from '../cautions';
import { fallsBelow, type Finding } from '../finding';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import {
  as,
  boolean,
  fields,
  figure,
  list,
  nonNegative,
  number,
  option,
  optional,
  outcome,
  part,
  positive,
} from '../schema';

export type DepthKind = 'looseFill' | 'sprayedFoam';

export interface DepthInput {
  readonly kind: DepthKind;
  /** As read, before settling. */
  readonly depthsM: readonly number[];
  readonly conductivityWmK: number;
  readonly specifiedDepthM: number;
  /** All else of the build-up, films included. */
  readonly restRsi: number;
  /** Share of depth that loose fill loses; required for it. */
  readonly settlingFraction?: number;
  /** Share of the specified depth below which no reading of foam may fall; 0.75 where left out. */
  readonly minimumShare?: number;
}

export interface DepthReading {
  readonly settledDepthM: number;
  readonly rsi: number;
  readonly belowMinimum: boolean;
}

export interface Depth {
  readonly readings: readonly DepthReading[];
  readonly meanDepthM: number;
  /** As read. */
  readonly lowestDepthM: number;
  /** Of the whole build-up: mean over the readings. */
  readonly uValue: number;
  /** Of the fill alone: 1/U less the rest. */
  readonly effectiveRsi: number;
  /** Null for loose fill. */
  readonly accepted: boolean | null;
  readonly findings: readonly Finding<'depth-below-specified' | 'depth-below-minimum' | 'mean-depth-low'>[];
}

export const MINIMUM_DEPTH_SHARE = 0.75;

const LOW = {
  looseFill: {
    rule: 'depth-below-specified',
    severity: 'warn',
    message: 'The fill is shallower here than specified.',
  },
  sprayedFoam: {
    rule: 'depth-below-minimum',
    severity: 'fail',
    message: 'The foam is too thin here: spray more.',
  },
} as const;

function settlingOf({ kind, settlingFraction }: DepthInput): number {
  if (kind === 'sprayedFoam') return 0;
  if (settlingFraction === undefined) {
    throw new Refusal(
      'required',
      'settlingFraction',
      'Give the share of its depth that the fill will settle.',
    );
  }
  return settlingFraction;
}

/**
 * Figures of depths, each of which stands for a share of the layer.
 * @param weights those shares, which add up to 1
 * @example weighedDepth(examples['insulation.depth'], [1, 0, 0, 0]).meanDepthM // 0.42
 * @throws {Refusal} `required`
 */
export function weighedDepth(input: DepthInput, weights: readonly number[]): Depth {
  const {
    kind,
    depthsM,
    conductivityWmK,
    specifiedDepthM,
    restRsi,
    minimumShare = MINIMUM_DEPTH_SHARE,
  } = input;
  const left = 1 - settlingOf(input);
  const least = kind === 'looseFill' ? specifiedDepthM : minimumShare * specifiedDepthM;
  const readings = depthsM.map((depthM): DepthReading => {
    const settledDepthM = depthM * left;
    return { settledDepthM, rsi: settledDepthM / conductivityWmK, belowMinimum: fallsBelow(depthM, least) };
  });
  const meanDepthM = depthsM.reduce((sum, depthM, i) => sum + depthM * (weights[i] ?? 0), 0);
  const uValue = readings.reduce((sum, { rsi }, i) => sum + (weights[i] ?? 0) / (restRsi + rsi), 0);
  const findings = readings.flatMap(({ belowMinimum }, reading): Depth['findings'] =>
    belowMinimum ? [{ ...LOW[kind], value: depthsM[reading], limit: least, reading }] : [],
  );
  const meanIsLow = kind === 'sprayedFoam' && fallsBelow(meanDepthM, specifiedDepthM);
  return {
    readings,
    meanDepthM,
    lowestDepthM: depthsM.reduce((lowest, depthM) => Math.min(lowest, depthM), Infinity),
    uValue,
    effectiveRsi: 1 / uValue - restRsi,
    accepted: kind === 'looseFill' ? null : findings.length === 0 && !meanIsLow,
    findings: meanIsLow
      ? [
          ...findings,
          {
            rule: 'mean-depth-low',
            severity: 'fail',
            message: 'The foam is thinner on average than specified.',
            value: meanDepthM,
            limit: specifiedDepthM,
          },
        ]
      : findings,
  };
}

/**
 * Uneven depth of loose fill or sprayed foam: heat takes the thin places, so U is the mean of 1/(R_rest + R_i), and
 * the effective R of the fill 1/U − R_rest, never the R of the mean depth.
 * @example depth(examples['insulation.depth']).effectiveRsi // 6.914
 * @throws {Refusal} `required`
 */
export function depth(input: DepthInput): Depth {
  const { depthsM } = input;
  return weighedDepth(
    input,
    depthsM.map(() => 1 / depthsM.length),
  );
}

/** What is asked of a layer whose depths are taken. */
export const layerMembers = {
  kind: option('looseFill', 'sprayedFoam'),
  others: {
    conductivityWmK: positive('conductivity'),
    specifiedDepthM: positive('thickness'),
    restRsi: as('R of all the rest, with films', positive('resistance')),
    settlingFraction: optional(number({ quantity: 'share', min: 0, below: 1 })),
    minimumShare: optional(number({ quantity: 'share', above: 0 })),
  },
};

export const depthOperation: Operation<DepthInput, Depth> = {
  words: {
    shelf: 'insulation',
    title: 'Depths of fill or foam',
    tells: 'R of an uneven or settling layer from depths taken over the area.',
    alsoCalled: 'thickness, spray foam, SPF, settling, attic, loft, R-value, probe',
    mainFigures: ['effectiveRsi', 'meanDepthM', 'lowestDepthM', 'accepted'],
    caution: FOAM,
  },
  schema: fields<DepthInput>({
    kind: layerMembers.kind,
    depthsM: list(nonNegative('thickness'), 1, DEPTHS_MAX),
    ...layerMembers.others,
  }),
  run: depth,
  output: outcome<Depth>({
    readings: list(
      part({
        settledDepthM: figure('thickness'),
        rsi: as('R', figure('resistance')),
        belowMinimum: boolean(),
      }),
    ),
    meanDepthM: figure('thickness'),
    lowestDepthM: figure('thickness'),
    uValue: as('U', figure('transmittance')),
    effectiveRsi: as('Effective R', figure('resistance')),
    accepted: optional(boolean()),
  }),
};
