import { Slot, useGlobalSearchParams, useRouter } from 'expo-router';
import { createContext, use, type ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/house-copy';
import { useHouse, useHouses, useHouseViews } from '../../data/hooks';
import { Button } from '../../ui/button';
import { useKeypad } from '../../ui/keypad/keypad';
import { Text } from '../../ui/text';
import { useIsWide, usePalette, usePageSize } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { AreasTable } from '../installation/areas-table';
import { PhotoGrid } from '../photos/photo-grid';
import { photosByPlace, placesIn } from '../photos/photo-words';
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

interface ColumnProps {
  readonly title: string;
  readonly action?: ReactNode;
  readonly isBroad?: boolean;
  readonly children: ReactNode;
}

/** What stands beside the page on the desk, to go from one to the next. */
function Column({ title, action, isBroad = false, children }: ColumnProps) {
  const palette = usePalette();
  return (
    <View
      role="navigation"
      aria-label={title}
      style={[
        styles.column,
        isBroad && styles.broad,
        { borderRightColor: palette.line, backgroundColor: palette.paper },
      ]}
    >
      <View style={styles.columnHead}>
        <Text look="section">{title}</Text>
        {action}
      </View>
      <ScrollView contentContainerStyle={styles.columnList}>{children}</ScrollView>
    </View>
  );
}

function HousesColumn({ houseId }: { readonly houseId: string }) {
  const router = useRouter();
  const { data: houses = [] } = useHouses();
  const views = useHouseViews(houses);
  const add = (
    <Button
      kind="quiet"
      iconOnly
      icon="plus"
      label="Add a house"
      onPress={() => router.navigate('/houses/new')}
    />
  );
  return (
    <Column title="Houses" action={add}>
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
    </Column>
  );
}

/** Beside an area all areas of its house, beside a photo all photos, else the houses. */
function BesideThePage({ houseId }: { readonly houseId: string }) {
  const { data: view } = useHouse(houseId);
  const { areaId, photoId } = useGlobalSearchParams<{ areaId?: string; photoId?: string }>();
  if (view != null && areaId !== undefined && view.areas.length > 0) {
    return (
      <Column title="Areas" isBroad>
        <AreasTable house={view.house} areas={view.areas} besideId={areaId} />
      </Column>
    );
  }
  if (view != null && photoId !== undefined) {
    const places = placesIn(view);
    return (
      <Column title="Photos">
        {photosByPlace(view.photos, places).map(({ key, name, photos }) => (
          <View key={key} style={styles.place}>
            <Text look="small" tone="soft">
              {name}
            </Text>
            <PhotoGrid photos={photos} places={places} chosenId={photoId} />
          </View>
        ))}
      </Column>
    );
  }
  return <HousesColumn houseId={houseId} />;
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
        <BesideThePage houseId={houseId} />
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
  broad: { width: 384 },
  place: { gap: space.xs },
  columnHead: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    paddingLeft: space.m,
    minHeight: 56,
  },
  columnList: { padding: space.s, gap: space.s },
});
