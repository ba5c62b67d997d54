import { DoorTestRoom } from '../../../../features/door-test/door-test-room';
import { useHouseView } from '../../../../features/houses/house-frame';

export default function DoorTestRoute() {
  const view = useHouseView();
  return <DoorTestRoom key={view.house.id} view={view} />;
}
