import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { space } from '../../ui/tokens';

interface SideColumnProps {
  readonly title: string;
  readonly width: number;
  /** Leads back; before the title. */
  readonly back?: ReactNode;
  /** Behind the title. */
  readonly action?: ReactNode;
  readonly children: ReactNode;
}

/** What stands beside the page on the desk, to go from one to the next. */
export function SideColumn({ title, width, back, action, children }: SideColumnProps) {
  const palette = usePalette();
  return (
    <View
      role="navigation"
      aria-label={title}
      style={[styles.column, { width, borderRightColor: palette.line, backgroundColor: palette.paper }]}
    >
      <View style={[styles.head, back !== undefined && styles.headBack]}>
        {back}
        <Text look="section" style={styles.title}>
          {title}
        </Text>
        {action}
      </View>
      <ScrollView>{children}</ScrollView>
    </View>
  );
}

const styles = StyleSheet.create({
  column: { borderRightWidth: 1 },
  head: { flexDirection: 'row', alignItems: 'center', minHeight: 56, paddingLeft: space.m },
  headBack: { paddingLeft: space.xs },
  title: { flex: 1 },
});
