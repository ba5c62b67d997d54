import { orphansOf } from '@calvet/contract/walk/orphans';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import type { Penetration } from '@calvet/contract/walk/penetration';
import type { Standing } from '@calvet/contract/walk/standing-verdicts';
import { VERDICT_WORDS } from '@calvet/contract/walk/verdict';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { LineMark } from '../../ui/line-mark';
import { LongList } from '../../ui/long-list';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { holeName } from '../walk/hole-words';
import { movedTo } from '../walk/moved-hole';
import { stopName } from '../walk/place-bar';
import { MARK_OF } from './look-mark';

interface OrphansCardProps {
  readonly view: HouseView;
  readonly walk: Walk;
  readonly standing: ReadonlyMap<string, Standing>;
  readonly titleOf: (id: string) => string;
}

/** What was recorded and has no place any more: named as it was; a hole can be told where it is now. */
export function OrphansCard({ view, walk, standing, titleOf }: OrphansCardProps) {
  const { updateRecord } = useStore();
  const [moved, setMoved] = useState<Penetration | null>(null);
  const { penetrations, mends } = view;
  const { verdicts, penetrations: holes, leaks } = orphansOf(walk, { standing, penetrations, mends });
  if (verdicts.length + holes.length + leaks.length === 0) return null;
  return (
    <Card title="Recorded, and no longer in the walk">
      <Text tone="soft">
        Its place is gone from the drawing, or is not asked any more. All of it stays in the record.
      </Text>
      {holes.map((hole) => (
        <View key={hole.id} style={styles.line}>
          <Text style={styles.grow}>
            {holeName(hole)}: {hole.placeName}
          </Text>
          <Button label={`Say where it is now: ${holeName(hole)}`} onPress={() => setMoved(hole)} />
        </View>
      ))}
      {leaks.map(({ id, what, placeName }) => (
        <Text key={id}>
          {what ?? 'Leak'}: {placeName}
        </Text>
      ))}
      <LongList items={verdicts} what="verdicts">
        {({ counts }) => (
          <View key={counts.id} style={styles.line}>
            <LineMark mark={MARK_OF[counts.value]} width={28} />
            <Text style={styles.grow}>
              {VERDICT_WORDS[counts.value]}: {titleOf(counts.checkpoint)}, {counts.placeName}
            </Text>
          </View>
        )}
      </LongList>
      {moved !== null && (
        <Sheet title="Where is it now?" onClose={() => setMoved(null)}>
          {walk.stops.map((stop) => (
            <Button
              key={stop.key}
              label={stopName(stop)}
              onPress={() => {
                updateRecord('penetration', moved, movedTo(stop, walk, moved));
                setMoved(null);
              }}
            />
          ))}
        </Sheet>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s, minHeight: 44 },
  grow: { flexGrow: 1, flexShrink: 1, flexBasis: 200, minWidth: 0 },
});
