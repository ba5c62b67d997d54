import { BenchScreenOnDemand } from '../../features/bench/bench-on-demand';

export default BenchScreenOnDemand;
