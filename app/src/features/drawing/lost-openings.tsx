import type { Opening } from '@calvet/contract/plan/opening';
import { useDeferredValue, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { Card, Rule } from '../../ui/card';
import { FoldLine } from '../../ui/fold-line';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useNote } from '../../ui/undo';
import { partsOf } from '../built/parts-of-house';
import { openingName, openingSize } from './opening-words';

/** So many are listed; all of them can be dealt with at once. */
const LISTED = 20;

interface LostOpeningsProps {
  readonly view: HouseView;
  /** The wall that is chosen: they can be put into it. */
  readonly wall: { readonly id: string; readonly name: string };
}

/** Openings of walls and roofs that are gone from the drawing: put into another wall, or deleted. */
export function LostOpenings({ view, wall }: LostOpeningsProps) {
  // Nothing that is typed of a wall loses one: it is looked for once that is shown.
  const settled = useDeferredValue(view);
  const lost = useMemo(() => {
    const parts = new Set(partsOf(settled).map(({ id }) => id));
    return settled.openings.filter(({ on }) => !parts.has(on));
  }, [settled]);
  return lost.length === 0 ? null : <LostCard lost={lost} wall={wall} />;
}

interface LostCardProps extends Pick<LostOpeningsProps, 'wall'> {
  readonly lost: readonly Opening[];
}

function LostCard({ lost, wall }: LostCardProps) {
  const { units } = usePreferences();
  const { updateRecord, deleteRecord, restoreRecord } = useStore();
  const note = useNote();
  const [isOpen, setIsOpen] = useState(false);
  const counted = (some: readonly Opening[]): string =>
    some.length === 1 ? openingName(some[0] as Opening) : `${some.length} openings`;
  const put = (some: readonly Opening[]): void => {
    // Where it stood along the former wall says nothing about this one.
    const there = { on: wall.id, alongM: null };
    for (const opening of some) updateRecord('opening', opening, there);
    note({
      text: `${counted(some)} now in ${wall.name}.`,
      undo: () =>
        some.forEach(({ on, alongM, ...rest }) =>
          updateRecord('opening', { ...rest, ...there }, { on, alongM }),
        ),
    });
  };
  const remove = (some: readonly Opening[]): void => {
    for (const { ledgerId, id } of some) deleteRecord(ledgerId, 'opening', id);
    note({
      text: `${counted(some)} deleted.`,
      undo: () => some.forEach(({ ledgerId, id }) => restoreRecord(ledgerId, 'opening', id)),
    });
  };
  const deeds = (some: readonly Opening[], which: string) => (
    <View style={styles.deeds}>
      <Button label={`Put ${which} into ${wall.name}`} onPress={() => put(some)} />
      <Button kind="quiet" icon="trash-can-outline" label={`Delete ${which}`} onPress={() => remove(some)} />
    </View>
  );
  const title =
    lost.length === 1 ? '1 opening of a part that is gone' : `${lost.length} openings of parts that are gone`;
  const detail = 'in no figure: say where it is now, or delete it';
  return (
    <Card>
      <FoldLine
        label={`${title}, ${detail}`}
        title={title}
        detail={detail}
        isDoubtful
        isOpen={isOpen}
        onToggle={() => setIsOpen(!isOpen)}
      />
      {isOpen && (
        <>
          {lost.slice(0, LISTED).map((opening) => (
            <View key={opening.id} style={styles.opening}>
              <Text look="strong">{openingName(opening)}</Text>
              <Text look="figure">{openingSize(opening, units)}</Text>
              {deeds([opening], 'it')}
              <Rule />
            </View>
          ))}
          {lost.length > 1 && deeds(lost, `all ${lost.length}`)}
        </>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  opening: { gap: space.xs },
  deeds: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
