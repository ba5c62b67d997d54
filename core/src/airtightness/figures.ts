import { REFERENCE_AIR } from '../air/density';
import type { Building } from './building';

/** Flows at reference pressures and what is derived from them. */
export interface LeakageFigures {
  readonly q4M3h: number;
  readonly q10M3h: number;
  readonly q50M3h: number;
  /** Air changes an hour at 50 Pa. */
  readonly n50PerHour: number;
  /** Flow at 50 Pa for each square metre of envelope. */
  readonly qE50M3hM2: number;
  /** Flow at 50 Pa for each square metre of floor. */
  readonly qF50M3hM2: number;
  /** Equivalent leakage area at 10 Pa (discharge coefficient 0.611). */
  readonly eqLA10M2: number;
  /** Effective leakage area at 4 Pa (discharge coefficient 1). */
  readonly ela4M2: number;
}

const DISCHARGE_COEFFICIENT = 0.611;

/**
 * Area (m²) of a sharp-edged hole that passes a flow at a pressure difference. ISO 9972, 6.3.5.
 * @example equivalentHoleM2(100, 50) // 0.004989
 */
export function equivalentHoleM2(flowM3h: number, pressurePa: number): number {
  return effectiveHoleM2(flowM3h, pressurePa) / DISCHARGE_COEFFICIENT;
}

/**
 * Area (m²) of a rounded nozzle (discharge coefficient 1) that passes a flow. ASTM E779, 9.
 * @example effectiveHoleM2(100, 4) // 0.01078
 */
export function effectiveHoleM2(flowM3h: number, pressurePa: number): number {
  return (flowM3h / 3600) * Math.sqrt(REFERENCE_AIR.densityKgM3 / (2 * pressurePa));
}

/**
 * All figures that follow from the flows at 4, 10 and 50 Pa. ISO 9972, 6.3.
 * @example leakageFigures({ q4M3h: 120, q10M3h: 220, q50M3h: 620 }, { volumeM3: 410, envelopeAreaM2: 395, floorAreaM2: 152, heightM: 5.4 }).n50PerHour // 1.512
 */
export function leakageFigures(
  flows: Pick<LeakageFigures, 'q4M3h' | 'q10M3h' | 'q50M3h'>,
  building: Building,
): LeakageFigures {
  const { q4M3h, q10M3h, q50M3h } = flows;
  return {
    q4M3h,
    q10M3h,
    q50M3h,
    n50PerHour: q50M3h / building.volumeM3,
    qE50M3hM2: q50M3h / building.envelopeAreaM2,
    qF50M3hM2: q50M3h / building.floorAreaM2,
    eqLA10M2: equivalentHoleM2(q10M3h, 10),
    ela4M2: effectiveHoleM2(q4M3h, 4),
  };
}
