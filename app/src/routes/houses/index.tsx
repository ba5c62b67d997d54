import { HousesScreen } from '../../features/houses/houses-screen';

export default HousesScreen;
