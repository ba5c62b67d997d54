import { MaterialsOnDemand } from '../features/bench-and-drawing-on-demand';

export default function MaterialsRoute() {
  return <MaterialsOnDemand />;
}
