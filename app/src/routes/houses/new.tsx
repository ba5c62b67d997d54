import { NewHouseScreen } from '../../features/houses/new-house-screen';

export default NewHouseScreen;
