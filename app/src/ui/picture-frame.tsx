import type { ReactNode } from 'react';
import { StyleSheet, View, type StyleProp, type ViewStyle } from 'react-native';
import { Text } from './text';
import { usePalette } from './theme';
import { CORNER, space } from './tokens';

interface PictureFrameProps {
  /** Said in place of the picture. */
  readonly words: string;
  /** Of the frame. */
  readonly style?: StyleProp<ViewStyle>;
  /** Lie over the picture. */
  readonly children?: ReactNode;
}

/** Where a picture goes that is not here yet. */
export function PictureFrame({ words, style, children }: PictureFrameProps) {
  const palette = usePalette();
  return (
    <View style={[styles.frame, { backgroundColor: palette.paper, borderColor: palette.line }, style]}>
      <Text look="small" tone="soft" style={styles.words}>
        {words}
      </Text>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  frame: {
    borderWidth: 1,
    borderStyle: 'dashed',
    borderRadius: CORNER,
    alignItems: 'center',
    justifyContent: 'center',
    padding: space.s,
  },
  words: { textAlign: 'center' },
});
