import { useEffect, useState } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import { useHasRoom, useOutbox } from '../../data/hooks';
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
export function markOf(entries: OutboxState, pictures: UploadsState, hasRoom: boolean): MarkState {
  const count = entries.pending.length + pictures.waiting.length;
  const needsYou =
    entries.troubled.length + pictures.refused.length > 0 || pictures.phase === 'full' || !hasRoom;
  const isUnreachable =
    count > 0 && (entries.phase === 'unreachable' || pictures.phase === 'unreachable') && hasRoom;
  const isSending = entries.phase === 'sending' || pictures.phase === 'sending';
  const text = (): string | null => {
    if (isUnreachable) return `${count} unsent`;
    if (needsYou) return 'needs you';
    if (count === 0) return null;
    return isSending ? 'sending' : `${count} to send`;
  };
  return { count, text: text(), isUnreachable, isWaiting: isUnreachable || needsYou };
}

/** Quiet word on what has not reached the server yet; pressed, it tries again and lists what waits. */
export function SyncMark() {
  const { tryNow } = useStore();
  const outboxState = useOutbox();
  const uploadsState = useUploads();
  const hasRoom = useHasRoom();
  const [asked, setAsked] = useState(false);
  const [isOpen, setOpen] = useState(false);
  const state = markOf(outboxState, uploadsState, hasRoom);
  const isSent = useJustSent(state.count);
  if (state.text === null) {
    return isSent ? (
      <Text look="small" tone="soft" role="status" style={styles.sent}>
        sent
      </Text>
    ) : null;
  }
  return (
    <>
      <Pressable
        role="button"
        aria-label={
          state.isUnreachable
            ? `${state.text}: the server cannot be reached. Try again, and see what waits`
            : state.text
        }
        onPress={() => {
          setAsked(true);
          setOpen(true);
          tryNow();
        }}
        style={styles.mark}
      >
        <Text look="small" tone={state.isWaiting ? 'straw' : 'soft'}>
          {state.text}
          {state.isUnreachable && (asked ? ' · trying' : ' · retry')}
        </Text>
      </Pressable>
      {isOpen && <WaitingSheet onClose={() => setOpen(false)} />}
    </>
  );
}

const styles = StyleSheet.create({
  sent: { paddingHorizontal: space.s },
  mark: { minHeight: TOUCH, justifyContent: 'center', paddingHorizontal: space.xs },
});
