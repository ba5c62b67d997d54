import type { KnownMaterial } from '@calvet/contract/installation/material-library';
import { MATERIAL_GROUP_WORDS } from '@calvet/contract/installation/material';
import { Pressable, StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { figureWithUnit } from '../../ui/format';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { CORNER, space } from '../../ui/tokens';

interface MaterialLineProps {
  /** What pressing it does, in words. */
  readonly label: string;
  readonly material: KnownMaterial;
  readonly onPress: () => void;
}

/** A material with what is known of it, and from where. */
export function MaterialLine({ label, material, onPress }: MaterialLineProps) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { name, group, conductivityWmK, conductivityRange, rsi, basis, isOwn } = material;
  const conducts =
    conductivityWmK === null
      ? `R ${figureWithUnit(rsi ?? 0, 'resistance', units)}`
      : figureWithUnit(conductivityWmK, 'conductivity', units);
  const [low, high] = conductivityRange ?? [];
  // What a library says of its range stands in its basis, in SI.
  const isSaid = !isOwn && units === 'metric';
  const range =
    low === undefined || high === undefined || isSaid
      ? ''
      : `, usually ${figureWithUnit(low, 'conductivity', units)} to ${figureWithUnit(high, 'conductivity', units)}`;
  return (
    <Pressable
      role="button"
      aria-label={label}
      onPress={onPress}
      style={({ hovered }: { pressed: boolean; hovered?: boolean }) => [
        styles.line,
        { borderColor: palette.line },
        hovered === true && { backgroundColor: palette.lakeTint },
      ]}
    >
      <View style={styles.head}>
        <Text look="strong" style={styles.name}>
          {name}
        </Text>
        <Text style={styles.name}>{conducts}</Text>
      </View>
      <Text look="small" tone="soft">
        {isOwn ? `Of this practice · ${MATERIAL_GROUP_WORDS[group]}` : MATERIAL_GROUP_WORDS[group]}
        {range}. {basis[0]}.
      </Text>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  line: { borderWidth: 1, borderRadius: CORNER, padding: space.s, gap: 2, minHeight: 56 },
  head: { flexDirection: 'row', gap: space.s, justifyContent: 'space-between', flexWrap: 'wrap' },
  name: { flexShrink: 1 },
});
