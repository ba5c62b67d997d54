import { BenchScreenOnDemand } from '../../features/bench-and-drawing-on-demand';

export default BenchScreenOnDemand;
