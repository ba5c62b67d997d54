import { DEPTHS_MAX } from '../limits';
import { FOAM } from '../cautions';
import { dewPoint } from '../air/dew-point';
import { exceeds, fallsBelow, type Finding } from '../finding';
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
  temperatureC,
} from '../schema';
import { DEFAULT_VOID_RSI } from '../thermal/grade-adjustment';
import { battCompression, CRUSHED_SHARE } from './batt-compression';

/** A batt that lies over foam. */
export interface FoamedBatt {
  readonly labelRsi: number;
  readonly labelThicknessM: number;
  /** `constant` of fibres that keep their conductivity when pressed (plant, wood, wool); `fibreLaw` where left out. */
  readonly pressing?: 'fibreLaw' | 'constant';
}

/** Fibre batts laid inside of sprayed foam of uneven depth. */
export interface HybridFillInput {
  readonly cavityDepthM: number;
  /** Each up to the depth of the cavity. */
  readonly foamDepthsM: readonly number[];
  readonly foamConductivityWmK: number;
  readonly batt: FoamedBatt;
  /** From indoor air to the room side of the fibre, film included. */
  readonly insideRsi: number;
  /** From the outer side of the foam to outdoor air, film included. */
  readonly outsideRsi: number;
  readonly indoorTemperatureC: number;
  readonly outdoorTemperatureC: number;
  readonly indoorRelativeHumidity: number;
  /** Of the gap where a batt is thinner than what the foam leaves. */
  readonly gapRsi?: number;
}

export interface HybridReading {
  readonly fibreThicknessM: number;
  readonly fibreRsi: number;
  readonly foamRsi: number;
  /** True where the batt leaves a gap before the foam. */
  readonly hasGap: boolean;
}

/** The inner face of the foam, on which indoor air can condense. */
export interface FoamFace {
  readonly foamDepthM: number;
  readonly temperatureC: number;
  readonly safe: boolean;
}

export interface HybridFill {
  readonly readings: readonly HybridReading[];
  readonly meanFoamDepthM: number;
  readonly lowestFoamDepthM: number;
  /** Mean over the readings, of the whole build-up beside the frame. */
  readonly uValue: number;
  /** Of fibre and foam together: 1/U less what lies inside and outside of them. */
  readonly effectiveRsi: number;
  readonly dewPointC: number;
  /** Decides. */
  readonly atLowest: FoamFace;
  /** For comparison only. */
  readonly atMean: FoamFace;
  readonly findings: readonly Finding<'condensing-plane-cold' | 'gap-before-foam' | 'fibre-crushed'>[];
}

/** R of a batt in a space: by the law of fibres, or, where its conductivity stays, by its thickness alone. */
function battIn({ labelRsi, labelThicknessM, pressing }: FoamedBatt, spaceM: number): number {
  if (pressing === 'constant') return (labelRsi * Math.min(spaceM, labelThicknessM)) / labelThicknessM;
  return battCompression({ labelRsi, labelThicknessM, thicknessM: spaceM }, 'batt.labelRsi').rsi;
}

function readingAt(input: HybridFillInput, foamDepthM: number): HybridReading {
  const { batt, cavityDepthM, foamConductivityWmK, gapRsi = DEFAULT_VOID_RSI } = input;
  const spaceM = cavityDepthM - foamDepthM;
  const foamRsi = foamDepthM / foamConductivityWmK;
  if (!(spaceM > 0)) return { fibreThicknessM: 0, fibreRsi: 0, foamRsi, hasGap: false };
  const rsi = battIn(batt, spaceM);
  const hasGap = exceeds(spaceM, batt.labelThicknessM);
  return {
    fibreThicknessM: Math.min(spaceM, batt.labelThicknessM),
    fibreRsi: hasGap ? rsi + gapRsi : rsi,
    foamRsi,
    hasGap,
  };
}

function findingsOf(
  { batt }: HybridFillInput,
  readings: readonly HybridReading[],
  atLowest: FoamFace,
  dewPointC: number,
): HybridFill['findings'] {
  const findings: HybridFill['findings'][number][] = [];
  if (!atLowest.safe) {
    findings.push({
      rule: 'condensing-plane-cold',
      severity: 'fail',
      message:
        'Where the foam is thinnest its inner face is colder than the dew point of indoor air: spray more.',
      value: atLowest.temperatureC,
      limit: dewPointC,
    });
  }
  readings.forEach(({ hasGap, fibreThicknessM }, reading) => {
    if (hasGap) {
      findings.push({
        rule: 'gap-before-foam',
        severity: 'warn',
        message: 'The batt is thinner than what the foam leaves: air can move between them.',
        reading,
      });
    } else if (fibreThicknessM > 0 && fallsBelow(fibreThicknessM, CRUSHED_SHARE * batt.labelThicknessM)) {
      findings.push({
        rule: 'fibre-crushed',
        severity: 'warn',
        message: 'The batt is pressed to less than half of its thickness: its R is an estimate here.',
        value: fibreThicknessM,
        limit: CRUSHED_SHARE * batt.labelThicknessM,
        reading,
      });
    }
  });
  return findings;
}

