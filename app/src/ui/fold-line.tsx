import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import Icon from './icon-font/icon-set';
import { Text } from './text';
import { usePalette } from './theme';
import { space } from './tokens';

interface FoldLineProps {
  /** What the line is called, also for those who do not see it. */
  readonly label: string;
  /** Heavy, above the detail. */
  readonly title: string;
  /** Below the title. */
  readonly detail: string;
  /** The detail is something to be settled. */
  readonly isDoubtful?: boolean;
  /** Before the title. */
  readonly before?: ReactNode;
  /** What belongs to it stands open. */
  readonly isOpen: boolean;
  /** Called once a press. */
  readonly onToggle: () => void;
}

/** A line that opens what belongs to it, and closes it again. */
export function FoldLine({
  label,
  title,
  detail,
  isDoubtful = false,
  before,
  isOpen,
  onToggle,
}: FoldLineProps) {
  const palette = usePalette();
  return (
    <Pressable role="button" aria-expanded={isOpen} aria-label={label} onPress={onToggle} style={styles.line}>
      {before}
      <View style={styles.names}>
        <Text look="strong">{title}</Text>
        <Text look="small" tone={isDoubtful ? 'straw' : 'soft'}>
          {detail}
        </Text>
      </View>
      <Icon name={isOpen ? 'chevron-up' : 'chevron-down'} size={22} color={palette.soft} />
    </Pressable>
  );
}

const styles = StyleSheet.create({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    minHeight: 56,
    paddingVertical: space.xs,
  },
  names: { flex: 1, minWidth: 0 },
});
