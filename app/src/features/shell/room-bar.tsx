import { usePathname } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import Icon from '../../ui/icon-font/icon-set';
import { LinkArea } from '../../ui/link-area';
import { Text } from '../../ui/text';
import { useIsWide, usePalette, usePageSize } from '../../ui/theme';
import { hrefOf, roomAt, ROOMS } from './rooms';

/** The rooms of a house: along the foot of a phone, down the side of a desk. */
export function RoomBar({ houseId }: { readonly houseId: string }) {
  const palette = usePalette();
  const isWide = useIsWide();
  const { isSideways } = usePageSize();
  const isRail = isWide || isSideways;
  const here = roomAt(usePathname());
  return (
    <View
      role="navigation"
      aria-label="Rooms of the house"
      style={[
        isRail ? styles.rail : styles.bar,
        { backgroundColor: palette.card, borderColor: palette.line },
      ]}
    >
      {isWide && (
        <LinkArea href="/" label="Cv: all houses" style={styles.sign}>
          <Text look="section">Cv</Text>
        </LinkArea>
      )}
      {ROOMS.map((room) => {
        const isHere = room === here;
        return (
          <LinkArea
            key={room.label}
            href={hrefOf(room, houseId)}
            label={room.label}
            isHere={isHere}
            style={[
              styles.room,
              isRail ? styles.railRoom : styles.barRoom,
              isSideways && styles.sidewaysRoom,
              isHere && (isRail ? { borderLeftColor: palette.lake } : { borderTopColor: palette.lake }),
            ]}
          >
            <Icon name={room.icon} size={24} color={isHere ? palette.ink : palette.soft} />
            <Text look="small" tone={isHere ? 'ink' : 'soft'} style={isHere && styles.here}>
              {room.label}
            </Text>
          </LinkArea>
        );
      })}
      {isWide && (
        <LinkArea href="/bench" label="Bench" style={[styles.room, styles.railRoom, styles.foot]}>
          <Icon name="calculator-variant-outline" size={24} color={palette.soft} />
          <Text look="small" tone="soft">
            Bench
          </Text>
        </LinkArea>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  bar: { flexDirection: 'row', borderTopWidth: 1, minHeight: 62 },
  rail: { width: 84, borderRightWidth: 1, alignItems: 'stretch' },
  sign: { height: 56, alignItems: 'center', justifyContent: 'center' },
  room: { alignItems: 'center', justifyContent: 'center', gap: 3, borderColor: 'transparent' },
  barRoom: { flex: 1, borderTopWidth: 3 },
  railRoom: { minHeight: 76, borderLeftWidth: 4 },
  sidewaysRoom: { flex: 1, minHeight: 0 },
  foot: { marginTop: 'auto' },
  here: { fontWeight: 'bold' },
});
