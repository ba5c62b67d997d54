import type { Judged } from '@calvet/contract/walk/penetration';
import { StyleSheet, View } from 'react-native';
import { LineMark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { MARK_OF_JUDGED, TONE_OF_JUDGED } from './hole-words';

/** How something is judged: its mark, and the word beside it. */
export function JudgedMark({ judged, word }: { readonly judged: Judged; readonly word: string }) {
  return (
    <View style={styles.mark}>
      <LineMark mark={MARK_OF_JUDGED[judged]} />
      <Text look="section" tone={TONE_OF_JUDGED[judged]}>
        {word}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  mark: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
});
