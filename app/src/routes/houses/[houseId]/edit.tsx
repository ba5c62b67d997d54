import { EditHouseOnDemand } from '../../../features/houses/house-forms-on-demand';
import { useHouseView } from '../../../features/houses/house-frame';

export default function EditHouseRoute() {
  const { house } = useHouseView();
  return <EditHouseOnDemand key={house.id} house={house} />;
}
