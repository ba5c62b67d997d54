import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { space } from '../../ui/tokens';

/**
 * A line above the page that concerns the app as a whole.
 * @param isWarning something may be lost: it is said at once to who listens, and stands out
 * @param children the button for what can be done about it
 */
export function NoticeBar({
  words,
  isWarning = false,
  children,
}: {
  readonly words: string;
  readonly isWarning?: boolean;
  readonly children?: ReactNode;
}) {
  const palette = usePalette();
  const colours = isWarning
    ? { backgroundColor: palette.strawTint, borderBottomColor: palette.straw }
    : { backgroundColor: palette.lakeTint, borderBottomColor: palette.line };
  return (
    <View role={isWarning ? 'alert' : 'status'} style={[styles.bar, colours]}>
      <Text style={styles.words}>{words}</Text>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    paddingHorizontal: space.l,
    paddingVertical: space.s,
    borderBottomWidth: 1,
  },
  words: { flex: 1 },
});
