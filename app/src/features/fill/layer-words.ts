import type { BuildUpLayer } from '@calvet/contract/installation/layer';
import { fromSi, type UnitSystem } from '@calvet/core/units/quantity';
import { METRES_PER_INCH } from '@calvet/core/units/factors';
import { decimals, figure, figureWithUnit } from '../../ui/format';
import { rsiOf } from './layer-in-kind';

/** As the trade compares fills: R of 100 mm, or of an inch. */
function rsiOfUsual(rsi: number, thicknessM: number, units: UnitSystem): string {
  const ofM = rsi / thicknessM;
  return units === 'metric'
    ? `${decimals(ofM * 0.1, 2)} in 100 mm`
    : `${decimals(fromSi(ofM * METRES_PER_INCH, 'resistance', units), 1)} an inch`;
}

/** How thick a layer is, its R, and its R for 100 mm or an inch. */
export function layerDetail(layer: BuildUpLayer, units: UnitSystem): string {
  const rsi = rsiOf(layer);
  const { thicknessM } = layer;
  const isOpen = layer.kind === 'airSpace' && layer.isOpen;
  const parts = [
    ...(thicknessM === null ? [] : [figureWithUnit(thicknessM, 'thickness', units)]),
    isOpen ? 'open to the outside' : rsi === null ? 'does not fit' : `R ${figure(rsi, 'resistance', units)}`,
    ...(rsi === null || rsi === 0 || thicknessM === null ? [] : [rsiOfUsual(rsi, thicknessM, units)]),
    ...(layer.kind === 'framed' ? [`${decimals(layer.framingFraction * 100, 0)} % frame`] : []),
  ];
  return parts.join(' · ');
}
