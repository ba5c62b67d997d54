import { TodayOnDemand } from '../features/today/today-on-demand';

export default TodayOnDemand;
