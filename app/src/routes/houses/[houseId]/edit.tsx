import { EditHouseScreen } from '../../../features/houses/edit-house-screen';
import { useHouseView } from '../../../features/houses/house-frame';

export default function EditHouseRoute() {
  const { house } = useHouseView();
  return <EditHouseScreen key={house.id} house={house} />;
}
