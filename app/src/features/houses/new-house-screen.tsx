import type { HouseBody } from '@calvet/contract';
import { useRouter } from 'expo-router';
import { useForm } from 'react-hook-form';
import { createHouse } from '../../data/store';
import { Button } from '../../ui/button';
import { Text } from '../../ui/text';
import { Screen } from '../shell/screen';
import { EMPTY_HOUSE, HouseForm, houseResolver, type HouseDraft } from './house-form';

/** A house that is taken in hand. */
export function NewHouseScreen() {
  const router = useRouter();
  const form = useForm<HouseDraft, unknown, HouseBody>({
    defaultValues: EMPTY_HOUSE,
    resolver: houseResolver,
  });
  const create = form.handleSubmit((body) => {
    const houseId = createHouse(body);
    router.replace({ pathname: '/houses/[houseId]', params: { houseId } });
  });
  const missing = Object.keys(form.formState.errors).length;
  return (
    <Screen
      name="New house"
      back="/"
      backLabel="Back to the houses"
      footer={<Button label="Create house" kind="main" grow onPress={() => void create()} />}
    >
      {missing > 0 && (
        <Text look="strong" tone="ember" role="alert">
          {missing === 1 ? 'One field still needs you.' : `${missing} fields still need you.`}
        </Text>
      )}
      <HouseForm control={form.control} errors={form.formState.errors} />
    </Screen>
  );
}
