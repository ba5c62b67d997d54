import { useEffect, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { outbox } from '../../data/store';
import { useOutbox } from '../../data/hooks';
import { usePreferences } from '../../data/preferences';
import type { Troubled } from '../../data/outbox';
import { Button } from '../../ui/button';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { space, TOUCH } from '../../ui/tokens';
import { disputesIn } from './disputes';
import { subjectOf } from './field-words';
import { WaitingSheet } from './waiting-sheet';

const nameOf = ({ change }: Troubled): string => subjectOf(change);

function Trouble({ troubled }: { readonly troubled: Troubled }) {
  const { trouble, change } = troubled;
  const { units } = usePreferences();
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
            {trouble.message} {trouble.field !== '' && `(${trouble.field})`}
          </Text>
          <View style={styles.row}>
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

/** Quiet word on what has not reached the server yet; pressed, it tries again and lists what waits. */
export function SyncMark() {
  const { pending, phase } = useOutbox();
  const [asked, setAsked] = useState(false);
  const [isOpen, setOpen] = useState(false);
  const isSent = useJustSent(pending.length);
  if (pending.length === 0) {
    return isSent ? (
      <Text look="small" tone="soft" role="status" style={styles.sent}>
        sent
      </Text>
    ) : null;
  }
  const text =
    phase === 'unreachable'
      ? `${pending.length} unsent`
      : phase === 'sending'
        ? 'sending'
        : `${pending.length} to send`;
  return (
    <>
      <Pressable
        role="button"
        aria-label={
          phase === 'unreachable'
            ? `${text}: the server cannot be reached. Try again, and see what waits`
            : text
        }
        onPress={() => {
          setAsked(true);
          setOpen(true);
          outbox.retryNow();
        }}
        style={styles.mark}
      >
        <Text look="small" tone={phase === 'unreachable' ? 'straw' : 'soft'}>
          {text}
          {phase === 'unreachable' && (asked ? ' · trying' : ' · retry')}
        </Text>
      </Pressable>
      {isOpen && <WaitingSheet onClose={() => setOpen(false)} />}
    </>
  );
}

const styles = StyleSheet.create({
  banner: { padding: space.l, gap: space.l, borderBottomWidth: 1 },
  trouble: { gap: space.s },
  row: { flexDirection: 'row', gap: space.s },
  sent: { paddingHorizontal: space.s },
  mark: { minHeight: TOUCH, justifyContent: 'center', paddingHorizontal: space.xs },
});
