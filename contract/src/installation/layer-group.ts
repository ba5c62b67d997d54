import type { SectionPart } from './section';

/** What a layer looks like where it is cut: by what it is, for the eye. */
export type LayerLook = 'insulation' | 'foam' | 'board' | 'masonry' | 'metal' | 'air' | 'sheet';

const INSULATES_BELOW_WMK = 0.065;
const BOARD_BELOW_WMK = 0.32;
const METAL_FROM_WMK = 10;
/** Thinner is a sheet. */
export const SHEET_TO_M = 0.002;
/** Foam lets hardly any vapour through, µ. */
const FOAM_FROM_MU = 20;

function byConductivity(conductivityWmK: number, isTight: boolean): LayerLook {
  if (conductivityWmK >= METAL_FROM_WMK) return 'metal';
  if (conductivityWmK < INSULATES_BELOW_WMK) return isTight ? 'foam' : 'insulation';
  return conductivityWmK < BOARD_BELOW_WMK ? 'board' : 'masonry';
}

/** What a part of a cut looks like: by its figures, whatever it is called. */
export function lookOf({ layer, fill, isGap, fromM, toM }: SectionPart): LayerLook {
  if (isGap || layer.kind === 'airSpace') return 'air';
  const thicknessM = toM - fromM;
  if (layer.kind === 'framed') {
    const filled = fill === null ? undefined : layer.fills[fill];
    if (filled === undefined) return layer.cavityRsi < 0.3 ? 'air' : 'insulation';
    return byConductivity(filled.conductivityWmK, filled.pressing === 'rigid');
  }
  if (thicknessM <= SHEET_TO_M) return 'sheet';
  const isTight = layer.sdDryM !== null && layer.sdDryM / thicknessM >= FOAM_FROM_MU;
  if (layer.kind === 'material') return byConductivity(layer.conductivityWmK, isTight);
  return layer.rsi <= 0 ? 'sheet' : byConductivity(thicknessM / layer.rsi, isTight);
}
