import { useHouseView } from '../../../../features/houses/house-frame';
import { RecordRoom } from '../../../../features/photos/record-room';

export default function RecordRoute() {
  return <RecordRoom view={useHouseView()} />;
}
