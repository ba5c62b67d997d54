import { NewHouseOnDemand } from '../../features/houses/house-forms-on-demand';

export default NewHouseOnDemand;
