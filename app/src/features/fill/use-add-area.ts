import { buildUpOf, libraryFor } from '@calvet/contract/installation/build-up-library';
import { MADE_BY_HAND, PLAIN_AREA, type AreaInHand } from '@calvet/contract/installation/area';
import type { UnitSystem } from '@calvet/core/units/quantity';
import { useRouter } from 'expo-router';
import { v7 } from 'uuid';

/** A wall with a build-up to start from; its size is for whoever measures it. */
export function newArea(units: UnitSystem): AreaInHand {
  const [first] = libraryFor('wall');
  if (first === undefined) throw new Error('The library of build-ups has no wall.');
  return {
    name: 'New area',
    kind: 'wall',
    areaM2: null,
    buildUp: buildUpOf(first, units),
    grade: null,
    voidFraction: null,
    ...MADE_BY_HAND,
    ...PLAIN_AREA,
  };
}

/** Opens an area that is made once something is entered in it. */
export function useAddArea(houseId: string): () => void {
  const router = useRouter();
  return () =>
    router.navigate({
      pathname: '/houses/[houseId]/areas/[areaId]',
      params: { houseId, areaId: v7(), isNew: 'yes' },
    });
}
