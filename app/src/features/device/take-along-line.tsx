import { StyleSheet, View } from 'react-native';
import { useTakenHouses } from '../../data/picture-hooks';
import { useStore } from '../../data/store-context';
import type { TakenHouse } from '../../data/taking-along';
import { Button } from '../../ui/button';
import { LineMark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

function progressWords({ photos, here }: TakenHouse): string {
  if (photos === 0) return 'On this device, ready for a house without a signal.';
  if (here >= photos)
    return `On this device, with ${photos === 1 ? 'its photo' : `all ${photos} photos`} small.`;
  return `Fetching photos: ${here} of ${photos} here.`;
}

interface TakeAlongLineProps {
  readonly houseId: string;
  /** Said while it is not taken along. */
  readonly hint: string;
}

/** Whether a house is taken along to where there is no signal, and the way to do so. */
export function TakeAlongLine({ houseId, hint }: TakeAlongLineProps) {
  const { takeAlong, taking } = useStore();
  const taken = useTakenHouses().get(houseId);
  return (
    <View style={styles.line}>
      {taken !== undefined && <LineMark mark={taken.here >= taken.photos ? 'solid' : 'half'} width={28} />}
      <Text look="small" tone="soft" style={styles.words} role="status">
        {taken === undefined ? hint : progressWords(taken)}
      </Text>
      {taken === undefined ? (
        <Button label="Take with me" onPress={() => takeAlong(houseId)} />
      ) : (
        <Button label="Stop taking along" kind="quiet" onPress={() => taking.leave(houseId)} />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: space.s, flexWrap: 'wrap' },
  words: { flexGrow: 1, flexShrink: 1, flexBasis: 160 },
});
