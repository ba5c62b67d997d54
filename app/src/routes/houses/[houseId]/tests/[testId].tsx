import { useLocalSearchParams } from 'expo-router';
import { TestScreen } from '../../../../features/door-test/test-screen';
import { newTest } from '../../../../features/door-test/use-add-test';
import { useHouseView } from '../../../../features/houses/house-frame';
import { useMadeOrToBe } from '../../../../features/houses/record-to-be';
import { NotHere } from '../../../../features/shell/not-here';

export default function TestRoute() {
  const { testId } = useLocalSearchParams<{ testId: string }>();
  const view = useHouseView();
  const made = view.tests.find(({ id }) => id === testId);
  const test = useMadeOrToBe(made, { id: testId, ledgerId: view.house.id }, () => newTest(view.tests[0]));
  return test === undefined ? (
    <NotHere what="door test" houseId={view.house.id} />
  ) : (
    <TestScreen key={test.id} view={view} test={test} isNew={made === undefined} />
  );
}
