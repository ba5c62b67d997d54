import { useRouter } from 'expo-router';
import { Screen } from '../features/shell/screen';
import { Empty } from '../features/shell/states';

export default function NotFoundRoute() {
  const router = useRouter();
  return (
    <Screen name="Calvet" back="/" backLabel="Back to the houses">
      <Empty
        title="Nothing is at this address"
        text="The link may be old or cut off."
        action="Show all houses"
        onAction={() => router.replace('/')}
      />
    </Screen>
  );
}
