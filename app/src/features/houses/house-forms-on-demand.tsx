import { lazy } from 'react';
import { whenFetched } from '../../ui/when-fetched';
import { Screen } from '../shell/screen';
import { Loading } from '../shell/states';

const forms = () => import('./house-forms');
const New = lazy(async () => ({ default: (await forms()).NewHouseScreen }));
const Edit = lazy(async () => ({ default: (await forms()).EditHouseScreen }));

const waiting = () => (
  <Screen name="House" back="/" backLabel="Back to the houses">
    <Loading what="Fetching the form" />
  </Screen>
);

/** The pages with the form of a house, which is not part of what every page loads. */
export const NewHouseOnDemand = whenFetched(New, waiting);
export const EditHouseOnDemand = whenFetched(Edit, waiting);
