import type { EdgeInsulation, GroundInput } from '@calvet/core/thermal/ground';
import { figure, group, option, orNull, type FieldsOf } from '../kind/field';

/**
 * How an area lies in the ground, as `thermal.ground` takes it. R of its own layers comes from its build-up, and its size from
 * the area; what a basement’s wall and floor need of each other stands here.
 */
export interface AreaGround {
  readonly as: GroundInput['kind'];
  /** Of the floor; null: the area’s own size. */
  readonly floorM2: number | null;
  readonly exposedPerimeterM: number;
  readonly wallThicknessM: number;
  readonly groundConductivityWmK: number | null;
  readonly edge: EdgeInsulation | null;
  /** Of a basement: its floor under the ground outside. */
  readonly depthM: number | null;
  /** R of the layers of the basement’s wall, of a floor; of its floor, of a wall. Null: as of none. */
  readonly otherRsi: number | null;
}

export const GROUND_WORDS = { slab: 'Slab on the ground', basement: 'Basement' } as const;
export const EDGE_WORDS = { horizontal: 'Lies under the slab', vertical: 'Stands at its edge' } as const;

const length = (label: string) => figure(label, 'length', { above: 0, max: 1e4 });

export const groundFields: FieldsOf<AreaGround> = {
  as: option('', GROUND_WORDS),
  floorM2: orNull(figure('floor', 'area', { above: 0, max: 1e5 })),
  exposedPerimeterM: length('perimeter'),
  wallThicknessM: figure('walls', 'thickness', { min: 0, max: 5 }),
  groundConductivityWmK: orNull(figure('ground', 'conductivity', { above: 0, max: 10 })),
  edge: orNull(
    group<EdgeInsulation>('edge', {
      position: option('', EDGE_WORDS),
      rsi: figure('R', 'resistance', { min: 0, max: 100 }),
      thicknessM: figure('', 'thickness', { above: 0, max: 5 }),
      widthM: length('reaching'),
    }),
  ),
  depthM: orNull(length('deep')),
  otherRsi: orNull(figure('R of the other', 'resistance', { min: 0, max: 100 })),
};
