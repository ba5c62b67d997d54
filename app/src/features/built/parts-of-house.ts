import { inLevels } from '@calvet/contract/plan/plan-input';
import { wallName } from '@calvet/contract/plan/planned-areas';
import type { HouseView } from '../../data/as-drawn';

/** A part of a house that something can be put on, or that is built in its own way. */
export interface HousePart {
  readonly id: string;
  readonly kind: 'house' | 'storey' | 'wall' | 'roof';
  readonly name: string;
  /** Of a wall. */
  readonly lengthM: number | null;
}

/** All parts of a house: the house, then storey by storey upwards it, its walls, its roofs. */
export function partsOf({ house, storeys, roofs }: HouseView): readonly HousePart[] {
  return [
    { id: house.id, kind: 'house', name: 'Whole house', lengthM: null },
    ...inLevels(storeys).flatMap((storey): readonly HousePart[] => [
      { id: storey.id, kind: 'storey', name: storey.name, lengthM: null },
      ...storey.outline.map((wall): HousePart => ({
        id: wall.id,
        kind: 'wall',
        name: `${storey.name}, ${wallName(storey, wall)}`,
        lengthM: wall.lengthM,
      })),
      ...roofs
        .filter(({ storeyId }) => storeyId === storey.id)
        .map(({ id, name }): HousePart => ({ id, kind: 'roof', name, lengthM: null })),
    ]),
  ];
}

/** A part by its id; undefined where it is gone. */
export const partNamed = (view: HouseView, id: string): HousePart | undefined =>
  partsOf(view).find((part) => part.id === id);
