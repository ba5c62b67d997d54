import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Dialog, Portal } from 'react-native-paper';
import { useHeldNames, useIsKeptOnDevice, useOutbox } from '../../data/hooks';
import { outbox } from '../../data/store';
import { spaceOnDevice, type SpaceOnDevice } from '../../data/space';
import { Button } from '../../ui/button';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { CORNER, space } from '../../ui/tokens';
import { deedOf, subjectOf } from './field-words';

const MOST_LINES = 60;

function useSpace(): SpaceOnDevice | null {
  const [found, setFound] = useState<SpaceOnDevice | null>(null);
  useEffect(() => {
    let isHere = true;
    void spaceOnDevice().then((next) => {
      if (isHere) setFound(next);
    });
    return () => {
      isHere = false;
    };
  }, []);
  return found;
}

/** What waits to be sent, entry by entry, and where it is kept meanwhile. */
export function WaitingSheet({ onClose }: { readonly onClose: () => void }) {
  const palette = usePalette();
  const { pending, phase } = useOutbox();
  const names = useHeldNames();
  const isKept = useIsKeptOnDevice();
  const onDevice = useSpace();
  const lines = pending.slice(0, MOST_LINES);
  return (
    <Portal>
      <Dialog visible onDismiss={onClose} style={[styles.sheet, { backgroundColor: palette.card }]}>
        <ScrollView contentContainerStyle={styles.content}>
          <Text look="section" level={2}>
            {pending.length} {pending.length === 1 ? 'entry waits' : 'entries wait'} to be sent
          </Text>
          <Text>
            {phase === 'unreachable' ? 'The server cannot be reached. ' : ''}
            {isKept
              ? 'What you entered is kept on this device and is sent by itself when the server answers.'
              : 'This browser keeps nothing: leave this page open until everything is sent.'}
          </Text>
          {lines.map(({ houseId, change }) => (
            <View key={change.changeId}>
              <Text look="strong">{subjectOf(change, names.get(change.id))}</Text>
              <Text look="small" tone="soft">
                {names.get(houseId) !== undefined && change.kind !== 'house'
                  ? `${names.get(houseId)} · `
                  : ''}
                {deedOf(change)}
              </Text>
            </View>
          ))}
          {pending.length > lines.length && <Text tone="soft">and {pending.length - lines.length} more</Text>}
          {onDevice?.usedMb != null && (
            <Text look="small" tone="soft">
              Calvet uses {onDevice.usedMb.toFixed(1)} MB on this device
              {onDevice.isPersistent ? ', which the browser will not clear by itself.' : '.'}
            </Text>
          )}
          <View style={styles.buttons}>
            <Button label="Try now" kind="main" onPress={() => outbox.retryNow()} />
            <Button label="Close" onPress={onClose} />
          </View>
        </ScrollView>
      </Dialog>
    </Portal>
  );
}

const styles = StyleSheet.create({
  sheet: { borderRadius: CORNER, maxWidth: 560, width: '92%', alignSelf: 'center', maxHeight: '86%' },
  content: { padding: space.l, gap: space.m },
  buttons: { flexDirection: 'row', gap: space.s },
});
