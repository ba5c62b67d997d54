import { idFor } from '../kind/former';

/** Once, layers had no ids, and the graded one was known by its place. */
export function layersWithIds(recordId: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  const { layers, gradedLayer } = value as { readonly layers?: unknown; readonly gradedLayer?: unknown };
  if (!Array.isArray(layers)) return value;
  const lacksId = (layer: unknown) => typeof layer === 'object' && layer !== null && !('id' in layer);
  if (typeof gradedLayer !== 'number' && !layers.some(lacksId)) return value;
  const withIds = layers.map((layer: unknown, i) =>
    lacksId(layer) ? { id: idFor(recordId, 'buildUp.layers', i), ...(layer as object) } : layer,
  ) as readonly { readonly id?: unknown }[];
  return {
    ...value,
    layers: withIds,
    gradedLayer: typeof gradedLayer === 'number' ? (withIds[gradedLayer]?.id ?? null) : gradedLayer,
  };
}
