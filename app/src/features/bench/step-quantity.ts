import { QUANTITIES, unitOf, type Quantity, type UnitSystem } from '@calvet/core/units/quantity';

/** Units of the steps that stand for one quantity alone. */
const BY_UNIT: ReadonlyMap<string, Quantity> = new Map(
  (
    [
      'length',
      'area',
      'volume',
      'flow',
      'flowPerArea',
      'resistance',
      'transmittance',
      'heatLoss',
      'power',
      'temperature',
      'mass',
      'massPerArea',
      'density',
    ] as const
  ).map((quantity) => [QUANTITIES[quantity].metric.symbol, quantity]),
);

/** The quantity of a step's result, where it is written otherwise in a system of units than in SI; null where it is not. */
export function quantityOfStep(unit: string, units: UnitSystem): Quantity | null {
  const quantity = BY_UNIT.get(unit);
  return quantity === undefined || unitOf(quantity, units).symbol === unit ? null : quantity;
}
