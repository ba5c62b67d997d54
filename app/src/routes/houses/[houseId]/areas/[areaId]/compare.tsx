import { useLocalSearchParams } from 'expo-router';
import { CompareOnDemand } from '../../../../../features/bench-and-drawing-on-demand';
import { useHouseView } from '../../../../../features/houses/house-frame';
import { NotHere } from '../../../../../features/shell/not-here';

export default function CompareRoute() {
  const { areaId } = useLocalSearchParams<{ areaId: string }>();
  const view = useHouseView();
  const area = view.areas.find(({ id }) => id === areaId);
  return area === undefined ? (
    <NotHere what="area" houseId={view.house.id} />
  ) : (
    <CompareOnDemand key={area.id} view={view} area={area} />
  );
}
