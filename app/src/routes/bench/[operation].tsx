import { OperationPageOnDemand } from '../../features/bench-and-drawing-on-demand';

export default OperationPageOnDemand;
