import { OperationPageOnDemand } from '../../features/bench/bench-on-demand';

export default OperationPageOnDemand;
