import { useHouseView } from '../../../features/houses/house-frame';
import { ContinuityOnDemand } from '../../../features/bench-and-drawing-on-demand';

export default function ContinuityRoute() {
  const view = useHouseView();
  return <ContinuityOnDemand key={view.house.id} view={view} />;
}
