import { Slot, useGlobalSearchParams, useRouter } from 'expo-router';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button } from '../../ui/button';
import { Text } from '../../ui/text';
import { useIsWide, usePalette } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { nameOfSlug } from './catalogue';
import { Shelves } from './shelves';

/** The bench: on the desk its shelves stand beside the form. */
export function BenchFrame() {
  const router = useRouter();
  const palette = usePalette();
  const isWide = useIsWide();
  const { operation } = useGlobalSearchParams<{ operation?: string }>();
  if (!isWide) return <Slot />;
  return (
    <View style={styles.desk}>
      <View
        role="navigation"
        aria-label="Bench"
        style={[styles.column, { borderRightColor: palette.line, backgroundColor: palette.paper }]}
      >
        <View style={styles.head}>
          <Button
            kind="quiet"
            iconOnly
            icon="arrow-left"
            label="Back to the houses"
            onPress={() => router.navigate('/')}
          />
          <Text look="section">Bench</Text>
        </View>
        <ScrollView contentContainerStyle={styles.list}>
          <Shelves isCompact chosen={operation === undefined ? null : nameOfSlug(operation)} />
        </ScrollView>
      </View>
      <View style={styles.page}>
        <Slot />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  desk: { flex: 1, flexDirection: 'row', minHeight: 0 },
  column: { width: 292, borderRightWidth: 1 },
  head: { flexDirection: 'row', alignItems: 'center', minHeight: 56, paddingLeft: space.xs },
  list: { padding: space.m, paddingTop: space.xs },
  page: { flex: 1, minWidth: 0, minHeight: 0 },
});
