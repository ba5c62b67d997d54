import { useHouseView } from '../../../features/houses/house-frame';
import { BuiltOnDemand } from '../../../features/bench-and-drawing-on-demand';

export default function BuiltRoute() {
  const view = useHouseView();
  return <BuiltOnDemand key={view.house.id} view={view} />;
}
