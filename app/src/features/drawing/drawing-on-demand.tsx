import { lazy } from 'react';
import { whenFetched } from '../../ui/when-fetched';
import { Screen } from '../shell/screen';
import { Loading } from '../shell/states';

const Drawing = lazy(async () => ({ default: (await import('../bench-and-drawing')).DrawingScreen }));

const waiting = () => (
  <Screen name="Drawing" back="/" backLabel="Back to the houses">
    <Loading what="Fetching what draws" />
  </Screen>
);

/** The page of a house's drawing, which is not part of what every page loads. */
export const DrawingOnDemand = whenFetched(Drawing, waiting);
