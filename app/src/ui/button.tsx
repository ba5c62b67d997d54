import { memo } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import useLatestCallback from 'use-latest-callback';
import Icon, { type IconName } from './icon-font/icon-set';
import { Text } from './text';
import { useIsWide, usePalette } from './theme';
import { CORNER, rem, space, TOUCH } from './tokens';

interface ButtonProps {
  /** What it does, also for those who do not see it. */
  readonly label: string;
  /** Called once a press. */
  readonly onPress: () => void;
  /** `main`: the thing to do next; `plain`: also possible; `quiet`: text only. */
  readonly kind?: 'main' | 'plain' | 'quiet';
  /** Before the words, or in their place. */
  readonly icon?: IconName;
  /** Shows the icon alone; the label is for who cannot see it. */
  readonly iconOnly?: boolean;
  /** It stands there and cannot be pressed. */
  readonly disabled?: boolean;
  /** Key on a keyboard that does the same. */
  readonly shortcut?: string;
  /** Takes the whole width of a phone. */
  readonly grow?: boolean;
}

/** A thing to do. At least 48 px high, in words. */
export function Button(props: ButtonProps) {
  const press = useLatestCallback(props.onPress);
  return <Drawn {...props} onPress={press} />;
}

/** The same while nothing about it but what a press does has changed: a page has dozens, and is typed into. */
const Drawn = memo(function Drawn(props: ButtonProps) {
  const {
    label,
    onPress,
    kind = 'plain',
    icon,
    iconOnly = false,
    disabled = false,
    shortcut,
    grow = false,
  } = props;
  const palette = usePalette();
  const isWide = useIsWide();
  const tone = kind === 'main' ? 'onFill' : 'ink';
  return (
    <Pressable
      role="button"
      aria-label={label}
      aria-disabled={disabled}
      aria-keyshortcuts={shortcut}
      disabled={disabled}
      onPress={onPress}
      style={({ pressed, hovered }: { pressed: boolean; hovered?: boolean }) => [
        styles.button,
        iconOnly && styles.square,
        grow && !isWide && styles.grow,
        kind !== 'quiet' && { borderWidth: 1, borderColor: kind === 'main' ? palette.lake : palette.line },
        kind === 'main' && { backgroundColor: palette.lake },
        kind === 'plain' && { backgroundColor: palette.card },
        kind !== 'main' && (pressed || hovered === true) && { backgroundColor: palette.lakeTint },
        kind === 'main' && pressed && styles.pressed,
        disabled && styles.disabled,
      ]}
    >
      {icon !== undefined && <Icon name={icon} size={22} color={palette[tone]} />}
      {!iconOnly && (
        <Text look="strong" tone={tone} style={styles.label}>
          {label}
        </Text>
      )}
      {shortcut !== undefined && !iconOnly && (
        <Text look="figure" tone={kind === 'main' ? 'onFill' : 'soft'} style={styles.shortcut} aria-hidden>
          {shortcut}
        </Text>
      )}
    </Pressable>
  );
});

const styles = StyleSheet.create({
  button: {
    minHeight: TOUCH,
    maxWidth: '100%',
    paddingHorizontal: space.l,
    borderRadius: CORNER,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'center',
    gap: space.s,
  },
  label: { flexShrink: 1, textAlign: 'center' },
  square: { minWidth: TOUCH, paddingHorizontal: space.s },
  grow: { flexGrow: 1 },
  pressed: { opacity: 0.85 },
  disabled: { opacity: 0.45 },
  shortcut: { fontSize: rem(13) },
});
