import { useHouseView } from '../../../features/houses/house-frame';
import { CalendarOnDemand } from '../../../features/bench-and-drawing-on-demand';

export default function CalendarRoute() {
  const view = useHouseView();
  return <CalendarOnDemand key={view.house.id} view={view} />;
}
