import { useHouseView } from '../../../features/houses/house-frame';
import { PlanRoom } from '../../../features/plan/plan-room';

export default function PlanRoute() {
  return <PlanRoom view={useHouseView()} />;
}
