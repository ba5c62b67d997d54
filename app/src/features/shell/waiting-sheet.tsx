import { isFirstKind } from '@calvet/contract/kinds';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useHasRoom, useHeldNames, useIsKeptOnDevice, useOutbox } from '../../data/hooks';
import { useSpaceOnDevice, useUploads } from '../../data/picture-hooks';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { deedOf, subjectOf } from './field-words';

const MOST_LINES = 60;

function waitingWords(entries: number, pictures: number): string {
  if (entries + pictures === 0) return 'Nothing waits to be sent';
  const counted = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;
  const parts = [
    ...(entries > 0 ? [counted(entries, 'entry', 'entries')] : []),
    ...(pictures > 0 ? [counted(pictures, 'picture', 'pictures')] : []),
  ];
  return `${parts.join(' and ')} ${entries + pictures === 1 ? 'waits' : 'wait'} to be sent`;
}

interface WaitingSheetProps {
  readonly isUnreachable: boolean;
  readonly onClose: () => void;
}

/** What waits to be sent, entry by entry, and where it is kept meanwhile. */
export function WaitingSheet({ isUnreachable, onClose }: WaitingSheetProps) {
  const { tryNow, letGoOfPicture } = useStore();
  const { pending } = useOutbox();
  const pictures = useUploads();
  const names = useHeldNames();
  const isKept = useIsKeptOnDevice();
  const onDevice = useSpaceOnDevice();
  const hasRoom = useHasRoom();
  const router = useRouter();
  const lines = pending.slice(0, MOST_LINES);
  return (
    <Sheet title={waitingWords(pending.length, pictures.waiting.length)} onClose={onClose}>
      <Text>
        {isUnreachable ? 'The server cannot be reached. ' : ''}
        {isKept
          ? 'What you entered is kept on this device and is sent by itself when the server answers.'
          : 'This browser keeps nothing: leave this page open until everything is sent.'}
      </Text>
      {!hasRoom && (
        <Text tone="ember" role="alert">
          This device has no more room. Leave this page open until everything is sent, or free room under
          “This device”.
        </Text>
      )}
      {pictures.phase === 'full' && (
        <Text tone="straw">
          The server has no room for more pictures: tell whoever looks after it. They stay on this device and
          are tried again.
        </Text>
      )}
      {pictures.refused.map(({ upload, message }) => (
        <View key={upload.sha256} style={styles.refused}>
          <Text tone="ember" style={styles.words}>
            A picture was not taken: {message}
          </Text>
          <Button label="Let go of it" onPress={() => letGoOfPicture(upload)} />
        </View>
      ))}
      {pictures.waiting.length > 0 && pictures.phase === 'sending' && (
        <Text tone="soft">The first picture is {Math.round(pictures.share * 100)} % sent.</Text>
      )}
      {lines.map(({ ledgerId, change, isTooNew }) => (
        <View key={change.changeId}>
          <Text look="strong">{subjectOf(change, names.get(change.id))}</Text>
          <Text look="small" tone="soft">
            {names.get(ledgerId) !== undefined && !isFirstKind(change.kind)
              ? `${names.get(ledgerId)} · `
              : ''}
            {deedOf(change)}
            {isTooNew === true && ' · waits until the server is brought up to date'}
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
        <Button label="Try now" kind="main" onPress={tryNow} />
        <Button
          label="This device"
          onPress={() => {
            onClose();
            router.navigate('/device');
          }}
        />
        <Button label="Close" onPress={onClose} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  refused: { flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: space.s },
  words: { flexGrow: 1, flexShrink: 1, flexBasis: 200 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
