import { DrawingOnDemand } from '../../../features/bench-and-drawing-on-demand';
import { useHouseView } from '../../../features/houses/house-frame';

export default function DrawingRoute() {
  const view = useHouseView();
  return <DrawingOnDemand key={view.house.id} view={view} />;
}
