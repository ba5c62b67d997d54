import { useHouseView } from '../../../features/houses/house-frame';
import { StopsOnDemand } from '../../../features/bench-and-drawing-on-demand';

export default function StopsRoute() {
  const view = useHouseView();
  return <StopsOnDemand key={view.house.id} view={view} />;
}
