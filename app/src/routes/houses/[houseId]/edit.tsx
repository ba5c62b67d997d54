import { EditHouseOnDemand } from '../../../features/houses/house-forms-on-demand';
import { useHouseView } from '../../../features/houses/house-frame';

export default function EditHouseRoute() {
  const view = useHouseView();
  return <EditHouseOnDemand key={view.house.id} view={view} />;
}
