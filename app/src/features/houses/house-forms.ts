/** The pages with the form of a house, as one piece. */
export { EditHouseScreen } from './edit-house-screen';
export { NewHouseScreen } from './new-house-screen';
