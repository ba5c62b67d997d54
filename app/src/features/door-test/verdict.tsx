import type { Verdict as VerdictKind } from '@calvet/core/airtightness/budget';
import { StyleSheet, View } from 'react-native';
import { LineMark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { VERDICT_WORDS } from './words';

/** A verdict by shape, word and colour together. */
export function Verdict({ verdict }: { readonly verdict: VerdictKind }) {
  const palette = usePalette();
  const { word, mark, tone, tint } = VERDICT_WORDS[verdict];
  return (
    <View style={[styles.tag, { backgroundColor: palette[tint] }]}>
      <LineMark mark={mark} width={34} />
      <Text look="strong" tone={tone} style={styles.word}>
        {word}
      </Text>
    </View>
  );
}

/** Where nothing was tested. */
export function NotTested() {
  return (
    <View style={styles.tag}>
      <LineMark mark="dotted" width={34} />
      <Text tone="soft">Not tested</Text>
    </View>
  );
}

const styles = StyleSheet.create({
  word: { flexShrink: 1 },
  tag: {
    maxWidth: '100%',
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.s,
    paddingHorizontal: space.s,
    paddingVertical: 3,
    borderRadius: 3,
    alignSelf: 'flex-start',
  },
});
