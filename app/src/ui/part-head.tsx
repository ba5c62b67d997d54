import { StyleSheet, View } from 'react-native';
import { Button } from './button';
import { Text } from './text';

interface PartHeadProps {
  /** What the part is called. */
  readonly name: string;
  /** Called once it is taken out. */
  readonly onRemove: () => void;
}

/** Name of one of several parts, and the way to take it out. */
export function PartHead({ name, onRemove }: PartHeadProps) {
  return (
    <View style={styles.head}>
      <Text style={styles.name}>{name}</Text>
      <Button kind="quiet" iconOnly icon="trash-can-outline" label={`Take out ${name}`} onPress={onRemove} />
    </View>
  );
}

const styles = StyleSheet.create({
  head: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center' },
  name: { flexShrink: 1 },
});
