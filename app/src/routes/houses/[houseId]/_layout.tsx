import { useLocalSearchParams } from 'expo-router';
import { HouseFrame } from '../../../features/houses/house-frame';

export default function HouseLayout() {
  const { houseId } = useLocalSearchParams<{ houseId: string }>();
  return <HouseFrame houseId={houseId} />;
}
