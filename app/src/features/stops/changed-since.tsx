import { changedThings, type LookedAt, type WalkChange } from '@calvet/contract/walk/changed-walk';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { FoldLine } from '../../ui/fold-line';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

/** So many places of one thing are named; of more, how many others there are. */
const NAMED = 3;

function placesInWords(places: readonly string[]): string {
  const others = places.length - NAMED;
  return [...places.slice(0, NAMED), ...(others > 0 ? [`${others} more`] : [])].join(' · ');
}

function Things({
  title,
  all,
  titleOf,
}: {
  readonly title: string;
  readonly all: readonly LookedAt[];
  readonly titleOf: (id: string) => string;
}) {
  if (all.length === 0) return null;
  return (
    <View style={styles.things}>
      <Text look="small" tone="soft">
        {title}
      </Text>
      {changedThings(all).map(({ checkpoint, title: own, places }) =>
        checkpoint === null ? (
          <Text key={places[0]}>{places[0]}</Text>
        ) : (
          <View key={checkpoint}>
            <Text>{own ?? titleOf(checkpoint)}</Text>
            <Text look="small" tone="soft">
              {placesInWords(places)}
            </Text>
          </View>
        ),
      )}
    </View>
  );
}

interface ChangedSinceProps {
  readonly change: WalkChange;
  /** Of a checkpoint of the catalogue. */
  readonly titleOf: (id: string) => string;
  readonly onNoted: () => void;
}

/** What came and what went since somebody looked: how many, and on a press what, and where. */
export function ChangedSince({ change: { came, went }, titleOf, onNoted }: ChangedSinceProps) {
  const [isOpen, setIsOpen] = useState(false);
  const counts = `${came.length} came, ${went.length} went`;
  return (
    <Card>
      <FoldLine
        label={`Since you looked: ${counts}`}
        title="Since you looked"
        detail={counts}
        isOpen={isOpen}
        onToggle={() => setIsOpen(!isOpen)}
      />
      {isOpen && (
        <>
          <Things title="Came" all={came} titleOf={titleOf} />
          <Things title="Went" all={went} titleOf={titleOf} />
        </>
      )}
      <View style={styles.noted}>
        <Button kind="quiet" label="Noted" onPress={onNoted} />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  things: { gap: space.s },
  noted: { flexDirection: 'row' },
});
