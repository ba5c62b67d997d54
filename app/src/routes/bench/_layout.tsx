import { BenchFrameOnDemand } from '../../features/bench-and-drawing-on-demand';

export default BenchFrameOnDemand;
