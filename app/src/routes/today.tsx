import { TodayOnDemand } from '../features/bench-and-drawing-on-demand';

export default TodayOnDemand;
