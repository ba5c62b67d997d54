import { useLocalSearchParams } from 'expo-router';
import { usePreferences } from '../../../../../data/preferences';
import { useHouseView } from '../../../../../features/houses/house-frame';
import { useMadeOrToBe } from '../../../../../features/houses/record-to-be';
import { newArea } from '../../../../../features/fill/use-add-area';
import { AreaOnDemand } from '../../../../../features/bench-and-drawing-on-demand';
import { NotHere } from '../../../../../features/shell/not-here';

export default function AreaRoute() {
  const { areaId } = useLocalSearchParams<{ areaId: string }>();
  const view = useHouseView();
  const made = view.areas.find(({ id }) => id === areaId);
  const { units } = usePreferences();
  const area = useMadeOrToBe(made, { id: areaId, ledgerId: view.house.id }, () => newArea(units));
  return area === undefined ? (
    <NotHere what="area" houseId={view.house.id} />
  ) : (
    <AreaOnDemand key={area.id} view={view} area={area} isNew={made === undefined} />
  );
}
