import { lazy, Suspense, type ComponentProps } from 'react';
import { Screen } from '../shell/screen';
import { Loading } from '../shell/states';

const forms = () => import('./house-forms');
const New = lazy(async () => ({ default: (await forms()).NewHouseScreen }));
const Edit = lazy(async () => ({ default: (await forms()).EditHouseScreen }));

const waiting = (
  <Screen name="House" back="/" backLabel="Back to the houses">
    <Loading what="Fetching the form" />
  </Screen>
);

/** The page of a new house. The form is not part of what every page loads. */
export function NewHouseOnDemand() {
  return (
    <Suspense fallback={waiting}>
      <New />
    </Suspense>
  );
}

/** The page on which a house's own fields are changed. */
export function EditHouseOnDemand(props: ComponentProps<typeof Edit>) {
  return (
    <Suspense fallback={waiting}>
      <Edit {...props} />
    </Suspense>
  );
}
