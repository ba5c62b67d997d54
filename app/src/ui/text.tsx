import { memo, type ReactNode } from 'react';
import { StyleSheet, Text as NativeText, type TextProps as NativeTextProps } from 'react-native';
import { usePalette } from './theme';
import { fonts, rem, type Palette } from './tokens';
import { BREAKS_WORDS, STAYS_WHOLE } from './web-styles';

const styles = StyleSheet.create({
  body: { fontFamily: fonts.text, fontSize: rem(16), lineHeight: rem(22) },
  strong: { fontFamily: fonts.bold, fontSize: rem(16), lineHeight: rem(22) },
  small: { fontFamily: fonts.text, fontSize: rem(14), lineHeight: rem(19) },
  answer: { fontFamily: fonts.heavy, fontSize: rem(26), lineHeight: rem(30), letterSpacing: -0.3 },
  section: { fontFamily: fonts.bold, fontSize: rem(18), lineHeight: rem(24) },
  figure: { fontFamily: fonts.figure, fontSize: rem(16), lineHeight: rem(22) },
  figureStrong: { fontFamily: fonts.figureBold, fontSize: rem(18), lineHeight: rem(24) },
  figureHuge: { fontFamily: fonts.figureBold, fontSize: rem(52), lineHeight: rem(54), letterSpacing: -1.5 },
});

export type TextLook = keyof typeof styles;

interface TextProps extends NativeTextProps {
  /** Size, weight and letters. */
  readonly look?: TextLook;
  /** Colour, by what it means. */
  readonly tone?: keyof Palette;
  /** Makes the text a heading of this level for who listens to the page. */
  readonly level?: 1 | 2 | 3;
  /** The words. */
  readonly children: ReactNode;
}

/** Text in the house's type; figures are set in the face that keeps 0 and O, 1 and l apart. */
export const Text = memo(function Text({ look = 'body', tone = 'ink', level, style, ...rest }: TextProps) {
  const palette = usePalette();
  const heading = level === undefined ? {} : { role: 'heading' as const, 'aria-level': level };
  return (
    <NativeText
      {...heading}
      {...rest}
      style={[
        styles[look],
        look.startsWith('figure') ? STAYS_WHOLE : BREAKS_WORDS,
        { color: palette[tone] },
        style,
      ]}
    />
  );
});
