import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from './text';
import { usePalette } from './theme';
import { CORNER, space } from './tokens';

interface PickLineProps {
  /** What pressing it does, in words. */
  readonly label: string;
  /** Heavy, above the detail. */
  readonly title: string;
  /** Beside the title. */
  readonly figure?: string;
  /** Below the title. */
  readonly detail: string;
  /** Called once a press. */
  readonly onPress: () => void;
}

/** One of several things to choose from. */
export function PickLine({ label, title, figure, detail, onPress }: PickLineProps) {
  const palette = usePalette();
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
        <Text look="strong" style={styles.words}>
          {title}
        </Text>
        {figure !== undefined && <Text style={styles.words}>{figure}</Text>}
      </View>
      <Text look="small" tone="soft">
        {detail}
      </Text>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  line: { borderWidth: 1, borderRadius: CORNER, padding: space.s, gap: 2, minHeight: 56 },
  head: { flexDirection: 'row', gap: space.s, justifyContent: 'space-between', flexWrap: 'wrap' },
  words: { flexShrink: 1 },
});