/**
 * Batts over foam of uneven depth: the fibre's thickness at each reading is what the foam leaves, pressed batts by the
 * law of compression (or at a conductivity that stays), a gap where a batt is too thin. U is the mean over the readings. The inner face of the foam is
 * judged at its lowest depth. ISO 13788, 5 (steady state) for the temperature of that face.
 * @example hybridFill(examples['insulation.hybridFill']).effectiveRsi // 4.288
 * @throws {Refusal} `out-of-range`, `not-warmer-than-outdoors`, `no-density-root`, `no-resistance`
 */
export function hybridFill(input: HybridFillInput): HybridFill {
  const { foamDepthsM, cavityDepthM, insideRsi, outsideRsi, indoorTemperatureC, outdoorTemperatureC } = input;
  if (indoorTemperatureC <= outdoorTemperatureC) {
    throw new Refusal(
      'not-warmer-than-outdoors',
      'indoorTemperatureC',
      'This looks at winter: it must be warmer indoors than outdoors.',
      { value: indoorTemperatureC, bound: outdoorTemperatureC },
    );
  }
  foamDepthsM.forEach((foamDepthM, i) => {
    if (foamDepthM <= cavityDepthM) return;
    throw new Refusal('out-of-range', `foamDepthsM[${i}]`, 'Foam beyond the cavity must be cut back first.', {
      value: foamDepthM,
      bound: cavityDepthM,
    });
  });
  const readings = foamDepthsM.map((foamDepthM) => readingAt(input, foamDepthM));
  const { dewPointC } = dewPoint({
    temperatureC: indoorTemperatureC,
    relativeHumidity: input.indoorRelativeHumidity,
  });
  const faceAt = (foamDepthM: number): FoamFace => {
    const { fibreRsi, foamRsi } = readingAt(input, foamDepthM);
    const total = insideRsi + fibreRsi + foamRsi + outsideRsi;
    if (!(total > 0)) throw new Refusal('no-resistance', 'insideRsi', 'Nothing here has any resistance.');
    const temperature =
      indoorTemperatureC - ((indoorTemperatureC - outdoorTemperatureC) * (insideRsi + fibreRsi)) / total;
    return { foamDepthM, temperatureC: temperature, safe: !fallsBelow(temperature, dewPointC) };
  };
  const lowestFoamDepthM = foamDepthsM.reduce((lowest, foamDepthM) => Math.min(lowest, foamDepthM), Infinity);
  const meanFoamDepthM = foamDepthsM.reduce((sum, foamDepthM) => sum + foamDepthM, 0) / foamDepthsM.length;
  const [atLowest, atMean] = [faceAt(lowestFoamDepthM), faceAt(meanFoamDepthM)];
  const uValue =
    readings.reduce(
      (sum, { fibreRsi, foamRsi }) => sum + 1 / (insideRsi + fibreRsi + foamRsi + outsideRsi),
      0,
    ) / readings.length;
  return {
    readings,
    meanFoamDepthM,
    lowestFoamDepthM,
    uValue,
    effectiveRsi: 1 / uValue - insideRsi - outsideRsi,
    dewPointC,
    atLowest,
    atMean,
    findings: findingsOf(input, readings, atLowest, dewPointC),
  };
}

/** The inner face of the foam at one depth of it. */
const planeFigures = part({
  foamDepthM: figure('thickness'),
  temperatureC: figure('temperature'),
  safe: boolean(),
});

export const hybridFillOperation: Operation<HybridFillInput, HybridFill> = {
  words: {
    shelf: 'insulation',
    title: 'Batt over sprayed foam',
    tells: 'R of a cavity with uneven foam and a batt over it, and whether the foam stays warm enough.',
    alsoCalled: 'flash and batt, spray foam, closed cell, condensation, mould, mold',
    mainFigures: ['effectiveRsi', 'atLowest.temperatureC', 'dewPointC', 'atLowest.safe'],
    caution: FOAM,
  },
  schema: fields<HybridFillInput>({
    cavityDepthM: positive('thickness'),
    foamDepthsM: list(nonNegative('thickness'), 1, DEPTHS_MAX),
    foamConductivityWmK: positive('conductivity'),
    batt: fields<FoamedBatt>({
      labelRsi: as('R on the label', positive('resistance')),
      labelThicknessM: as('Thickness on the label', positive('thickness')),
      pressing: optional(option('fibreLaw', 'constant')),
    }),
    insideRsi: as('R on the inside', nonNegative('resistance')),
    outsideRsi: as('R on the outside', nonNegative('resistance')),
    indoorTemperatureC: temperatureC(),
    outdoorTemperatureC: temperatureC(),
    indoorRelativeHumidity: number({ quantity: 'share', above: 0, max: 1 }),
    gapRsi: as('R of a gap', optional(positive('resistance'))),
  }),
  run: hybridFill,
  output: outcome<HybridFill>({
    readings: list(
      part({
        fibreThicknessM: figure('thickness'),
        fibreRsi: as('R of the batt', figure('resistance')),
        foamRsi: as('R of the foam', figure('resistance')),
        hasGap: boolean(),
      }),
    ),
    meanFoamDepthM: figure('thickness'),
    lowestFoamDepthM: figure('thickness'),
    uValue: as('U', figure('transmittance')),
    effectiveRsi: as('Effective R', figure('resistance')),
    dewPointC: figure('temperature'),
    atLowest: planeFigures,
    atMean: planeFigures,
  }),
};
