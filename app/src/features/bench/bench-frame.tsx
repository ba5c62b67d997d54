import { Slot, useGlobalSearchParams, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/button';
import { useIsWide } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { SideColumn } from '../shell/side-column';
import { nameOfSlug } from './catalogue';
import { Shelves } from './shelves';

/** The bench: on the desk its shelves stand beside the form. */
export function BenchFrame() {
  const router = useRouter();
  const isWide = useIsWide();
  const { operation } = useGlobalSearchParams<{ operation?: string }>();
  if (!isWide) return <Slot />;
  return (
    <View style={styles.desk}>
      <SideColumn
        title="Bench"
        width={292}
        back={
          <Button
            kind="quiet"
            iconOnly
            icon="arrow-left"
            label="Back to the houses"
            onPress={() => router.navigate('/')}
          />
        }
      >
        <View style={styles.list}>
          <Shelves isCompact chosen={operation === undefined ? null : nameOfSlug(operation)} />
        </View>
      </SideColumn>
      <View style={styles.page}>
        <Slot />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  desk: { flex: 1, flexDirection: 'row', minHeight: 0 },
  list: { padding: space.m, paddingTop: space.xs },
  page: { flex: 1, minWidth: 0, minHeight: 0 },
});
