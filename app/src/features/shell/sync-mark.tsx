import { useRouter, type Href } from 'expo-router';
import { useEffect, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { outbox } from '../../data/store';
import { useHasRoom, useOutbox } from '../../data/hooks';
import { useUploads } from '../../data/picture-hooks';
import { uploads } from '../../data/pictures';
import type { UploadsState } from '../../data/upload-queue';
import { usePreferences } from '../../data/preferences';
import type { OutboxState, Troubled } from '../../data/outbox';
import { Button } from '../../ui/button';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { space, TOUCH } from '../../ui/tokens';
import { disputesIn } from './disputes';
import { fieldWords, subjectOf } from './field-words';
import { WaitingSheet } from './waiting-sheet';

const nameOf = ({ change }: Troubled): string => subjectOf(change);

/** The screen on which a record is entered. */
function hrefOfRecord({ houseId, change: { kind, id } }: Troubled): Href {
  switch (kind) {
    case 'house':
      return { pathname: '/houses/[houseId]/edit', params: { houseId } };
    case 'area':
      return { pathname: '/houses/[houseId]/areas/[areaId]', params: { houseId, areaId: id } };
    case 'airtightnessTest':
      return { pathname: '/houses/[houseId]/tests/[testId]', params: { houseId, testId: id } };
    case 'photo':
      return { pathname: '/houses/[houseId]/record/[photoId]', params: { houseId, photoId: id } };
  }
}

/** The field that a refusal is about, as it is called on the screen. */
function refusedFieldWords(path: string): string {
  const [, field] = /body\.([A-Za-z0-9]+)/.exec(path) ?? [];
  return field === undefined ? '' : `${fieldWords(field).label}: `;
}

function Trouble({ troubled }: { readonly troubled: Troubled }) {
  const { trouble, change } = troubled;
  const { units } = usePreferences();
  const router = useRouter();
  return (
    <View style={styles.trouble}>
      {trouble.kind === 'conflict' ? (
        <>
          <Text look="strong">{nameOf(troubled)} was changed on another device meanwhile.</Text>
          {disputesIn(troubled, units).map(({ label, mine, theirs, by, at }) => (
            <Text key={label}>
              {label}: yours {mine}, theirs {theirs} ({by}, {at}).
            </Text>
          ))}
          <View style={styles.row}>
            <Button label="Keep mine" onPress={() => outbox.keepMine(change.changeId)} />
            <Button label="Take theirs" onPress={() => outbox.takeTheirs(change.changeId)} />
          </View>
        </>
      ) : (
        <>
          <Text look="strong">{nameOf(troubled)} could not be stored.</Text>
          <Text>
            {refusedFieldWords(trouble.field)}
            {trouble.message} Mend it where it stands, and it is sent again.
          </Text>
          <View style={styles.row}>
            <Button label="Open it" onPress={() => router.navigate(hrefOfRecord(troubled))} />
            <Button label="Send again" onPress={() => outbox.sendOnceMore(change.changeId)} />
            <Button label="Let go of it" onPress={() => outbox.discard(change.changeId)} />
          </View>
        </>
      )}
    </View>
  );
}

/** What the server did not take, until a person decides. */
export function TroubleBanner() {
  const palette = usePalette();
  const { troubled } = useOutbox();
  if (troubled.length === 0) return null;
  return (
    <View
      role="alert"
      style={[styles.banner, { backgroundColor: palette.strawTint, borderBottomColor: palette.straw }]}
    >
      {troubled.map((item) => (
        <Trouble key={item.change.changeId} troubled={item} />
      ))}
    </View>
  );
}

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
          outbox.retryNow();
          uploads.retryNow();
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
  banner: { padding: space.l, gap: space.l, borderBottomWidth: 1 },
  trouble: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  sent: { paddingHorizontal: space.s },
  mark: { minHeight: TOUCH, justifyContent: 'center', paddingHorizontal: space.xs },
});
