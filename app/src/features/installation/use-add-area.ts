import { buildUpOf, libraryFor, type AreaBody } from '@calvet/contract';
import { useRouter } from 'expo-router';
import { useStore } from '../../data/store-context';

function newWall(): AreaBody {
  const [first] = libraryFor('wall');
  if (first === undefined) throw new Error('The library of build-ups has no wall.');
  return { name: 'New area', kind: 'wall', areaM2: 10, buildUp: buildUpOf(first), grade: null };
}

/** Adds an area with a build-up to start from, and opens it. */
export function useAddArea(houseId: string): () => void {
  const router = useRouter();
  const { createRecord } = useStore();
  return () => {
    const areaId = createRecord(houseId, 'area', newWall());
    router.navigate({ pathname: '/houses/[houseId]/areas/[areaId]', params: { houseId, areaId } });
  };
}
