import type { ErrorBoundaryProps } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/button';
import { Text } from '../../ui/text';
import { Theme } from '../../ui/theme';
import { space } from '../../ui/tokens';

/** When a page itself cannot be fetched or shown: what was entered is not lost by trying again. */
export function PageFailed({ error, retry }: ErrorBoundaryProps) {
  return (
    <Theme>
      <View role="alert" style={styles.page}>
        <Text look="answer" level={1}>
          This page could not be opened
        </Text>
        <Text>
          The connection may be gone. Try again when the server can be reached; entries that wait to be sent
          are kept on this device.
        </Text>
        <Text look="small" tone="soft">
          {error.message}
        </Text>
        <Button label="Try again" kind="main" onPress={() => void retry()} />
        {/* A page of its own, which needs nothing of what has failed here. */}
        <Button
          label="What is unsent on this device"
          onPress={() => window.location.assign('/rescue.html')}
        />
      </View>
    </Theme>
  );
}

const styles = StyleSheet.create({
  page: { flex: 1, padding: space.xl, gap: space.l, alignItems: 'flex-start' },
});
