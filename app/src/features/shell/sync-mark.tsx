import { useEffect, useState } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import { useHasRoom, useIsOffline, useOutbox } from '../../data/hooks';
import { useUploads } from '../../data/picture-hooks';
import type { UploadsState } from '../../data/upload-queue';
import type { OutboxState } from '../../data/outbox';
import { useStore } from '../../data/store-context';
import { Text } from '../../ui/text';
import { space, TOUCH } from '../../ui/tokens';
import { WaitingSheet } from './waiting-sheet';

const SENT_SHOWN_MS = 2500;

/** True for a moment after the last entry that waited was taken. */
function useJustSent(count: number): boolean {
  const [last, setLast] = useState(count);
  const [isSent, setSent] = useState(false);
  if (count !== last) {
    setLast(count);
    setSent(count === 0);
  }
  useEffect(() => {
    if (!isSent) return;
    const timer = setTimeout(() => setSent(false), SENT_SHOWN_MS);
    return () => clearTimeout(timer);
  }, [isSent]);
  return isSent;
}

interface MarkState {
  /** How many entries and pictures wait. */
  readonly count: number;
  /** Null where there is nothing to say. */
  readonly text: string | null;
  readonly isUnreachable: boolean;
  /** True where it does not go on by itself at once. */
  readonly isWaiting: boolean;
}

/** What the mark says: how much waits, and whether it needs a person. */
export function markOf(
  entries: OutboxState,
  pictures: UploadsState,
  hasRoom: boolean,
  isOffline: boolean,
): MarkState {
  const count = entries.pending.length + pictures.waiting.length;
  const needsYou =
    entries.troubled.length + pictures.refused.length > 0 || pictures.phase === 'full' || !hasRoom;
  const isUnreachable =
    (isOffline || entries.phase === 'unreachable' || pictures.phase === 'unreachable') && hasRoom;
  const isSending = entries.phase === 'sending' || pictures.phase === 'sending';
  const text = (): string | null => {
    if (isUnreachable) return count === 0 ? 'offline' : `${count} unsent`;
    if (needsYou) return 'needs you';
    if (count === 0) return null;
    return isSending ? 'sending' : `${count} to send`;
  };
  return { count, text: text(), isUnreachable, isWaiting: isUnreachable || needsYou };
}

function useMark(): MarkState {
  return markOf(useOutbox(), useUploads(), useHasRoom(), useIsOffline());
}

const CANNOT_BE_REACHED = ': the server cannot be reached. Try again, and see what waits';

/** Quiet word on what has not reached the server yet; pressed, it tries again and lists what waits. */
export function SyncMark() {
  const { tryNow } = useStore();
  const [asked, setAsked] = useState(false);
  const [isOpen, setOpen] = useState(false);
  const { count, text, isUnreachable, isWaiting } = useMark();
  const isSent = useJustSent(count);
  return (
    <>
      {text === null && isSent && (
        <Text look="small" tone="soft" style={styles.sent}>
          sent
        </Text>
      )}
      {text !== null && (
        <Pressable
          role="button"
          aria-label={isUnreachable ? `${text}${CANNOT_BE_REACHED}` : text}
          onPress={() => {
            setAsked(true);
            setOpen(true);
            tryNow();
          }}
          style={styles.mark}
        >
          <Text look="small" tone={isWaiting ? 'straw' : 'soft'}>
            {text}
            {isUnreachable && count > 0 && (asked ? ' · trying' : ' · retry')}
          </Text>
        </Pressable>
      )}
      {isOpen && <WaitingSheet isUnreachable={isUnreachable} onClose={() => setOpen(false)} />}
    </>
  );
}

/** What who listens to the page is told: once for each turn that things take, not for every entry. */
function announcementOf({ count, text, isUnreachable }: MarkState): string {
  if (text === 'needs you') return 'Something could not be sent and needs you.';
  if (isUnreachable && count === 0) return 'Offline: what you enter is kept on this device.';
  if (isUnreachable) return 'Offline: what you entered is kept on this device, not sent yet.';
  return '';
}

/** Says aloud that the server is away, that something is unsent or needs a person, and that all of it was sent. */
export function SyncAnnouncer() {
  const mark = useMark();
  const isSent = useJustSent(mark.count);
  const words = announcementOf(mark);
  return (
    <Text role="status" style={styles.unseen}>
      {words === '' && isSent ? 'All is sent.' : words}
    </Text>
  );
}

const styles = StyleSheet.create({
  sent: { paddingHorizontal: space.s },
  mark: { minHeight: TOUCH, justifyContent: 'center', paddingHorizontal: space.xs },
  unseen: { position: 'absolute', width: 1, height: 1, overflow: 'hidden', opacity: 0 },
});
