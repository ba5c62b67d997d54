import { useHouseView } from '../../../../features/houses/house-frame';
import { RecordRoom } from '../../../../features/record/record-room';

export default function RecordRoute() {
  const view = useHouseView();
  return <RecordRoom key={view.house.id} view={view} />;
}
