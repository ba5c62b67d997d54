import { BenchFrameOnDemand } from '../../features/bench/bench-on-demand';

export default BenchFrameOnDemand;
