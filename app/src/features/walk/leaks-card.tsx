import { MEND_WORDS, type Mend } from '@calvet/contract/walk/mend';
import { Pressable, StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { Card } from '../../ui/card';
import { figureWithUnit } from '../../ui/format';
import { LineMark, type Mark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import type { Leaks } from './use-leaks';

/** The mark of how far a mend has come. */
export const MARK_OF_MEND: Readonly<Record<Mend['state'], Mark>> = {
  open: 'broken',
  mended: 'solid',
  notYet: 'broken',
  accepted: 'half',
};

/** Leaks of one place that were found without a checkpoint. */
export function LeaksCard({ leaks }: { readonly leaks: Leaks }) {
  const { units } = usePreferences();
  if (leaks.here.length === 0) return null;
  return (
    <Card title={`Leaks · ${leaks.here.length}`}>
      {leaks.here.map(({ id, what, gapMm, isUnderFan, state }) => {
        const name = what ?? 'Leak';
        return (
          <Pressable
            key={id}
            role="button"
            aria-label={`${name}, ${MEND_WORDS[state]}`}
            onPress={() => leaks.choose(id)}
            style={styles.line}
          >
            <LineMark mark={MARK_OF_MEND[state]} width={28} />
            <View style={styles.names}>
              <Text>{name}</Text>
              <Text look="small" tone="soft">
                {[
                  ...(gapMm === null ? [] : [figureWithUnit(gapMm, 'gap', units)]),
                  ...(isUnderFan ? ['under the fan'] : []),
                ].join(' · ')}
              </Text>
            </View>
            <Text look="strong" tone={state === 'open' ? 'ember' : undefined}>
              {MEND_WORDS[state]}
            </Text>
          </Pressable>
        );
      })}
    </Card>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: space.m, minHeight: 56 },
  names: { flex: 1, minWidth: 0 },
});
