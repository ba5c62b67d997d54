import type { MaterialBody } from './material';

/** Two ways to say what a material is worth that do not agree. */
export interface TwoResistances {
  /** By its conductivity, at its thickness. */
  readonly byConductivityRsi: number;
  readonly saidRsi: number;
}

/** Further apart is no rounding any more. */
const TOLERANCE = 0.02;

/** R by conductivity and R as said, where they lie further apart than rounding; null where they agree, or one is missing. */
export function twoResistances({
  conductivityWmK,
  rsi,
  thicknessM,
}: Pick<MaterialBody, 'conductivityWmK' | 'rsi' | 'thicknessM'>): TwoResistances | null {
  if (conductivityWmK === null || rsi === null || thicknessM === null) return null;
  const byConductivityRsi = thicknessM / conductivityWmK;
  const isApart = Math.abs(byConductivityRsi - rsi) > TOLERANCE * byConductivityRsi;
  return isApart ? { byConductivityRsi, saidRsi: rsi } : null;
}

/** What is said where something would be tighter damp than dry; null where it is not. */
export const dampOverDry = (dry: number | null, damp: number | null): string | null =>
  dry !== null && damp !== null && damp > dry
    ? 'Damp, a material lets as much vapour through as dry, or more: its damp figure is at most the dry one.'
    : null;

/** What has to be mended in a material before it can be kept; null: nothing. */
export function troubleOf(material: MaterialBody): string | null {
  const { name, basis, conductivityWmK, rsi, muDry, muDamp, sdDryM, sdDampM } = material;
  if (name.trim() === '') return 'Say what the material is called.';
  if (basis.trim() === '')
    return 'Say where its figures are from: a label, a declared value, a measurement, an assumption.';
  if (conductivityWmK === null && rsi === null) return 'Give its conductivity, or its R.';
  return dampOverDry(sdDryM, sdDampM) ?? dampOverDry(muDry, muDamp);
}
