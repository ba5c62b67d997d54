import type { ReactNode } from 'react';
import { StyleSheet, Text as NativeText, type TextProps as NativeTextProps } from 'react-native';
import { usePalette } from './theme';
import { fonts, type Palette } from './tokens';

const styles = StyleSheet.create({
  body: { fontFamily: fonts.text, fontSize: 16, lineHeight: 22 },
  strong: { fontFamily: fonts.bold, fontSize: 16, lineHeight: 22 },
  small: { fontFamily: fonts.text, fontSize: 14, lineHeight: 19 },
  answer: { fontFamily: fonts.heavy, fontSize: 26, lineHeight: 30, letterSpacing: -0.3 },
  section: { fontFamily: fonts.bold, fontSize: 18, lineHeight: 24 },
  figure: { fontFamily: fonts.figure, fontSize: 16, lineHeight: 22 },
  figureStrong: { fontFamily: fonts.figureBold, fontSize: 18, lineHeight: 24 },
  figureHuge: { fontFamily: fonts.figureBold, fontSize: 52, lineHeight: 54, letterSpacing: -1.5 },
});

export type TextLook = keyof typeof styles;

interface TextProps extends NativeTextProps {
  readonly look?: TextLook;
  readonly tone?: keyof Palette;
  /** Makes the text a heading of this level for who listens to the page. */
  readonly level?: 1 | 2 | 3;
  readonly children: ReactNode;
}

/** Text in the house's type; figures are set in the face that keeps 0 and O, 1 and l apart. */
export function Text({ look = 'body', tone = 'ink', level, style, ...rest }: TextProps) {
  const palette = usePalette();
  const heading = level === undefined ? {} : { role: 'heading' as const, 'aria-level': level };
  return <NativeText {...heading} {...rest} style={[styles[look], { color: palette[tone] }, style]} />;
}
