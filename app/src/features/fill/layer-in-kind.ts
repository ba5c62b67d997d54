import { fillingOf } from '@calvet/contract/installation/build-up-assembly';
import { Refusal } from '@calvet/core/refusal';
import { airSpace } from '@calvet/core/thermal/air-space';
import type { BuildUpLayer, FramedLayer } from '@calvet/contract/installation/layer';
import {
  airSpaceLayer,
  framedLayer,
  materialLayer,
  resistanceLayer,
} from '@calvet/contract/installation/plain-layer';

const WOOD_WMK = 0.12;
const STUD_M = 0.14;
const SHARE_OF_STUDS = 0.2;
const USUAL_M = 0.05;
const AIR_M = 0.025;
const LEAST_RSI = 0.01;

/** R of what lies in a cavity, as it is given or as its fills come to; null where they cannot lie in it. */
export function cavityRsiOf(layer: FramedLayer): number | null {
  try {
    return fillingOf(layer, 'horizontal')?.cavityRsi ?? layer.cavityRsi;
  } catch (error) {
    if (error instanceof Refusal) return null;
    throw error;
  }
}

/** R of a layer by itself, of a framed one beside its frame, m²·K/W; null where it cannot be computed. */
export function rsiOf(layer: BuildUpLayer): number | null {
  switch (layer.kind) {
    case 'resistance':
      return layer.rsi;
    case 'material':
      return layer.thicknessM / layer.conductivityWmK;
    case 'framed':
      return cavityRsiOf(layer);
    case 'airSpace':
      return layer.isOpen
        ? 0
        : airSpace({
            thicknessM: layer.thicknessM,
            heatFlow: 'horizontal',
            emissivityInside: layer.emissivityInside ?? undefined,
            emissivityOutside: layer.emissivityOutside ?? undefined,
          }).rsi;
  }
}

/** A layer given in another way: it keeps what it is called, how thick it is, and its R. */
export function inKind(layer: BuildUpLayer, kind: BuildUpLayer['kind']): BuildUpLayer {
  if (layer.kind === kind) return layer;
  const {
    id,
    name,
    role,
    thicknessM,
    materialId,
    sdDryM,
    sdDampM,
    densityKgM3,
    carbonKgM3,
    storedKgM3,
    agent,
  } = layer;
  const kept = { id, role, materialId, sdDryM, sdDampM, densityKgM3, carbonKgM3, storedKgM3, agent };
  const rsi = rsiOf(layer) ?? 0;
  switch (kind) {
    case 'resistance':
      return { ...resistanceLayer(name, rsi), ...kept, thicknessM };
    case 'material': {
      const thick = thicknessM ?? USUAL_M;
      return { ...materialLayer(name, thick, thick / Math.max(rsi, LEAST_RSI)), ...kept };
    }
    case 'framed': {
      const depth = thicknessM ?? STUD_M;
      const figures = {
        cavityRsi: Math.max(rsi, LEAST_RSI),
        frameRsi: depth / WOOD_WMK,
        framingFraction: SHARE_OF_STUDS,
        thicknessM: depth,
      };
      return { ...framedLayer(name, figures), ...kept };
    }
    case 'airSpace':
      return { ...airSpaceLayer(name, Math.min(thicknessM ?? AIR_M, 0.3)), id, role };
  }
}
