import {
  findMaterials,
  materialsOf,
  type KnownMaterial,
} from '@calvet/contract/installation/material-library';
import { MATERIAL_GROUP_WORDS, type Material } from '@calvet/contract/installation/material';
import { NAME_MAX } from '@calvet/contract/limits';
import { useMemo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { recentMaterials, rememberMaterial } from '../../data/recent-materials';
import { TextField } from '../../ui/field';
import { figureWithUnit } from '../../ui/format';
import { LongList } from '../../ui/long-list';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { CORNER, space } from '../../ui/tokens';

interface MaterialSheetProps {
  /** Materials of the practice. */
  readonly own: readonly Material[];
  readonly title: string;
  readonly onPick: (material: KnownMaterial) => void;
  readonly onClose: () => void;
}

/** Chooses a material by searching for it; what was chosen last stands first. */
export function MaterialSheet({ own, title, onPick, onClose }: MaterialSheetProps) {
  const [asked, setAsked] = useState('');
  const all = useMemo(() => materialsOf(own), [own]);
  const recent = useMemo(() => recentMaterials(), []);
  const found = useMemo(() => {
    const matching = findMaterials(all, asked);
    const rank = ({ id }: KnownMaterial): number => {
      const at = recent.indexOf(id);
      return at < 0 ? recent.length : at;
    };
    return asked.trim() === '' ? [...matching].sort((a, b) => rank(a) - rank(b)) : matching;
  }, [all, asked, recent]);
  return (
    <Sheet title={title} onClose={onClose}>
      <TextField label="Search" maxLength={NAME_MAX} value={asked} onChange={setAsked} />
      {found.length === 0 && (
        <Text role="status">Nothing is called so. Close this, and enter the layer’s own figures.</Text>
      )}
      <LongList items={found} what="materials">
        {(material) => (
          <MaterialLine
            key={material.id}
            material={material}
            onPress={() => {
              rememberMaterial(material.id);
              onPick(material);
            }}
          />
        )}
      </LongList>
    </Sheet>
  );
}

interface MaterialLineProps {
  readonly material: KnownMaterial;
  readonly onPress: () => void;
}

/** A material with what is known of it, and from where. */
function MaterialLine({ material, onPress }: MaterialLineProps) {
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
      aria-label={`Take ${name}`}
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
        <Text look="figure">{conducts}</Text>
      </View>
      <Text look="small" tone="soft">
        {isOwn ? 'Of this practice' : MATERIAL_GROUP_WORDS[group]}
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
