import { DoorTestRoom } from '../../../../features/door-test/door-test-room';
import { useHouseView } from '../../../../features/houses/house-frame';

export default function DoorTestRoute() {
  return <DoorTestRoom view={useHouseView()} />;
}
