import { Navigator, Slot, useGlobalSearchParams, usePathname, useRouter } from 'expo-router';
import { createContext, use } from 'react';
import { StyleSheet, View } from 'react-native';
import { isDrawn, type HouseView } from '../../data/as-drawn';
import { useHouse, useHouses, useHouseSummaries } from '../../data/hooks';
import { Button } from '../../ui/button';
import { useKeypad } from '../../ui/keypad/keypad';
import { Text } from '../../ui/text';
import { useIsWide, usePageSize } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { AreasTable } from '../fill/areas-table';
import { PhotoGrid } from '../record/photo-grid';
import { photosBySubject, subjectsIn } from '../record/photo-words';
import { RoomBar } from '../shell/room-bar';
import { SeamOnDemand } from '../bench-and-drawing-on-demand';
import { Screen, UnderNameContext } from '../shell/screen';
import { SideColumn } from '../shell/side-column';
import { Empty, Failed, Loading } from '../shell/states';
import { HouseRow } from './house-row';

/** Widths of what stands beside the page. */
const NARROW = 264;
const BROAD = 384;

const HouseContext = createContext<HouseView | null>(null);

/** The house that the page is about. */
export function useHouseView(): HouseView {
  const view = use(HouseContext);
  if (view === null) throw new Error('This screen stands outside a house.');
  return view;
}

function HousesColumn({ houseId }: { readonly houseId: string }) {
  const router = useRouter();
  const { data: houses = [] } = useHouses();
  const summaries = useHouseSummaries(houses);
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
    <SideColumn title="Houses" width={NARROW} action={add}>
      <View style={styles.list}>
        {houses.map((house) => (
          <HouseRow
            key={house.id}
            house={house}
            summary={summaries.get(house.id)}
            isCompact
            isChosen={house.id === houseId}
          />
        ))}
      </View>
    </SideColumn>
  );
}

interface RecordsColumnProps {
  readonly houseId: string;
  readonly areaId?: string;
  readonly photoId?: string;
}

/** All areas of a house, or all its photos, with the one that is shown. */
function RecordsColumn({ houseId, areaId, photoId }: RecordsColumnProps) {
  const { data: view } = useHouse(houseId);
  if (view != null && areaId !== undefined && view.areas.length > 0) {
    return (
      <SideColumn title="Areas" width={BROAD}>
        <View style={styles.list}>
          <AreasTable house={view.house} areas={view.areas} besideId={areaId} />
        </View>
      </SideColumn>
    );
  }
  if (view != null && photoId !== undefined) {
    const subjects = subjectsIn(view);
    return (
      <SideColumn title="Photos" width={NARROW}>
        <View style={styles.list}>
          {photosBySubject(view.photos, subjects).map(({ key, name, photos }) => (
            <View key={key} style={styles.place}>
              <Text look="small" tone="soft">
                {name}
              </Text>
              <PhotoGrid photos={photos} subjects={subjects} chosenId={photoId} />
            </View>
          ))}
        </View>
      </SideColumn>
    );
  }
  return <HousesColumn houseId={houseId} />;
}

/** Beside an area all areas of its house, beside a photo all photos, beside the walk nothing, else the houses. */
function BesideThePage({ houseId }: { readonly houseId: string }) {
  const { areaId, photoId } = useGlobalSearchParams<{ areaId?: string; photoId?: string }>();
  // The walk has its places there.
  if (usePathname().endsWith('/walk')) return null;
  // The houses beside it need not be drawn anew with every key that is typed into a record.
  if (areaId === undefined && photoId === undefined) return <HousesColumn houseId={houseId} />;
  return <RecordsColumn houseId={houseId} areaId={areaId} photoId={photoId} />;
}

/** The seam of the house that the page is about. */
function SeamHere() {
  const view = use(HouseContext);
  return view !== null && isDrawn(view) ? <SeamOnDemand view={view} /> : null;
}

/** The same whatever the house: pages below are not drawn anew for it. */
const SEAM = <SeamHere />;

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
      <UnderNameContext value={SEAM}>
        <Slot />
      </UnderNameContext>
    </HouseContext>
  );
}

/** A house's rooms at the foot of a phone; on the desk beside the list of houses. */
function Rooms({ houseId }: { readonly houseId: string }) {
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

/**
 * Everything about one house. Its pages stand in the history from the first moment: whoever goes from one to another
 * before the house has been read comes back over both.
 */
export function HouseFrame({ houseId }: { readonly houseId: string }) {
  return (
    <Navigator>
      <Rooms houseId={houseId} />
    </Navigator>
  );
}

const styles = StyleSheet.create({
  desk: { flex: 1, flexDirection: 'row', minHeight: 0 },
  hand: { flex: 1, minHeight: 0 },
  sideways: { flexDirection: 'row-reverse' },
  page: { flex: 1, minWidth: 0, minHeight: 0 },
  place: { gap: space.xs },
  list: { padding: space.s, gap: space.s },
});
