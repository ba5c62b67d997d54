import { lazy } from 'react';
import { whenFetched } from '../../ui/when-fetched';
import { Screen } from '../shell/screen';
import { Loading } from '../shell/states';

const Today = lazy(async () => ({ default: (await import('../bench-and-drawing')).TodayScreen }));

const waiting = () => (
  <Screen name="Calvet" detail="Today" back="/" backLabel="Back to the houses">
    <Loading what="Fetching the page" />
  </Screen>
);

/** The page of what has to be seen in all houses, which is not part of what every page loads. */
export const TodayOnDemand = whenFetched(Today, waiting);
