import { StyleSheet, View } from 'react-native';
import { takeNewVersion, useNewVersion } from '../../data/new-version';
import { Button } from '../../ui/button';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { space } from '../../ui/tokens';

/** Offers a newer version of the app; the one in use goes on until the person takes it. */
export function NewVersionBar() {
  const palette = usePalette();
  if (!useNewVersion()) return null;
  return (
    <View
      role="status"
      style={[styles.bar, { backgroundColor: palette.lakeTint, borderBottomColor: palette.line }]}
    >
      <Text style={styles.words}>A newer version of Calvet is here. What you entered is kept.</Text>
      <Button label="Take it up" onPress={takeNewVersion} />
    </View>
  );
}

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    paddingHorizontal: space.l,
    paddingVertical: space.s,
    borderBottomWidth: 1,
  },
  words: { flex: 1 },
});
