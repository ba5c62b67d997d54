import { useLocalSearchParams } from 'expo-router';
import { TestScreen } from '../../../../features/airtightness/test-screen';
import { useHouseView } from '../../../../features/houses/house-frame';
import { NotHere } from '../../../../features/shell/not-here';

export default function TestRoute() {
  const { testId } = useLocalSearchParams<{ testId: string }>();
  const view = useHouseView();
  const test = view.tests.find(({ id }) => id === testId);
  return test === undefined ? (
    <NotHere what="door test" houseId={view.house.id} />
  ) : (
    <TestScreen key={test.id} view={view} test={test} />
  );
}
