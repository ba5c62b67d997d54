import type { EnvelopeKind } from '@calvet/core/envelope-kind';
import { computeWith } from '@calvet/core/operation';
import { groundOperation, type Ground, type GroundInput } from '@calvet/core/thermal/ground';
import type { AreaGround } from './area-ground';

/** Kinds of area that stand upright in the ground. */
const isWall = (kind: EnvelopeKind): boolean => kind === 'wall' || kind === 'foundationWall';

/**
 * An area as `thermal.ground` takes it, by the R of its own layers; null where it has no size to lie there with.
 * @param areaM2 of the area itself
 */
export function groundInputOf(
  lies: AreaGround,
  kind: EnvelopeKind,
  areaM2: number | null,
): ((layersRsi: number) => GroundInput) | null {
  const floorM2 = lies.floorM2 ?? (isWall(kind) ? null : areaM2);
  if (floorM2 === null) return null;
  const { exposedPerimeterM, wallThicknessM, edge, depthM } = lies;
  const common = {
    areaM2: floorM2,
    exposedPerimeterM,
    wallThicknessM,
    groundConductivityWmK: lies.groundConductivityWmK ?? undefined,
  };
  const other = lies.otherRsi ?? 0;
  return (layersRsi) =>
    lies.as === 'slab'
      ? { kind: 'slab', ...common, floorRsi: layersRsi, edge: edge ?? undefined }
      : {
          kind: 'basement',
          ...common,
          depthM: depthM ?? undefined,
          floorRsi: isWall(kind) ? other : layersRsi,
          wallRsi: isWall(kind) ? layersRsi : other,
        };
}

/**
 * U of an area with the ground that it lies in, of its wall where it is one, and what is to be said of that.
 * @throws {Refusal} as `thermal.ground`
 */
export function inGround(
  input: GroundInput,
  kind: EnvelopeKind,
): { readonly uValue: number; readonly findings: Ground['findings'] } {
  const { floorUValue, wallUValue, findings } = computeWith(groundOperation, input);
  return { uValue: isWall(kind) ? (wallUValue ?? floorUValue) : floorUValue, findings };
}
