import { VERDICT_WORDS, type VerdictValue } from '@calvet/contract/walk/verdict';
import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import useLatestCallback from 'use-latest-callback';
import { LineMark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { useIsWide, usePalette } from '../../ui/theme';
import { CORNER, space } from '../../ui/tokens';
import { AS_WIDE_AS_ITS_WORDS, STAYS_WHOLE } from '../../ui/web-styles';
import { MARK_OF } from '../stops/look-mark';

/** The keys of a keyboard for the verdicts, in the order in which they stand. */
export const KEY_OF: Readonly<Record<VerdictValue, string>> = {
  good: '1',
  mend: '2',
  notSeen: '3',
  notHere: '4',
};

const VALUES = Object.keys(VERDICT_WORDS) as readonly VerdictValue[];

interface VerdictKeysProps {
  /** What counts now; null: nothing was said yet. */
  readonly value: VerdictValue | null;
  readonly onGive: (value: VerdictValue) => void;
}

/** What was found, said in one tap: four keys in the thumb's reach, each with its mark and its word. */
export function VerdictKeys({ value, onGive }: VerdictKeysProps) {
  return <Drawn value={value} onGive={useLatestCallback(onGive)} />;
}

const Drawn = memo(function Drawn({ value, onGive }: VerdictKeysProps) {
  const palette = usePalette();
  const isWide = useIsWide();
  return (
    <View role="group" aria-label="What you found" style={styles.keys}>
      {VALUES.map((each) => {
        const isChosen = each === value;
        return (
          <Pressable
            key={each}
            role="button"
            aria-label={VERDICT_WORDS[each]}
            aria-pressed={isChosen}
            aria-keyshortcuts={KEY_OF[each]}
            onPress={() => onGive(each)}
            style={({ pressed }) => [
              styles.key,
              {
                backgroundColor: pressed ? palette.lakeTint : palette.card,
                borderColor: isChosen ? palette.ink : palette.line,
                borderWidth: isChosen ? 2 : 1,
              },
            ]}
          >
            <LineMark mark={MARK_OF[each]} width={36} tone={each === 'notHere' ? 'soft' : undefined} />
            <View style={styles.words}>
              <Text look="strong" style={styles.word}>
                {VERDICT_WORDS[each]}
              </Text>
              {isWide && (
                <Text look="figure" tone="soft" aria-hidden>
                  {KEY_OF[each]}
                </Text>
              )}
            </View>
          </Pressable>
        );
      })}
    </View>
  );
});

const styles = StyleSheet.create({
  keys: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, width: '100%' },
  key: {
    flexGrow: 1,
    flexShrink: 1,
    flexBasis: 0,
    ...AS_WIDE_AS_ITS_WORDS,
    minHeight: 68,
    paddingHorizontal: space.xs,
    borderRadius: CORNER,
    alignItems: 'center',
    justifyContent: 'center',
    gap: space.s,
  },
  words: { flexDirection: 'row', gap: space.s },
  word: { textAlign: 'center', ...STAYS_WHOLE },
});
