import { StyleSheet, View } from 'react-native';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

const KEYS: readonly (readonly [key: string, deed: string])[] = [
  ['1', 'Good'],
  ['2', 'Mend'],
  ['3', 'Not seen'],
  ['4', 'Not here'],
  ['Enter', 'Go on, once a mend is told'],
  ['↑ ↓', 'Checkpoint before, after'],
  ['← →', 'Place before, after'],
  ['Ctrl Z', 'Undo'],
  ['?', 'These keys'],
];

/** What the keys of a keyboard do on the walk. */
export function KeysSheet({ onClose }: { readonly onClose: () => void }) {
  return (
    <Sheet title="Keys on the walk" onClose={onClose}>
      {KEYS.map(([key, deed]) => (
        <View key={key} style={styles.line}>
          <Text look="figureStrong" style={styles.key}>
            {key}
          </Text>
          <Text>{deed}</Text>
        </View>
      ))}
    </Sheet>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: space.m, minHeight: 36 },
  key: { minWidth: 84 },
});
