import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/button';

/** The way to what was deleted of late. */
export function DeletedLink() {
  const router = useRouter();
  return (
    <View style={styles.line}>
      <Button kind="quiet" label="Deleted of late" onPress={() => router.navigate('/deleted')} />
    </View>
  );
}

const styles = StyleSheet.create({ line: { alignItems: 'flex-start' } });
