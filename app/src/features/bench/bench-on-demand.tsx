import { lazy } from 'react';
import { whenFetched } from '../../ui/when-fetched';
import { Screen } from '../shell/screen';
import { Loading } from '../shell/states';

const whole = () => import('../bench-and-drawing');
const Frame = lazy(async () => ({ default: (await whole()).BenchFrame }));
const Shelves = lazy(async () => ({ default: (await whole()).BenchScreen }));
const Operation = lazy(async () => ({ default: (await whole()).OperationPage }));

const waiting = () => (
  <Screen name="Bench" back="/" backLabel="Back to the houses">
    <Loading what="Fetching the bench" />
  </Screen>
);

/** The pages of the bench. Its computations are not part of what every page loads. */
export const BenchFrameOnDemand = whenFetched(Frame, waiting);
export const BenchScreenOnDemand = whenFetched(Shelves, waiting);
export const OperationPageOnDemand = whenFetched(Operation, waiting);
