import type { House } from '@calvet/contract/house/house';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useHouses, useHouseSummaries } from '../../data/hooks';
import { Button } from '../../ui/button';
import { TextField } from '../../ui/field';
import { Text } from '../../ui/text';
import { useIsWide } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { DeletedLink } from '../deleted/deleted-link';
import { Screen } from '../shell/screen';
import { Empty, Failed, Loading } from '../shell/states';
import { HouseRow } from './house-row';
import { headlineOf } from './headline';
import { NameCard } from './name-card';
import { HousesTable, type HouseLine } from './houses-table';

/** Shown where there are more houses than an eye takes in at once. */
const FILTER_FROM = 8;

function useLines(houses: readonly House[]): readonly HouseLine[] {
  const summaries = useHouseSummaries(houses);
  return useMemo(
    () => houses.map((house) => ({ house, summary: summaries.get(house.id) })),
    [houses, summaries],
  );
}

function HousesList({ houses }: { readonly houses: readonly House[] }) {
  const isWide = useIsWide();
  const lines = useLines(houses);
  const [filter, setFilter] = useState('');
  const wanted = filter.trim().toLowerCase();
  const shown = lines.filter(({ house }) =>
    `${house.name} ${house.place} ${house.builder}`.toLowerCase().includes(wanted),
  );
  const isComplete = lines.every(({ summary }) => summary !== undefined);
  return (
    <>
      <Text look="answer" level={isComplete ? 2 : undefined}>
        {isComplete
          ? headlineOf(
              lines.map(({ house, summary }) => ({
                name: house.name,
                verdict: summary?.tightness?.verdict ?? null,
              })),
            )
          : ' '}
      </Text>
      {houses.length >= FILTER_FROM && (
        <TextField label="Find a house by name, location or builder" value={filter} onChange={setFilter} />
      )}
      {shown.length === 0 && <Text tone="soft">No house is called that.</Text>}
      {isWide ? (
        shown.length > 0 && <HousesTable lines={shown} />
      ) : (
        <View style={styles.list}>
          {shown.map(({ house, summary }) => (
            <HouseRow key={house.id} house={house} summary={summary} />
          ))}
        </View>
      )}
    </>
  );
}

/** What is not asked for every day. */
function MoreLinks() {
  const router = useRouter();
  return (
    <View style={styles.links}>
      <Button kind="quiet" label="Practice" onPress={() => router.navigate('/practice')} />
      <DeletedLink />
    </View>
  );
}

/** Every house with its last airtightness figure against its target, and what its envelope is worth. */
export function HousesScreen() {
  const router = useRouter();
  const { data: houses, error, retry } = useHouses();
  const add = () => router.navigate('/houses/new');
  return (
    <Screen
      name="Calvet"
      detail="Houses"
      footer={
        <>
          <Button
            label="This device"
            iconOnly
            icon="cellphone-check"
            onPress={() => router.navigate('/device')}
          />
          <Button
            label="Bench"
            iconOnly
            icon="calculator-variant-outline"
            onPress={() => router.navigate('/bench')}
          />
          <Button label="Today" icon="calendar-clock" onPress={() => router.navigate('/today')} />
          <Button label="Add a house" kind="main" icon="plus" grow onPress={add} />
        </>
      }
    >
      {error !== undefined && <Failed error={error} onRetry={retry} />}
      {error === undefined && houses === undefined && <Loading what="Fetching the houses" />}
      {houses?.length === 0 && (
        <Empty
          title="No house yet"
          text="Add the first one: its sizes and its airtightness target. Then its areas and its door tests go in."
        />
      )}
      {houses !== undefined && houses.length > 0 && <HousesList houses={houses} />}
      {houses !== undefined && <NameCard />}
      {houses !== undefined && <MoreLinks />}
    </Screen>
  );
}

const styles = StyleSheet.create({
  list: { gap: 10 },
  links: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
