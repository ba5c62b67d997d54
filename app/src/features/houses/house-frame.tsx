import { Slot, useRouter } from 'expo-router';
import { createContext, use } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/house-copy';
import { useHouse, useHouses, useHouseViews } from '../../data/hooks';
import { Button } from '../../ui/button';
import { useKeypad } from '../../ui/keypad/keypad';
import { Text } from '../../ui/text';
import { useIsWide, usePalette, usePageSize } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { RoomBar } from '../shell/room-bar';
import { Screen } from '../shell/screen';
import { Empty, Failed, Loading } from '../shell/states';
import { HouseRow } from './house-row';
import { summaryOf } from './house-summary';

const HouseContext = createContext<HouseView | null>(null);

/** The house that the page is about. */
export function useHouseView(): HouseView {
  const view = use(HouseContext);
  if (view === null) throw new Error('This screen stands outside a house.');
  return view;
}

function HousesColumn({ houseId }: { readonly houseId: string }) {
  const router = useRouter();
  const palette = usePalette();
  const { data: houses = [] } = useHouses();
  const views = useHouseViews(houses);
  return (
    <View
      role="navigation"
      aria-label="Houses"
      style={[styles.column, { borderRightColor: palette.line, backgroundColor: palette.paper }]}
    >
      <View style={styles.columnHead}>
        <Text look="section">Houses</Text>
        <Button
          kind="quiet"
          iconOnly
          icon="plus"
          label="Add a house"
          onPress={() => router.navigate('/houses/new')}
        />
      </View>
      <ScrollView contentContainerStyle={styles.columnList}>
        {houses.map((house) => {
          const view = views.get(house.id);
          return (
            <HouseRow
              key={house.id}
              house={house}
              summary={view === undefined ? undefined : summaryOf(view)}
              isCompact
              isChosen={house.id === houseId}
            />
          );
        })}
      </ScrollView>
    </View>
  );
}

function Inside({ houseId }: { readonly houseId: string }) {
  const router = useRouter();
  const { data: view, error, retry } = useHouse(houseId);
  if (view === null) {
    return (
      <Screen name="No such house" back="/" backLabel="Back to the houses">
        <Empty
          title="This house is not here"
          text="It was deleted, or the address is not complete."
          action="Show all houses"
          onAction={() => router.replace('/')}
        />
      </Screen>
    );
  }
  if (view === undefined) {
    return (
      <Screen name="House" back="/" backLabel="Back to the houses">
        {error === undefined ? (
          <Loading what="Fetching the house" />
        ) : (
          <Failed error={error} onRetry={retry} />
        )}
      </Screen>
    );
  }
  return (
    <HouseContext value={view}>
      <Slot />
    </HouseContext>
  );
}

/** Everything about one house: its rooms at the foot of a phone; on the desk beside the list of houses. */
export function HouseFrame({ houseId }: { readonly houseId: string }) {
  const isWide = useIsWide();
  const keypad = useKeypad();
  const { isSideways } = usePageSize();
  if (isWide) {
    return (
      <View style={styles.desk}>
        <RoomBar houseId={houseId} />
        <HousesColumn houseId={houseId} />
        <View style={styles.page}>
          <Inside houseId={houseId} />
        </View>
      </View>
    );
  }
  return (
    <View style={[styles.hand, isSideways && styles.sideways]}>
      <View style={styles.page}>
        <Inside houseId={houseId} />
      </View>
      {!keypad.isOpen && <RoomBar houseId={houseId} />}
    </View>
  );
}

const styles = StyleSheet.create({
  desk: { flex: 1, flexDirection: 'row', minHeight: 0 },
  hand: { flex: 1, minHeight: 0 },
  sideways: { flexDirection: 'row-reverse' },
  page: { flex: 1, minWidth: 0, minHeight: 0 },
  column: { width: 264, borderRightWidth: 1 },
  columnHead: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    paddingLeft: space.m,
    minHeight: 56,
  },
  columnList: { padding: space.s, gap: space.s },
});
