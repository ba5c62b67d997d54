import { useHouseView } from '../../../../features/houses/house-frame';
import { RecordRoom } from '../../../../features/record/record-room';

export default function RecordRoute() {
  return <RecordRoom view={useHouseView()} />;
}
