import { useLocalSearchParams } from 'expo-router';
import { useHouseView } from '../../../../features/houses/house-frame';
import { AreaScreen } from '../../../../features/installation/area-screen';
import { NotHere } from '../../../../features/shell/not-here';

export default function AreaRoute() {
  const { areaId } = useLocalSearchParams<{ areaId: string }>();
  const view = useHouseView();
  const area = view.areas.find(({ id }) => id === areaId);
  return area === undefined ? (
    <NotHere what="area" houseId={view.house.id} />
  ) : (
    <AreaScreen key={area.id} view={view} area={area} />
  );
}
