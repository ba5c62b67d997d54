import { lazy } from 'react';
import { whenFetched } from '../../ui/when-fetched';
import { Screen } from '../shell/screen';
import { Loading } from '../shell/states';

const Stops = lazy(async () => ({ default: (await import('../bench-and-drawing')).StopsScreen }));
const Built = lazy(async () => ({ default: (await import('../bench-and-drawing')).BuiltScreen }));
const Calendar = lazy(async () => ({ default: (await import('../bench-and-drawing')).CalendarScreen }));

const waiting = () => (
  <Screen name="What to look at" back="/" backLabel="Back to the houses">
    <Loading what="Fetching the page" />
  </Screen>
);

/** The page of all that has to be looked at, which is not part of what every page loads. */
export const StopsOnDemand = whenFetched(Stops, waiting);

/** The page of how a house is built, which is not part of what every page loads either. */
export const BuiltOnDemand = whenFetched(Built, waiting);

/** The page of when works are done, and by when what they hide is looked at. */
export const CalendarOnDemand = whenFetched(Calendar, waiting);
