import { useHouseView } from '../../../features/houses/house-frame';
import { WalkOnDemand } from '../../../features/bench-and-drawing-on-demand';

export default function WalkRoute() {
  const view = useHouseView();
  return <WalkOnDemand key={view.house.id} view={view} />;
}
