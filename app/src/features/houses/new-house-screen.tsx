import type { HouseBody } from '@calvet/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { Text } from '../../ui/text';
import { Screen } from '../shell/screen';
import { EMPTY_HOUSE, HouseForm, houseResolver, type HouseDraft } from './house-form';

/** A house that is taken in hand. */
export function NewHouseScreen() {
  const router = useRouter();
  const { createHouse } = useStore();
  const form = useForm<HouseDraft, unknown, HouseBody>({
    defaultValues: EMPTY_HOUSE,
    resolver: houseResolver,
  });
  const [wrong, setWrong] = useState<readonly string[]>([]);
  const [isAsked, setIsAsked] = useState(false);
  const create = form.handleSubmit((body) => {
    setIsAsked(true);
    // What stands in these is something else than what is counted of them.
    if (wrong.length > 0) return;
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
      {missing === 0 && isAsked && wrong.length > 0 && (
        <Text look="strong" tone="ember" role="alert">
          Not right yet: {wrong.join(', ')}.
        </Text>
      )}
      <HouseForm
        control={form.control}
        errors={form.formState.errors}
        onWrong={(label, isWrong) =>
          setWrong((before) => {
            const others = before.filter((each) => each !== label);
            return isWrong ? [...others, label] : others;
          })
        }
      />
    </Screen>
  );
}
