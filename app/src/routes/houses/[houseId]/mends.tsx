import { useHouseView } from '../../../features/houses/house-frame';
import { MendsOnDemand } from '../../../features/bench-and-drawing-on-demand';

export default function MendsRoute() {
  const view = useHouseView();
  return <MendsOnDemand key={view.house.id} view={view} />;
}
