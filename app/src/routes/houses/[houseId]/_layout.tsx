import { useGlobalSearchParams, useLocalSearchParams } from 'expo-router';
import { HouseFrame } from '../../../features/houses/house-frame';

export default function HouseLayout() {
  // From one house to another this layout stays, and with it what it was opened with: the address says which house is meant.
  const { houseId: opened } = useLocalSearchParams<{ houseId: string }>();
  const { houseId = opened } = useGlobalSearchParams<{ houseId?: string }>();
  return <HouseFrame houseId={houseId} />;
}
