import { WorthOnDemand } from '../../../features/bench-and-drawing-on-demand';
import { useHouseView } from '../../../features/houses/house-frame';

export default function WorthRoute() {
  const view = useHouseView();
  return <WorthOnDemand key={view.house.id} view={view} />;
}
