import { type Area } from '@calvet/contract/installation/area';
import { AREA_WORDS } from '@calvet/contract/installation/area-words';
import { StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import Icon from '../../ui/icon-font/icon-set';
import { LinkArea } from '../../ui/link-area';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { sizeWords } from './words';

/** An area of the envelope, what it is built of and how large it is: a press leads to it. */
export function AreaLine({ area }: { readonly area: Area }) {
  const palette = usePalette();
  const { units } = usePreferences();
  return (
    <LinkArea
      href={{
        pathname: '/houses/[houseId]/areas/[areaId]',
        params: { houseId: area.ledgerId, areaId: area.id },
      }}
      style={styles.area}
    >
      <View style={styles.names}>
        <Text look="strong" numberOfLines={2}>
          {area.name}
        </Text>
        <Text look="small" tone="soft" numberOfLines={2}>
          {AREA_WORDS[area.kind]} · {area.buildUp.name}
        </Text>
      </View>
      <Text look="figure" tone={area.areaM2 === null ? 'straw' : undefined}>
        {sizeWords(area, units)}
      </Text>
      <Icon name="chevron-right" size={22} color={palette.soft} />
    </LinkArea>
  );
}

const styles = StyleSheet.create({
  area: { flexDirection: 'row', alignItems: 'center', gap: space.s, minHeight: 52 },
  names: { flex: 1, minWidth: 0 },
});
