import { useLocalSearchParams, useRouter } from 'expo-router';
import { Text } from '../../ui/text';
import { useIsWide } from '../../ui/theme';
import { Screen } from '../shell/screen';
import { Empty } from '../shell/states';
import { nameOfSlug } from './catalogue';
import { OperationScreen } from './operation-screen';
import { Shelves } from './shelves';

/** What can be worked out without making a house. */
export function BenchScreen() {
  const isWide = useIsWide();
  if (isWide) {
    return (
      <Screen name="Bench" detail="Work it out">
        <Empty
          title="One figure, without a house"
          text="Pick what you need at the left: enter its inputs and see the result with its steps."
        />
      </Screen>
    );
  }
  return (
    <Screen name="Bench" detail="Work it out" back="/" backLabel="Back to the houses">
      <Text look="answer" level={2}>
        What do you need to know?
      </Text>
      <Shelves />
    </Screen>
  );
}

/** The page of one operation, by the last part of its address. */
export function OperationPage() {
  const router = useRouter();
  const { operation } = useLocalSearchParams<{ operation: string }>();
  const name = nameOfSlug(operation);
  if (name === null) {
    return (
      <Screen name="Bench" back="/bench" backLabel="Back to the bench">
        <Empty
          title="Nothing here goes by that name"
          text="The link may be old or cut off."
          action="Show the bench"
          onAction={() => router.replace('/bench')}
        />
      </Screen>
    );
  }
  return <OperationScreen key={name} name={name} />;
}
