import { useHouseView } from '../../../features/houses/house-frame';
import { PlanRoom } from '../../../features/plan/plan-room';

export default function PlanRoute() {
  const view = useHouseView();
  return <PlanRoom key={view.house.id} view={view} />;
}
