import { as, fields, number, option, optional, positive, share } from '../schema';
import { exceeds } from '../finding';
import { battCompression } from '../insulation/batt-compression';
import { Refusal } from '../refusal';
import type { Films } from './films';
import { parallelPathU, unbridgedTotalRsi, type HeatPath } from './heat-paths';
import type { Layer } from './layer';

/** Installation grade of insulation. ANSI 301, appendix A. */
export type InstallationGrade = 'I' | 'II' | 'III';

export const installationGrade = option('I', 'II', 'III');
/** How a grade is turned into resistance: as a share of void in the cavity, or as an air-void level (ISO 6946, annex F). */
export type GradeSchool = 'voidFraction' | 'airVoid';

/** Void and compression as measured in cavities, as shares of the cavity area. */
export interface MeasuredDefects {
  readonly voidFraction: number;
  readonly compressedFraction: number;
  /** Mean remaining thickness of what is compressed, as a share of the intended. */
  readonly meanFill?: number;
  readonly compressedAs?: 'underfilled' | 'compressed';
  readonly labelRsi?: number;
  readonly labelThicknessM?: number;
}

export interface GradeAdjustment {
  readonly school: GradeSchool;
  /** Index of the graded layer. */
  readonly layer: number;
  readonly grade?: InstallationGrade;
  readonly measured?: MeasuredDefects;
  readonly voidRsi?: number;
}

/** What an adjustment does to U, and what it would do were every cavity empty; W/(m²·K). */
export interface GradeEffect {
  readonly deltaU: number;
  readonly deltaUAllVoid: number;
}

/** A share of a graded cavity that is of one kind, with its resistance. */
export interface CavityShare {
  readonly words: 'sound' | 'compressed' | 'void';
  readonly share: number;
  readonly rsi: number;
}

/** Resistance of a void cavity, m²·K/W: a plain air space. A setting. */
export const DEFAULT_VOID_RSI = 0.18;
const VOID_FRACTION: Readonly<Record<InstallationGrade, number>> = { I: 0, II: 0.02, III: 0.05 };
/** ΔU″ of an air-void level, W/(m²·K): levels 0, 1 and 2 are Grade I, II and III. ISO 6946, annex F.2. */
export const AIR_VOID_DELTA_U: Readonly<Record<InstallationGrade, number>> = { I: 0, II: 0.01, III: 0.04 };

const FIELD = 'gradeAdjustment';
const MEASURED = `${FIELD}.measured`;

function gradedLayer(adjustment: GradeAdjustment, layers: readonly Layer[]): Layer {
  const layer = layers[adjustment.layer];
  if (layer === undefined) {
    throw new Refusal('out-of-range', `${FIELD}.layer`, 'There is no such layer.', {
      value: adjustment.layer,
      bound: layers.length - 1,
    });
  }
  return layer;
}

function compressedRsi(measured: MeasuredDefects, layer: Layer): number {
  const { meanFill, compressedAs, labelRsi = layer.cavityRsi } = measured;
  if (meanFill === undefined) {
    throw new Refusal(
      'required',
      `${MEASURED}.meanFill`,
      'Say how much of its thickness the compressed part has left.',
    );
  }
  switch (compressedAs) {
    case undefined:
      throw new Refusal(
        'required',
        `${MEASURED}.compressedAs`,
        'Say whether the part is underfilled or compressed.',
      );
    case 'underfilled':
      return layer.cavityRsi * meanFill;
    case 'compressed': {
      const labelThicknessM = measured.labelThicknessM ?? layer.thicknessM;
      const thicknessM = layer.thicknessM ?? measured.labelThicknessM;
      if (labelThicknessM === undefined || thicknessM === undefined) {
        throw new Refusal(
          'required',
          `${MEASURED}.labelThicknessM`,
          'Compression needs the thickness of the batt.',
        );
      }
      return battCompression(
        { labelRsi, labelThicknessM, thicknessM: meanFill * thicknessM },
        `${MEASURED}.labelRsi`,
      ).rsi;
    }
  }
}

/** Shares of the cavity with their resistances: sound, compressed, void. */
function measuredShares(measured: MeasuredDefects, layer: Layer, voidRsi: number): readonly CavityShare[] {
  const { voidFraction: v, compressedFraction: c } = measured;
  if (exceeds(v + c, 1)) {
    throw new Refusal('fraction-sum', MEASURED, 'Void and compressed parts are more than the whole cavity.', {
      value: v + c,
      bound: 1,
    });
  }
  return [
    { words: 'sound', share: Math.max(0, 1 - v - c), rsi: layer.cavityRsi },
    { words: 'compressed', share: c, rsi: c > 0 ? compressedRsi(measured, layer) : layer.cavityRsi },
    { words: 'void', share: v, rsi: voidRsi },
  ];
}

