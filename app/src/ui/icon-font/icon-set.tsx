import { Text, type TextProps } from 'react-native';
import { fonts } from '../tokens';
import glyphs from './glyphs.json';

export type IconName = keyof typeof glyphs;

interface IconProps extends TextProps {
  /** One of the set. */
  readonly name: IconName;
  /** In pixels. */
  readonly size: number;
  /** Of the line. */
  readonly color: string;
}

/** One icon of the font. It says nothing to a screen reader: the words beside it do. */
export default function Icon({ name, size, color, style, ...rest }: IconProps) {
  return (
    <Text
      {...rest}
      aria-hidden
      selectable={false}
      style={[{ fontFamily: fonts.icons, fontSize: size, lineHeight: size, color }, style]}
    >
      {String.fromCodePoint(glyphs[name])}
    </Text>
  );
}
