import type { Opening } from '../src/plan/opening';
import { outlineOfShape, type OutlineShape, type ShapeSizes } from '../src/plan/outline-shapes';
import type { Drawing } from '../src/plan/plan-input';
import type { Roof } from '../src/plan/roof';
import type { Storey, Wall } from '../src/plan/storey';

const SIZES: ShapeSizes = { widthM: 10, depthM: 8, partWidthM: 4, partDepthM: 3 };

const carried = { ledgerId: 'h', revision: 1, updatedAt: '', updatedBy: '', deletedAt: null };

/** The walls of a shape, 0.3 m thick; throws where its sizes make none. */
export function shaped(shape: OutlineShape, sizes: Partial<ShapeSizes> = {}): readonly Wall[] {
  const outline = outlineOfShape(shape, { ...SIZES, ...sizes }, { thicknessM: 0.3, boundary: 'outdoors' });
  if (outline === null) throw new Error(`These sizes make no ${shape}.`);
  return outline;
}

export const sampleStorey = (id: string, more: Partial<Storey> = {}): Storey => ({
  ...carried,
  id,
  name: id,
  level: 0,
  heightM: 2.5,
  floorDepthM: 0,
  under: 'ground',
  start: { xM: 0, yM: 0 },
  outline: shaped('rectangle'),
  floorVoidM2: 0,
  countsAsFloor: true,
  ...more,
});

export const sampleRoof = (storeyId: string, more: Partial<Roof> = {}): Roof => ({
  ...carried,
  id: `roof of ${storeyId}`,
  name: `Roof of ${storeyId}`,
  storeyId,
  form: 'flatCeiling',
  outline: null,
  pitch: null,
  collarM: null,
  wings: [],
  buildUp: null,
  ...more,
});

export const sampleOpening = (id: string, on: string, more: Partial<Opening> = {}): Opening => ({
  ...carried,
  id,
  name: null,
  use: 'window',
  on,
  widthM: 1.2,
  heightM: 1.4,
  totalM2: null,
  count: 1,
  alongM: null,
  buildUp: null,
  ...more,
});

/** Storeys on each other, each under a flat ceiling where nothing stands on it. */
export const drawingOf = (...storeys: readonly Storey[]): Drawing => ({
  plans: [],
  storeys,
  zones: [],
  roofs: storeys.map(({ id }) => sampleRoof(id)),
  openings: [],
});
