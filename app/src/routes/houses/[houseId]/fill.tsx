import { useHouseView } from '../../../features/houses/house-frame';
import { FillRoom } from '../../../features/fill/fill-room';

export default function FillRoute() {
  const view = useHouseView();
  return <FillRoom key={view.house.id} view={view} />;
}