function givenOnce({ school, grade, measured }: GradeAdjustment): InstallationGrade | MeasuredDefects {
  if (grade !== undefined && measured !== undefined) {
    throw new Refusal('conflict', `${FIELD}.grade`, 'Give the grade or what was measured, not both.');
  }
  if (measured !== undefined && school === 'airVoid') {
    throw new Refusal('conflict', MEASURED, 'Measured voids are reckoned as a void fraction only.');
  }
  const given = grade ?? measured;
  if (given === undefined) {
    throw new Refusal('required', `${FIELD}.grade`, 'Give the grade, or what was measured.');
  }
  return given;
}

/**
 * What a grade, or what was measured, makes of the cavity under the school of void shares.
 * @example cavityShares({ school: 'voidFraction', layer: 0, grade: 'III' }, [{ kind: 'framed', cavityRsi: 3.7, frameRsi: 1.1, framingFraction: 0.15 }]).map(({ share }) => share) // [0.95, 0, 0.05]
 * @throws {Refusal} `required`, `conflict`, `fraction-sum`, `out-of-range`, `no-density-root`
 */
export function cavityShares(adjustment: GradeAdjustment, layers: readonly Layer[]): readonly CavityShare[] {
  const { voidRsi = DEFAULT_VOID_RSI } = adjustment;
  const layer = gradedLayer(adjustment, layers);
  const given = givenOnce(adjustment);
  const measured =
    typeof given === 'string' ? { voidFraction: VOID_FRACTION[given], compressedFraction: 0 } : given;
  return measuredShares(measured, layer, voidRsi);
}

/**
 * What installation defects add to U. `voidFraction`: difference of two parallel-path U's, with and without the
 * defects (ANSI 301, appendix A); `airVoid`: ΔU″·(R1/R_T,h)², R_T,h with thermal bridging ignored (ISO 6946,
 * annex F.2).
 * @example gradeEffect({ school: 'voidFraction', layer: 0, grade: 'III' }, [{ kind: 'framed', cavityRsi: 3.7, frameRsi: 1.1, framingFraction: 0.15 }], [{ share: 0.85, framed: new Set() }, { share: 0.15, framed: new Set([0]) }], { insideRsi: 0.13, outsideRsi: 0.04 }).deltaU // 0.1104
 * @throws {Refusal} `required`, `conflict`, `fraction-sum`, `out-of-range`, `no-density-root`
 */
export function gradeEffect(
  adjustment: GradeAdjustment,
  layers: readonly Layer[],
  paths: readonly HeatPath[],
  films: Films,
): GradeEffect {
  const { voidRsi = DEFAULT_VOID_RSI } = adjustment;
  const layer = gradedLayer(adjustment, layers);
  const given = givenOnce(adjustment);
  const soundU = parallelPathU(paths, layers, films);
  const deltaUOf = (shares: readonly CavityShare[]): number => {
    let defectiveU = 0;
    for (const { share, rsi } of shares) {
      if (share === 0) continue;
      defectiveU += share * parallelPathU(paths, layers, films, { layer: adjustment.layer, rsi });
    }
    return defectiveU - soundU;
  };
  const deltaUAllVoid = deltaUOf([{ words: 'void', share: 1, rsi: voidRsi }]);
  if (typeof given === 'string' && adjustment.school === 'airVoid') {
    return {
      deltaU: AIR_VOID_DELTA_U[given] * (layer.cavityRsi / unbridgedTotalRsi(layers, films)) ** 2,
      deltaUAllVoid,
    };
  }
  return { deltaU: deltaUOf(cavityShares(adjustment, layers)), deltaUAllVoid };
}

export const gradeAdjustmentInput = fields<GradeAdjustment>({
  school: option('voidFraction', 'airVoid'),
  layer: number({ quantity: 'position', min: 0, whole: true }),
  grade: optional(installationGrade),
  measured: optional(
    fields<MeasuredDefects>({
      voidFraction: as('Void share', share()),
      compressedFraction: as('Compressed share', share()),
      meanFill: as(
        'Mean fill of compressed parts',
        optional(number({ quantity: 'share', min: 0.7, below: 1 })),
      ),
      compressedAs: optional(option('underfilled', 'compressed')),
      labelRsi: as('R on the label', optional(positive('resistance'))),
      labelThicknessM: as('Thickness on the label', optional(positive('thickness'))),
    }),
  ),
  voidRsi: as('R of a void', optional(positive('resistance'))),
});
