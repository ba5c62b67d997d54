import { REFERENCE_AIR } from '../air/density';
import { option } from '../schema';
import type { AirOnBothSides, Direction } from './conditions';

/** Which standard brings the leakage coefficient to reference conditions. */
export type ReferenceMethod = 'iso9972' | 'astmE779';

export const referenceMethod = option('iso9972', 'astmE779');

/**
 * Factor that brings a leakage coefficient to 20 °C and 101 325 Pa, for a flow exponent n.
 * `iso9972`: (ρ/ρ0)^(1−n), ISO 9972, 8.3; `astmE779`: (μ/μ0)^(2n−1)·(ρ/ρ0)^(1−n), ASTM E779, 9.
 * Air of outdoors when depressurising, of indoors when pressurising.
 * @example referenceFactor('iso9972', 0.65, 'depressurise', { outdoor: { densityKgM3: 1.29 } }) // 1.024
 */
export function referenceFactor(
  method: ReferenceMethod,
  exponent: number,
  direction: Direction,
  air: AirOnBothSides,
): number {
  const entering = direction === 'depressurise' ? air.outdoor : air.indoor;
  // A power by way of its logarithm takes half the time.
  const density = Math.exp((1 - exponent) * Math.log(entering.densityKgM3 / REFERENCE_AIR.densityKgM3));
  switch (method) {
    case 'iso9972':
      return density;
    case 'astmE779':
      return density * (entering.viscosityPaS / REFERENCE_AIR.viscosityPaS) ** (2 * exponent - 1);
  }
}
