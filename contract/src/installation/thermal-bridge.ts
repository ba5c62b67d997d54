import { figure, filled, option, orNull } from '../kind/field';
import { kindOf } from '../kind/kind';
import { NAME_MAX } from '../limits';
import type { Stored } from '../record';

/** What becomes of the insulation where parts meet. */
export type BridgedInsulation = 'carried' | 'thinned' | 'interrupted';

export const BRIDGED_WORDS = {
  carried: 'Carried through',
  thinned: 'Thinned',
  interrupted: 'Interrupted',
} as const satisfies Readonly<Record<BridgedInsulation, string>>;

/** Figures to begin with, W/(m·K): our own order of magnitude, for want of a better one. */
export const OFFERED_PSI_WMK: Readonly<Record<BridgedInsulation, number>> = {
  carried: 0.03,
  thinned: 0.15,
  interrupted: 0.5,
};
/** Steel right through a wall, W/K: our own order of magnitude. */
export const OFFERED_CHI_WK = 0.5;

/** Where more heat gets out than through the areas: along a line, or at points. */
export interface ThermalBridgeBody {
  readonly name: string;
  readonly insulation: BridgedInsulation | null;
  /** Along a line. */
  readonly lengthM: number | null;
  readonly psiWmK: number | null;
  /** At points. */
  readonly count: number | null;
  readonly chiWK: number | null;
}

export type ThermalBridge = Stored<ThermalBridgeBody>;

export const thermalBridge = kindOf<ThermalBridgeBody>()({
  word: 'Thermal bridge',
  ledger: 'house',
  list: 'thermalBridges',
  title: ['name'],
  order: 'as made',
  page: 'worth',
  isShown: true,
  fields: {
    name: filled('Name', NAME_MAX),
    insulation: orNull(option('Insulation', BRIDGED_WORDS)),
    lengthM: orNull(figure('Length', 'length', { min: 0, max: 1e5 })),
    psiWmK: orNull(figure('ψ', 'linearTransmittance', { min: -10, max: 10 })),
    count: orNull(figure('Count', 'count', { min: 0, max: 1e5, whole: true })),
    chiWK: orNull(figure('χ', 'pointTransmittance', { min: -100, max: 100 })),
  },
});
