import type { ReactNode } from 'react';
import { StyleSheet, View, type ViewStyle, type StyleProp } from 'react-native';
import { Text } from './text';
import { usePalette } from './theme';
import { CORNER, space } from './tokens';

interface CardProps {
  /** Heading of the third level; none where the card speaks for itself. */
  readonly title?: string;
  /** Stands at the end of the heading. */
  readonly right?: ReactNode;
  /** One below the other, with even gaps. */
  readonly children: ReactNode;
  /** Of the frame. */
  readonly style?: StyleProp<ViewStyle>;
}

/** A square-cut sheet on the paper. */
export function Card({ title, right, children, style }: CardProps) {
  const palette = usePalette();
  return (
    <View style={[styles.card, { backgroundColor: palette.card, borderColor: palette.line }, style]}>
      {(title !== undefined || right !== undefined) && (
        <View style={styles.head}>
          {title !== undefined && (
            <Text look="section" level={2} style={styles.title}>
              {title}
            </Text>
          )}
          {right}
        </View>
      )}
      {children}
    </View>
  );
}

/** A hairline. */
export function Rule() {
  const palette = usePalette();
  return <View style={{ height: 1, backgroundColor: palette.line }} />;
}

const styles = StyleSheet.create({
  card: { borderWidth: 1, borderRadius: CORNER, padding: space.l, gap: space.m },
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: space.m,
    marginVertical: -6,
  },
  title: { flexShrink: 1 },
});
