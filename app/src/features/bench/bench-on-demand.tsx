import { lazy, Suspense, type ComponentType } from 'react';
import { Screen } from '../shell/screen';
import { Loading } from '../shell/states';

const whole = () => import('./bench');
const Frame = lazy(async () => ({ default: (await whole()).BenchFrame }));
const Shelves = lazy(async () => ({ default: (await whole()).BenchScreen }));
const Operation = lazy(async () => ({ default: (await whole()).OperationPage }));

const onDemand = (Piece: ComponentType) =>
  function OnDemand() {
    return (
      <Suspense
        fallback={
          <Screen name="Bench" back="/" backLabel="Back to the houses">
            <Loading what="Fetching the bench" />
          </Screen>
        }
      >
        <Piece />
      </Suspense>
    );
  };

/** The pages of the bench. Its computations are not part of what every page loads. */
export const BenchFrameOnDemand = onDemand(Frame);
export const BenchScreenOnDemand = onDemand(Shelves);
export const OperationPageOnDemand = onDemand(Operation);
