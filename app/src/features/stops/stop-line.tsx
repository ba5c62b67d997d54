import type { Checkpoint } from '@calvet/contract/catalogue/catalogue';
import { PHASE_WORDS, type OwnCheckpoint, type Phase } from '@calvet/contract/plan/own-checkpoint';
import { COVER_WORDS } from '@calvet/contract/plan/work-words';
import type { CheckpointHere, StopHere } from '@calvet/contract/walk/generate-walk';
import { isLeft, type Look, type LookState } from '@calvet/contract/walk/looks';
import type { JunctionItem } from '@calvet/contract/walk/junction-items';
import { useEffect, useRef } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { Button } from '../../ui/button';
import { Rule } from '../../ui/card';
import { FoldLine } from '../../ui/fold-line';
import { figureWithUnit } from '../../ui/format';
import Icon from '../../ui/icon-font/icon-set';
import { LineMark, type Mark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { space, type Palette } from '../../ui/tokens';
import { LOOK_WORDS, MARK_OF_LOOK } from './look-mark';
import { counted } from './words';

interface StopLineProps {
  readonly stop: StopHere;
  /** In walking order, from 1. */
  readonly number: number;
  readonly isOpen: boolean;
  /** By their keys. */
  readonly junctions: ReadonlyMap<string, JunctionItem>;
  readonly checkpointOf: (id: string) => Checkpoint | undefined;
  readonly ownOf: (id: string) => OwnCheckpoint | undefined;
  /** By the key of a checkpoint at its item. */
  readonly looks: ReadonlyMap<string, Look>;
  readonly onToggle: () => void;
  readonly onCheckpoint: (here: CheckpointHere) => void;
  readonly onAdd: () => void;
}

const TONE_OF: Readonly<Partial<Record<LookState, keyof Palette>>> = {
  mend: 'ember',
  again: 'straw',
  covered: 'straw',
};

/** A checkpoint at its item, and how it stands with it. */
export function CheckpointLine({
  here,
  title,
  look,
  isCurrent = false,
  onPress,
}: {
  readonly here: CheckpointHere;
  readonly title: string;
  readonly look: Look | undefined;
  /** It is the one that is looked at now. */
  readonly isCurrent?: boolean;
  readonly onPress: () => void;
}) {
  const palette = usePalette();
  const state = look?.state ?? 'left';
  const words = LOOK_WORDS[state];
  return (
    <Pressable
      role="button"
      aria-label={[title, here.itemName, ...(words === null ? [] : [words])].join(', ')}
      aria-current={isCurrent ? 'step' : undefined}
      onPress={onPress}
      style={[styles.line, isCurrent && { backgroundColor: palette.lakeTint }]}
    >
      <View style={styles.mark}>
        <LineMark mark={MARK_OF_LOOK[state]} width={28} />
      </View>
      <View style={styles.names}>
        <Text>{title}</Text>
        <Text look="small" tone="soft">
          {here.itemName}
          {here.coverEvent === 'none' ? '' : ` · hidden by: ${COVER_WORDS[here.coverEvent].toLowerCase()}`}
        </Text>
      </View>
      {words !== null && (
        <Text look="strong" tone={TONE_OF[state]} style={styles.state}>
          {words}
        </Text>
      )}
      <Icon name="chevron-right" size={22} color={palette.soft} />
    </Pressable>
  );
}

export function JunctionLine({
  item: { name, lengthM, changes },
  mark = 'dotted',
}: {
  readonly item: JunctionItem;
  /** How it stands with it. */
  readonly mark?: Mark;
}) {
  const { units } = usePreferences();
  return (
    <View style={styles.junction}>
      <LineMark mark={mark} width={28} />
      <View style={styles.names}>
        <Text>{name}</Text>
        {changes !== null && (
          <Text look="small" tone="straw">
            the air barrier changes: {changes[0].toLowerCase()} to {changes[1].toLowerCase()}
          </Text>
        )}
      </View>
      {lengthM !== null && <Text look="figure">{figureWithUnit(lengthM, 'length', units)}</Text>}
    </View>
  );
}

/** A stop of the walk: closed its name and how much is seen from it, open all of that, by phase. */
export function StopLine(props: StopLineProps) {
  const { stop, number, isOpen, junctions, checkpointOf, ownOf, looks, onToggle, onCheckpoint, onAdd } =
    props;
  const line = useRef<View>(null);
  useEffect(() => {
    // On the web what is shown is an element of the page.
    if (isOpen) (line.current as unknown as HTMLElement | null)?.scrollIntoView({ block: 'nearest' });
  }, [isOpen]);
  const phases = [...new Set(stop.checkpoints.map(({ phase }) => phase))];
  const left = stop.checkpoints.filter(({ key }) => isLeft(looks.get(key))).length;
  const joined = stop.junctions.flatMap((key) => junctions.get(key) ?? []);
  const titleOf = (id: string): string => checkpointOf(id)?.title ?? ownOf(id)?.title ?? '…';
  return (
    <View ref={line}>
      <FoldLine
        label={`${number}, ${stop.name}${stop.room === null ? '' : `, ${stop.room}`}`}
        title={stop.room === null ? stop.name : `${stop.room} · ${stop.name}`}
        detail={
          stop.checkpoints.length + joined.length === 0
            ? 'with the rest of its wall'
            : [
                counted(stop.checkpoints.length, 'checkpoint'),
                ...(left < stop.checkpoints.length ? [`${left} left`] : []),
                ...(joined.length > 0 ? [counted(joined.length, 'junction')] : []),
              ].join(' · ')
        }
        before={
          <Text look="figureStrong" style={styles.number}>
            {number}
          </Text>
        }
        isOpen={isOpen}
        onToggle={onToggle}
      />
      {isOpen && (
        <View style={styles.open}>
          {phases.map((phase: Phase) => (
            <View key={phase}>
              <Text look="small" tone="soft">
                {PHASE_WORDS[phase]}
              </Text>
              {stop.checkpoints
                .filter((each) => each.phase === phase)
                .map((here) => (
                  <CheckpointLine
                    key={here.key}
                    here={here}
                    title={titleOf(here.checkpoint)}
                    look={looks.get(here.key)}
                    onPress={() => onCheckpoint(here)}
                  />
                ))}
            </View>
          ))}
          {joined.length > 0 && (
            <View style={styles.junctions}>
              <Text look="small" tone="soft">
                Junctions
              </Text>
              {joined.map((item) => (
                <JunctionLine key={item.key} item={item} />
              ))}
            </View>
          )}
          <Button kind="quiet" icon="plus" label="Add a checkpoint here" onPress={onAdd} />
        </View>
      )}
      <Rule />
    </View>
  );
}

const styles = StyleSheet.create({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    minHeight: 56,
    paddingVertical: space.xs,
  },
  mark: { justifyContent: 'center' },
  number: { minWidth: 34, textAlign: 'right' },
  names: { flex: 1, minWidth: 0 },
  open: { paddingLeft: space.m, paddingBottom: space.m, gap: space.m },
  state: { flexShrink: 0, maxWidth: '40%' },
  junctions: { gap: space.s },
  junction: { flexDirection: 'row', alignItems: 'center', gap: space.s, minHeight: 32 },
});
