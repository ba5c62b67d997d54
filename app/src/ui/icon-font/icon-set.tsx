import { Text, type TextProps } from 'react-native';
import glyphs from './glyphs.json';

export type IconName = keyof typeof glyphs;

/** Family under which the icon font is loaded. */
export const ICON_FAMILY = 'CalvetIcons';

interface IconProps extends TextProps {
  readonly name: IconName;
  readonly size: number;
  readonly color: string;
}

/** One icon of the font. It says nothing to a screen reader: the words beside it do. */
export default function Icon({ name, size, color, style, ...rest }: IconProps) {
  return (
    <Text
      {...rest}
      aria-hidden
      selectable={false}
      style={[{ fontFamily: ICON_FAMILY, fontSize: size, lineHeight: size, color }, style]}
    >
      {String.fromCodePoint(glyphs[name])}
    </Text>
  );
}
