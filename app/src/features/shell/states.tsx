import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/button';
import { LineMark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

/**
 * While data or a piece of the app is on its way. It stands still: what moves on every frame takes the time in which
 * React would put the awaited piece in its place.
 */
export function Loading({ what }: { readonly what: string }) {
  return (
    <View style={styles.state} role="status">
      <LineMark mark="dotted" />
      <Text tone="soft">{what}</Text>
    </View>
  );
}

interface FailedProps {
  readonly error: Error;
  readonly onRetry: () => void;
}

/** When data could not be had. */
export function Failed({ error, onRetry }: FailedProps) {
  return (
    <View style={styles.state} role="alert">
      <Text look="answer">This could not be loaded</Text>
      <Text>{error.message} What you entered on this device is kept.</Text>
      <Button label="Try again" kind="main" onPress={onRetry} />
    </View>
  );
}

interface EmptyProps {
  readonly title: string;
  readonly text: string;
  readonly action?: string;
  readonly onAction?: () => void;
}

/** What goes where nothing is yet. */
export function Empty({ title, text, action, onAction }: EmptyProps) {
  return (
    <View style={styles.state}>
      <Text look="answer" level={2}>
        {title}
      </Text>
      <Text tone="soft">{text}</Text>
      {action !== undefined && onAction !== undefined && (
        <Button label={action} kind="main" onPress={onAction} />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  state: { padding: space.l, gap: space.m, alignItems: 'flex-start' },
});
