import { useHouseView } from '../../../features/houses/house-frame';
import { FillRoom } from '../../../features/fill/fill-room';

export default function FillRoute() {
  return <FillRoom view={useHouseView()} />;
}
