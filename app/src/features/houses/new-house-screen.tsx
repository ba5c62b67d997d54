import type { HouseBody } from '@calvet/contract/house/house';
import { dequal } from 'dequal';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { halfFilled, keepHalfFilled } from '../../data/half-filled';
import { usePractice } from '../../data/hooks';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { Text } from '../../ui/text';
import { Screen } from '../shell/screen';
import { HouseForm, houseDraftOf, houseResolver, newHouse, type HouseDraft } from './house-form';

const FORM = 'new house';

/** A house that is taken in hand. What was filled in waits here until it is created or cleared. */
export function NewHouseScreen() {
  const router = useRouter();
  const { createHouse } = useStore();
  const [waited, setWaited] = useState(() => halfFilled(FORM));
  const practice = usePractice();
  const begun = useMemo(() => newHouse(practice), [practice]);
  const form = useForm<HouseDraft, unknown, HouseBody>({
    // What the practice has set may come while it is filled in.
    values: useMemo(() => (waited === null ? begun : houseDraftOf(waited, begun)), [waited, begun]),
    resetOptions: { keepDirtyValues: true, keepErrors: true },
    resolver: houseResolver,
  });
  const [wrong, setWrong] = useState<readonly string[]>([]);
  const [isAsked, setIsAsked] = useState(false);
  useEffect(
    () =>
      form.subscribe({
        formState: { values: true },
        callback: ({ values }) => keepHalfFilled(FORM, dequal(values, begun) ? null : values),
      }),
    [form, begun],
  );
  const clear = (): void => {
    form.reset(begun);
    keepHalfFilled(FORM, null);
    setWaited(null);
  };
  const create = form.handleSubmit((body) => {
    setIsAsked(true);
    // What stands in these is something else than what is counted of them.
    if (wrong.length > 0) return;
    const houseId = createHouse(body);
    keepHalfFilled(FORM, null);
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
      {waited !== null && (
        <View style={styles.waited}>
          <Text look="small" tone="soft" style={styles.waitedText}>
            As you left it.
          </Text>
          <Button kind="quiet" label="Clear the form" onPress={clear} />
        </View>
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

const styles = StyleSheet.create({
  waited: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' },
  waitedText: { flexShrink: 1 },
});
